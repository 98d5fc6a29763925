import { z } from 'zod';
import { defineField } from '../../units/field';
import type { FaultId } from '../../vehicle/faults';
import { defineCheck, outcome, type NamedResult } from '../check';
import { share, strength } from '../strength';

interface State {
  readonly title: string;
  /** `good` carries on, `note` is written down, `bad` is a finding. */
  readonly is: 'good' | 'note' | 'bad';
  readonly points?: readonly FaultId[];
}

const st = (title: string, is: State['is'], ...points: FaultId[]): State => ({ title, is, points });

/** What is looked at on a cold engine, and the states each can be found in. */
export const LOOKS = {
  level: {
    title: 'Level',
    states: {
      over: st('Over the mark', 'note'),
      mark: st('At the mark', 'good'),
      low: st('Below the mark', 'bad', 'coolant-low'),
      empty: st('None to be seen', 'bad', 'coolant-low')
    }
  },
  leaks: {
    title: 'Leaks',
    states: {
      none: st('Dry', 'good'),
      trace: st('Dried trace', 'note', 'coolant-low'),
      drip: st('Wet or dripping', 'bad', 'coolant-low')
    }
  },
  colour: {
    title: 'Coolant',
    states: {
      clean: st('Clean', 'good'),
      rusty: st('Rusty or sludge', 'bad', 'radiator-clogged', 'sensor-branch-restricted'),
      oily: st('Oil film', 'bad', 'combustion-leak'),
      mixed: st('Two kinds mixed', 'bad', 'radiator-clogged')
    }
  },
  face: {
    title: 'Radiator stack',
    states: {
      clean: st('Clean right through', 'good'),
      some: st('Some debris', 'note', 'airflow-restricted'),
      choked: st('Choked, or shroud gone', 'bad', 'airflow-restricted'),
      shut: st('Its shutter is shut and does not give', 'bad', 'active-shutter-stuck')
    }
  },
  between: {
    title: 'Between the cores',
    states: {
      clear: st('Clear, seen from above', 'good'),
      packed: st('Debris packed between them', 'bad', 'airflow-restricted')
    }
  },
  belt: {
    title: 'Belt',
    states: {
      good: st('Good and tight', 'good'),
      worn: st('Worn or glazed', 'note', 'pump-flow-low'),
      slack: st('Slack, off or gone', 'bad', 'pump-flow-low')
    }
  },
  pump: {
    title: 'Water pump',
    states: {
      firm: st('Dry and firm', 'good'),
      weeps: st('Weeps', 'note', 'water-pump-bearing', 'coolant-low'),
      play: st('Its pulley has play', 'bad', 'water-pump-bearing')
    }
  },
  hoses: {
    title: 'Hoses',
    states: {
      firm: st('Firm', 'good'),
      soft: st('Soft or swollen', 'note'),
      flat: st('Sucked flat or kinked', 'bad', 'pump-flow-low', 'pressure-cap-weak')
    }
  },
  connector: {
    title: 'Sensor plug',
    states: {
      sound: st('Clean, latched', 'good'),
      green: st('Green or wet', 'bad', 'ect-reads-cold', 'ect-intermittent', 'ect-wiring'),
      loose: st('Loose or chafed', 'bad', 'ect-intermittent', 'ect-wiring')
    }
  },
  added: {
    title: 'Additions',
    states: {
      none: st('Nothing added', 'good'),
      found: st('Added part or wire', 'bad', 'fan-setpoint-modified')
    }
  }
} as const satisfies Record<string, { title: string; states: Record<string, State> }>;

export type LookId = keyof typeof LOOKS;
export const LOOK_IDS = Object.keys(LOOKS) as [LookId, ...LookId[]];

const stateOf = (id: LookId) => {
  const states = Object.entries<State>(LOOKS[id].states);
  return defineField(z.enum(states.map(([state]) => state) as [string, ...string[]]), {
    label: LOOKS[id].title,
    choices: Object.fromEntries(states.map(([state, { title }]) => [state, title])),
    bad: states.flatMap(([state, { is }]) => (is === 'bad' ? [state] : []))
  })
    .nullable()
    .default(null);
};

const readings = z
  .object({
    level: stateOf('level'),
    leaks: stateOf('leaks'),
    colour: stateOf('colour'),
    face: stateOf('face'),
    between: stateOf('between'),
    belt: stateOf('belt'),
    pump: stateOf('pump'),
    hoses: stateOf('hoses'),
    connector: stateOf('connector'),
    added: stateOf('added'),
    note: defineField(z.string().trim().max(1000), { label: 'Where, and what else' }).default(''),
    /** Real defects that are not taken for the cause: put right anyway, without weight as evidence. */
    fixAnyway: z.array(z.enum(LOOK_IDS)).default([])
  })
  .refine((r) => LOOK_IDS.some((id) => r[id] !== null), {
    message: 'Tap at least one thing you looked at',
    path: ['level']
  });
export type LevelAndLookReadings = z.infer<typeof readings>;

export const lookState = (id: LookId, value: string | null): State | null =>
  value === null ? null : ((LOOKS[id].states as Record<string, State>)[value] ?? null);

