import { ALIKE, FAULTS, namedBy } from '../faults/registry';
import { CLEARED_HOT, READS_COLD, READS_HOT } from '../vehicle/sensor-faults';
import { HAS_ITS_CODE } from '../checks/engine/codes';
import { checkOf, type CheckId } from '../checks/registry';
import { midSentence } from '../base/text';
import { FAN_DEAD, type FaultId } from '../vehicle/faults';

/** One way a check can come out: what would be seen, and what it would speak for and against. */
export interface CheckOutcome {
  /** After “if”: `the relay clicks and the fan stands still`. */
  readonly seen: string;
  readonly for: readonly FaultId[];
  readonly against: readonly FaultId[];
}

/** What a check can find, and what it clears where it finds nothing. */
interface Table {
  readonly finds: readonly CheckOutcome[];
  readonly clears: readonly FaultId[];
}

const o = (seen: string, fors: readonly FaultId[], against: readonly FaultId[] = []): CheckOutcome => ({
  seen,
  for: fors,
  against
});

const SENSOR: readonly FaultId[] = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-wrong-part'
];

/**
 * How the checks come out whose results speak for several suspects at once. A check that is not here finds each of
 * its suspects by itself. Only for looking ahead: what a result says once it is there, its own rule says.
 */
const TABLES: Partial<Record<CheckId, Table>> = {
  codes: {
    finds: [
      o('a code for too cold an engine is stored', namedBy('P0128')),
      o('a code for overheating is stored', namedBy('P0217')),
      o('a code for an open sensor circuit is stored', ['ect-open-circuit', 'ect-wiring']),
      o('a code for a shorted sensor circuit is stored', ['ect-short-circuit', 'ect-wiring']),
      o('a code for a sensor that comes and goes is stored', ['ect-intermittent', 'ect-wiring']),
      o('a code of the fan circuit is stored', [
        'fan-relay-coil',
        'fan-feed-open',
        'fan-command-missing',
        'fan-controller-dead'
      ]),
      o('a code of the thermostat heater is stored', ['thermostat-heater-failed']),
      o('a code of the fan speed is stored', ['clutch-circuit-open'])
    ],
    // Many faults store none.
    clears: HAS_ITS_CODE
  },
  'level-and-look': {
    finds: [
      o('the level is low', ['coolant-low']),
      o('the radiator stack is choked', ['airflow-restricted']),
      o('the belt is slack', ['pump-flow-low']),
      o('the pulley of the pump has play', ['water-pump-bearing']),
      o('the sensor plug is green or loose', ['ect-intermittent', 'ect-wiring', 'ect-reads-cold']),
      o('the coolant is rusty', ['radiator-clogged', 'sensor-branch-restricted']),
      o('something was added', ['fan-setpoint-modified'])
    ],
    clears: [
      'coolant-low',
      'airflow-restricted',
      'water-pump-bearing',
      'pump-flow-low',
      'radiator-clogged',
      'sensor-branch-restricted',
      'ect-intermittent',
      'ect-wiring',
      'fan-setpoint-modified'
    ]
  },
  'cold-agreement': {
    finds: [
      o('it reads its cold default', ['ect-open-circuit', 'ect-wiring']),
      o('it reads its hot default', ['ect-short-circuit', 'ect-wiring']),
      o('it reads above the others', ['ect-reads-hot', 'ect-wrong-part', 'ect-wiring'], ['ect-reads-cold']),
      o('it reads below the others', ['ect-reads-cold', 'ect-wrong-part', 'ect-wiring'], ['ect-reads-hot'])
    ],
    clears: [...SENSOR, 'ect-wiring']
  },
  'ect-ladder': {
    finds: [
      o('it reads hot along its curve', ['ect-reads-hot'], ['ect-reads-cold', 'ect-wrong-part']),
      o('it reads cold along its curve', ['ect-reads-cold'], ['ect-reads-hot', 'ect-wrong-part']),
      o('it is on another curve', ['ect-wrong-part'], ['ect-wiring', 'ect-reads-hot', 'ect-reads-cold']),
      o('it is open', ['ect-open-circuit', 'ect-wiring']),
      o('it is shorted', ['ect-short-circuit', 'ect-wiring'])
    ],
    clears: SENSOR
  },
  'ect-circuit': {
    finds: [o('an extreme is not reached', ['ect-wiring'], ['ect-wrong-part'])],
    clears: ['ect-wiring']
  },
  'ect-substitute': {
    finds: [
      o('a good sensor reads right in its place', SENSOR, ['ect-wiring']),
      o('a good sensor is off as well', ['ect-wiring'], ['ect-wrong-part'])
    ],
    clears: [...SENSOR, 'ect-wiring']
  },
  wiggle: {
    finds: [
      o('the reading follows the hand', ['ect-intermittent', 'ect-wiring']),
      o('the fan follows the hand', ['fan-controller-shorted'])
    ],
    clears: ['ect-intermittent']
  },
  'gauge-compare': {
    finds: [
      o('the scan value is at its cold default', ['ect-open-circuit', 'ect-wiring'], ['ect-reads-cold']),
      o('the scan value is at its hot default', ['ect-short-circuit', 'ect-wiring'], ['ect-reads-hot']),
      o('the needle alone is wrong', ['gauge-fault']),
      o('the scan value stands below the thermometer', ['sensor-branch-restricted', ...READS_COLD]),
      o('the scan value stands above the thermometer', READS_HOT)
    ],
    clears: ['gauge-fault', ...CLEARED_HOT, 'ect-reads-hot']
  },
  'hose-rush': {
    finds: [
      o('the hose warms along from the start', ['thermostat-stuck-open'], ['thermostat-stuck-closed']),
      o('it rushes hot too early', ['thermostat-low-rating'], ['thermostat-stuck-closed']),
      o('it stays cool', ['thermostat-stuck-closed', 'pump-flow-low'], ['thermostat-stuck-open']),
      o('it rushes hot late', ['thermostat-sluggish'], ['thermostat-stuck-open'])
    ],
    clears: [
      'thermostat-stuck-open',
      'thermostat-stuck-closed',
      'thermostat-low-rating',
      'thermostat-sluggish'
    ]
  },
  'fan-switching': {
    finds: [
      o('the fan never comes on', FAN_DEAD),
      o('it comes on early or late', ['fan-setpoint-modified'], ['fan-motor-dead', 'fan-feed-open']),
      o('it runs from the first minute', [
        'fan-relay-welded',
        'fan-controller-shorted',
        'fan-setpoint-modified'
      ]),
      o('it runs with the reading at a default', ['ect-open-circuit', 'ect-short-circuit', 'ect-wiring'])
    ],
    clears: [...FAN_DEAD, 'fan-setpoint-modified', 'fan-relay-welded', 'fan-controller-shorted']
  },
  'fan-command': {
    finds: [
      o(
        'the relay clicks and the fan stands still',
        ['fan-relay-contacts', 'fan-motor-dead', 'fan-feed-open'],
        ['fan-command-missing', 'fan-relay-coil']
      ),
      o('nothing clicks and the fan stands still', [
        'fan-relay-coil',
        'fan-command-missing',
        'fan-controller-dead'
      ]),
      o('the fan turns slowly', ['fan-motor-weak', 'fan-feed-open'])
    ],
    clears: [...FAN_DEAD, 'fan-motor-weak']
  },
  'key-off-fan': {
    finds: [
      o('the fan runs on against its rule', [
        'fan-relay-welded',
        'fan-controller-shorted',
        'ect-intermittent'
      ])
    ],
    clears: ['fan-relay-welded', 'fan-controller-shorted']
  },
  'relay-swap': {
    finds: [
      o(
        'the fan runs with the other relay',
        ['fan-relay-contacts', 'fan-relay-coil'],
        ['fan-motor-dead', 'fan-feed-open', 'fan-command-missing']
      ),
      o('the fan stops with the other relay', ['fan-relay-welded'])
    ],
    clears: ['fan-relay-contacts', 'fan-relay-coil']
  },
  'clutch-cold-turn': {
    finds: [
      o('the fan spins freely', ['clutch-slipping'], ['clutch-seized', 'clutch-circuit-open']),
      o('it cannot be turned', ['clutch-seized'], ['clutch-slipping'])
    ],
    clears: ['clutch-slipping', 'clutch-seized']
  },
  'clutch-hot-speed': {
    finds: [
      o('it stays free when hot', ['clutch-slipping', 'clutch-engages-late'], ['clutch-seized']),
      o('it drives with cool air', ['clutch-seized'], ['clutch-slipping'])
    ],
    clears: ['clutch-slipping', 'clutch-engages-late', 'clutch-seized']
  },
  'clutch-electronic': {
    finds: [
      o(
        'it is engaged at any command, with power at its plug',
        ['clutch-seized'],
        ['clutch-circuit-open', 'clutch-slipping']
      ),
      o(
        'it is engaged at any command, without power',
        ['clutch-circuit-open'],
        ['clutch-seized', 'clutch-slipping']
      ),
      o('it does not come up', ['clutch-slipping'], ['clutch-circuit-open', 'clutch-seized'])
    ],
    clears: ['clutch-circuit-open', 'clutch-seized', 'clutch-slipping']
  },
  'temperature-map': {
    finds: [
      o('the scan value is at its cold default', ['ect-open-circuit', 'ect-wiring'], ['ect-reads-cold']),
      o('the scan value is at its hot default', ['ect-short-circuit', 'ect-wiring'], ['ect-reads-hot']),
      o('the scan value is below the metal around it', READS_COLD, ['sensor-branch-restricted']),
      o('the scan value is above the metal around it', READS_HOT, ['sensor-branch-restricted']),
      o(
        'the branch of the sensor is cold',
        ['sensor-branch-restricted'],
        ['ect-reads-cold', 'ect-reads-hot']
      ),
      o('the hose behind the shut thermostat is hot', ['thermostat-stuck-open', 'thermostat-low-rating']),
      o('hardly anything comes through the thermostat', ['thermostat-stuck-closed', 'coolant-low']),
      o('the heater hoses are cold', ['coolant-low', 'pump-flow-low'])
    ],
    clears: [
      'sensor-branch-restricted',
      ...CLEARED_HOT,
      'pump-flow-low',
      'coolant-low',
      'thermostat-stuck-closed'
    ]
  },
  'radiator-face': {
    finds: [
      o('places of the core are cold', ['radiator-clogged'], ['pump-flow-low']),
      o('it takes off too little', ['airflow-restricted'], ['radiator-clogged']),
      o(
        'it takes off more than is due',
        ['pump-flow-low', 'thermostat-stuck-closed'],
        ['radiator-clogged', 'airflow-restricted']
      )
    ],
    clears: ['radiator-clogged', 'airflow-restricted']
  },
  'air-rise': {
    finds: [
      o('the air comes out nearly as hot as the coolant', ['airflow-restricted'], ['radiator-clogged']),
      o(
        'nothing drives the air',
        ['clutch-slipping', 'clutch-engages-late', 'fan-motor-dead'],
        ['radiator-clogged']
      ),
      o('the air takes little up', ['radiator-clogged', 'airflow-restricted', 'thermostat-stuck-closed'])
    ],
    clears: ['airflow-restricted', 'fan-motor-dead']
  },
  'pressure-hold': {
    finds: [
      o('the pressure falls', ['coolant-low']),
      o('the pressure rises while it runs', ['combustion-leak'])
    ],
    clears: ['coolant-low', 'combustion-leak']
  }
};

/** Faults that draw one curve are found together by a run. */
const byRun = (id: CheckId): Table => {
  const told = new Set(Object.values(ALIKE).flat());
  const speaks = checkOf(id).speaksTo;
  return {
    finds: speaks
      .filter((f) => !told.has(f))
      .map((f) =>
        o(`the run fits ${midSentence(FAULTS[f].title)}`, [
          f,
          ...(ALIKE[f] ?? []).filter((a) => speaks.includes(a))
        ])
      ),
    clears: speaks
  };
};

const singly = (id: CheckId): Table => {
  const { speaksTo } = checkOf(id);
  return {
    finds: speaksTo.map((f) => o(`it speaks for ${midSentence(FAULTS[f].title)}`, [f])),
    clears: speaksTo
  };
};

const tables = new Map<CheckId, Table>();

/** How a check can come out on any vehicle. */
export function outcomesOf(id: CheckId): Table {
  const had = tables.get(id);
  if (had) return had;
  const made = TABLES[id] ?? (id === 'warm-up-run' || id === 'road-run' ? byRun(id) : singly(id));
  tables.set(id, made);
  return made;
}
