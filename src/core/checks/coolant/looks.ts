import type { FaultId } from '../../vehicle/faults';
import type { NamedResult } from '../check';
import { share } from '../strength';

export interface State {
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

/** Every state that a look can find is a result of its own, by the look and the state. */
export const LOOK_RESULTS: Readonly<Record<string, NamedResult>> = {
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