/** Nothing wrong in all that is looked at. */
export const ALL_GOOD = Object.fromEntries(
  LOOK_IDS.map((id) => [id, Object.entries<State>(LOOKS[id].states).find(([, { is }]) => is === 'good')![0]])
) as Readonly<Record<LookId, string>>;

/** Which look is the one for a suspect that several speak of. */
const LOOK_FOR: readonly (readonly [LookId, string, FaultId])[] = [
  ['level', 'mark', 'coolant-low'],
  ['face', 'clean', 'airflow-restricted'],
  ['face', 'clean', 'active-shutter-stuck'],
  ['pump', 'firm', 'water-pump-bearing'],
  ['belt', 'good', 'pump-flow-low'],
  ['colour', 'clean', 'radiator-clogged'],
  ['colour', 'clean', 'sensor-branch-restricted'],
  ['connector', 'sound', 'ect-intermittent'],
  ['connector', 'sound', 'ect-wiring'],
  ['added', 'none', 'fan-setpoint-modified']
];

/** What is looked ahead to, by the state that stands for its like. */
const SEEN: Readonly<Record<string, string>> = {
  'level low': 'the level is low',
  'face choked': 'the radiator stack is choked',
  'between packed': 'debris is packed between the cores',
  'belt slack': 'the belt is slack',
  'pump play': 'the pulley of the pump has play',
  'connector green': 'the sensor plug is green or loose',
  'colour rusty': 'the coolant is rusty',
  'added found': 'something was added'
};

/** What a state is worth where it is not what looks are worth: an empty tank is no matter of opinion. Ours. */
const STRENGTHS: Readonly<Record<string, NamedResult['strength']>> = {
  'level empty': share(0.5, 0.003, 0.12, 'There is none: nothing else looks so'),
  'level low': share(
    0.75,
    0.05,
    0.12,
    'A level falls for other reasons too, as a hose that was off last month'
  ),
  'leaks trace': share(0.3, 0.1, 0.58, 'What has dried may be an old leak that was closed'),
  'leaks drip': share(0.6, 0.01, 0.58, 'It is wet now'),
  'face choked': share(0.45, 0.008, 0.35, 'It is there to be seen, and few vehicles have it'),
  'face shut': share(0.5, 0.004, 0.4, 'A shutter that is off stands open'),
  'face some': share(0.35, 0.12, 0.35, 'Some debris is on most'),
  'between packed': share(0.55, 0.006, 0.35, 'Seen from above, where no lamp from the front reaches'),
  'belt slack': share(0.45, 0.006, 0.6, 'A pump that is not driven does not pump'),
  'pump play': share(0.85, 0.006, 0.18, 'Felt by hand')
};

/** How much likelier a level that has fallen is where coolant is lost by another fault, natural logarithms. Ours. */
const LOST_TOO: Readonly<Partial<Record<FaultId, number>>> = {
  'combustion-leak': Math.log(0.4 / 0.05),
  'water-pump-bearing': Math.log(0.25 / 0.05),
  'pressure-cap-weak': Math.log(0.2 / 0.05)
};

/** Every state that a look can find is a result of its own, by the look and the state. */
const RESULTS: Readonly<Record<string, NamedResult>> = {
  ...Object.fromEntries(
    LOOK_IDS.flatMap((id) =>
      Object.entries<State>(LOOKS[id].states).map(([state, { points = [] }]) => [
        `${id} ${state}`,
        {
          seen: SEEN[`${id} ${state}`],
          for: points,
          strength: STRENGTHS[`${id} ${state}`],
          against: LOOK_FOR.flatMap(([look, good, fault]) => (look === id && good === state ? [fault] : []))
        }
      ])
    )
  ),
  sound: { against: LOOK_FOR.map(([, , fault]) => fault) }
};

