import { z } from 'zod';
import { defineField } from '../../units/field';
import type { FaultId } from '../../vehicle/faults';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { LOOK_IDS, LOOK_RESULTS, LOOKS, lookState, type LookId, type State } from './looks';

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

const readings = () =>
  z
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
export type LevelAndLookReadings = z.infer<ReturnType<typeof readings>>;

/** How much likelier a level that has fallen is where coolant is lost by another fault, natural logarithms. Ours. */
const LOST_TOO: Readonly<Partial<Record<FaultId, number>>> = {
  'combustion-leak': Math.log(0.4 / 0.05),
  'water-pump-bearing': Math.log(0.25 / 0.05),
  'pressure-cap-weak': Math.log(0.2 / 0.05)
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
  results: LOOK_RESULTS,
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
    const later = aside.length > 0 ? `. Fix anyway, not the cause: ${list(aside)}` : '';
    const doubts =
      r.level !== null && thermal.soaked === false
        ? ['A level is read on a cold engine: warm coolant stands higher']
        : [];
    if (bad.length > 0) return outcome('fail', `${list(bad)}${later}`, { numbers, found: named, doubts });
    const nothing = aside.length > 0 ? 'Nothing else wrong' : 'Nothing wrong';
    const unseen = LOOK_IDS.filter((id) => r[id] === null);
    if (counts.length > 0)
      return outcome('unclear', `${list(counts)}${later}`, { numbers, found: named, doubts });
    if (unseen.includes('level') || unseen.length > 4)
      return outcome(
        'unclear',
        `${nothing} in what was looked at; not looked at: ${unseen.map((id) => LOOKS[id].title.toLowerCase()).join(', ')}${later}`,
        { numbers, found: named, doubts }
      );
    return outcome('pass', `${nothing} in ${found.length - aside.length} things looked at${later}`, {
      numbers,
      found: named,
      doubts
    });
  },
  // No model makes debris or play: shares of what eyes find are written down here, and nowhere else.
  simulate({ fault, severity, chance }) {
    // Debris between two cores is behind what is looked at.
    const choked = fault === 'airflow-restricted' && chance(0.5 * severity + 0.1);
    // An empty tank is missed by nobody.
    const level =
      fault === 'coolant-low'
        ? chance(severity > 0.8 ? 1 : 0.9)
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