/** What eyes alone find on a cold engine. */
export const levelAndLook = defineCheck({
  title: 'Level and look',
  phases: ['C'],
  minutes: 5,
  decides: 'Low level, leaks, restriction and connector defects, before anything is run.',
  tools: ['Lamp'],
  cautions: ['hot-cap', 'fan-starts', 'coolant'],
  gate: 'stopped',
  results: RESULTS,
  strength: strength(0.4, 0.05, 0.58, 'eye', 'What is seen is there; what is not seen may be', {
    'coolant-low': share(0.9, 0.11, 0.12, 'A level is plain; a dried trace is no leak'),
    'airflow-restricted': share(0.6, 0.1, 0.35, 'Debris between the cores is behind what is seen'),
    'water-pump-bearing': share(0.85, 0.02, 0.18, 'Felt at its pulley; a little play is missed'),
    'fan-setpoint-modified': share(0.6, 0.004, 0.4, 'Nobody adds a part for nothing'),
    'combustion-leak': share(0.12, 0.004, 0.9, 'An oil film is seldom there, and telling'),
    'pressure-cap-weak': share(0.12, 0.004, 0.9, 'A hose sucked flat is seldom there, and telling')
  }),
  always: true,
  beforeRunning: true,
  readings,
  // What boils over, leaks through a gasket or weeps at the pump has lost coolant as well.
  likelihoods: ({ level, fixAnyway }) =>
    (level !== 'low' && level !== 'empty') || fixAnyway.includes('level') ? {} : LOST_TOO,
  begins: () => ({ fixAnyway: [] }),
  judge(r, { thermal }) {
    const found = LOOK_IDS.map((id) => ({ id, state: lookState(id, r[id]) })).filter((f) => f.state !== null);
    const numbers = found.map(({ id, state }) => ({ name: LOOKS[id].title, value: state!.title }));
    const counts = found.filter(({ id, state }) => state!.is !== 'good' && !r.fixAnyway.includes(id));
    const bad = counts.filter(({ state }) => state!.is === 'bad');
    const aside = found.filter(({ id, state }) => state!.is !== 'good' && r.fixAnyway.includes(id));
    const clear = found.filter(({ state }) => state!.is === 'good');
    const named =
      clear.length === LOOK_IDS.length ? ['sound'] : [...counts, ...clear].map(({ id }) => `${id} ${r[id]}`);
    const list = (of: typeof found) =>
      of.map(({ id, state }) => `${LOOKS[id].title}: ${state!.title.toLowerCase()}`).join('; ');
    const later = aside.length > 0 ? `. Put right anyway, not the cause: ${list(aside)}` : '';
    const doubts =
      r.level !== null && thermal.soaked === false
        ? ['A level is read on a cold engine: warm coolant stands higher']
        : [];
    if (bad.length > 0) return outcome('fail', `${list(bad)}${later}`, { numbers, found: named, doubts });
    const unseen = LOOK_IDS.filter((id) => r[id] === null);
    if (counts.length > 0)
      return outcome('unclear', `${list(counts)}${later}`, { numbers, found: named, doubts });
    if (unseen.includes('level') || unseen.length > 4)
      return outcome(
        'unclear',
        `Nothing wrong in what was looked at; not looked at: ${unseen.map((id) => LOOKS[id].title.toLowerCase()).join(', ')}${later}`,
        { numbers, found: named, doubts }
      );
    return outcome('pass', `Nothing wrong in ${found.length} things looked at${later}`, {
      numbers,
      found: named,
      doubts
    });
  },
  // No model makes debris or play: shares of what eyes find are written down here, and nowhere else.
  simulate({ fault, severity, chance }) {
    // Debris between two cores is behind what is looked at.
    const choked = fault === 'airflow-restricted' && chance(0.5 * severity + 0.1);
    const level =
      fault === 'coolant-low'
        ? chance(0.9)
          ? severity > 0.8
            ? 'empty'
            : 'low'
          : 'mark'
        : fault === 'combustion-leak' || fault === 'water-pump-bearing'
          ? chance(0.35)
            ? 'low'
            : 'mark'
          : chance(0.04)
            ? 'low'
            : 'mark';
    return {
      level,
      between: fault === 'airflow-restricted' && !choked && chance(0.6) ? 'packed' : 'clear',
      leaks:
        fault === 'coolant-low'
          ? chance(0.5)
            ? 'drip'
            : chance(0.5)
              ? 'trace'
              : 'none'
          : chance(0.07)
            ? 'trace'
            : 'none',
      colour:
        fault === 'radiator-clogged'
          ? chance(0.4)
            ? 'rusty'
            : 'clean'
          : fault === 'combustion-leak' && chance(0.15)
            ? 'oily'
            : fault === 'sensor-branch-restricted' && chance(0.35)
              ? 'rusty'
              : chance(0.02)
                ? 'rusty'
                : 'clean',
      face: choked
        ? 'choked'
        : fault === 'airflow-restricted'
          ? chance(0.5)
            ? 'some'
            : 'clean'
          : chance(0.12)
            ? 'some'
            : 'clean',
      belt: fault === 'pump-flow-low' && chance(0.3) ? 'slack' : chance(0.06) ? 'worn' : 'good',
      // Play is felt by a hand that rocks the pulley; a little of it may be missed.
      pump:
        fault === 'water-pump-bearing'
          ? chance(0.45 + 0.5 * severity)
            ? 'play'
            : chance(0.4)
              ? 'weeps'
              : 'firm'
          : chance(0.03)
            ? 'weeps'
            : 'firm',
      hoses: fault === 'pressure-cap-weak' && chance(0.15) ? 'flat' : 'firm',
      connector:
        (fault === 'ect-wiring' || fault === 'ect-intermittent') && chance(0.4)
          ? chance(0.5)
            ? 'green'
            : 'loose'
          : chance(0.04)
            ? 'green'
            : 'sound',
      added: fault === 'fan-setpoint-modified' && chance(0.65) ? 'found' : 'none',
      note: '',
      fixAnyway: []
    };
  },
  words: (r) =>
    [
      ...LOOK_IDS.flatMap((id) => {
        const state = lookState(id, r[id]);
        return state ? [`${LOOKS[id].title}: ${state.title.toLowerCase()}`] : [];
      }),
      r.note
    ]
      .filter(Boolean)
      .join('; ')
});
