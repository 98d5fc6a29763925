import { z } from 'zod';
import {
  withoutClutch,
  withoutController,
  withoutElectronicClutch,
  withoutFan,
  withoutRelay
} from './vehicle-has';
import type { FaultId } from '../plant/faults';
import type { CautionId } from './cautions';
import { defineCheck, outcome, type Check, type CheckWords } from './check';

const readings = z.object({
  judged: z.enum(['pass', 'fail', 'unclear'], 'Say how you judge it'),
  found: z.string().trim().min(1, 'Write down what was measured, with its limit').max(1000)
});
export type ByHandReadings = z.infer<typeof readings>;

type Row = Omit<CheckWords, 'gate'> & Partial<Pick<CheckWords, 'gate'>>;

/** A check whose readings are judged by the technician: written down with its verdict, not computed. */
function byHand(row: Row): Check {
  return defineCheck<ByHandReadings>({
    gate: 'none',
    ...row,
    readings,
    judge: (r) => outcome(r.judged, `Judged by hand: ${r.found}`),
    words: (r) => `${r.judged}: ${r.found}`
  });
}

const SENSOR: readonly FaultId[] = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-wrong-part',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent',
  'ect-wiring'
];
const THERMOSTAT: readonly FaultId[] = [
  'thermostat-stuck-open',
  'thermostat-stuck-closed',
  'thermostat-low-rating',
  'thermostat-sluggish'
];
const FAN: readonly FaultId[] = ['fan-motor-dead', 'fan-motor-weak', 'fan-feed-open', 'fan-command-missing'];
const RELAY: readonly FaultId[] = ['fan-relay-contacts', 'fan-relay-coil', 'fan-relay-welded'];
const FLOW: readonly FaultId[] = ['radiator-clogged', 'pump-flow-low', 'sensor-branch-restricted'];
const RUNNING: readonly CautionId[] = ['indoor-running', 'belts', 'fan-blades'];

/** Checks that stand on the plan and are judged by hand until they have a sheet of their own. */
export const BY_HAND = {
  'warm-up-run': byHand({
    title: 'Warm-up run',
    phases: ['C', 'W', 'R'],
    minutes: 25,
    decides: 'The run against the warm-up this engine should show today.',
    tools: ['Logger'],
    cautions: ['indoor-running', 'stop-limit', 'belts'],
    speaksTo: [...THERMOSTAT, ...SENSOR, ...FLOW, 'coolant-low'],
    always: true
  }),
  'road-run': byHand({
    title: 'Road run',
    phases: ['R'],
    minutes: 20,
    decides: 'How the temperature depends on speed and load.',
    tools: ['Logger'],
    cautions: ['stop-limit'],
    speaksTo: [...THERMOSTAT, ...FLOW, 'airflow-restricted', 'clutch-slipping']
  }),
  'fan-direct-feed': byHand({
    title: 'Fan direct feed',
    phases: ['X'],
    minutes: 6,
    decides: 'Motor and its wiring good or not.',
    tools: ['Fused feed', 'Clamp meter'],
    cautions: ['fused-feed', 'fan-blades'],
    speaksTo: FAN,
    lacks: withoutFan
  }),
  'relay-bench': byHand({
    title: 'Relay on the bench',
    phases: ['B'],
    minutes: 5,
    decides: 'Coil and contacts.',
    tools: ['Meter', 'Fused feed'],
    cautions: ['fused-feed'],
    speaksTo: RELAY,
    lacks: withoutRelay
  }),
  'relay-swap': byHand({
    title: 'Relay swap',
    phases: ['X'],
    minutes: 3,
    decides: 'Relay against the rest, with an identical part from a circuit not needed to run safely.',
    tools: ['Identical relay'],
    cautions: ['fan-starts'],
    speaksTo: RELAY,
    lacks: withoutRelay
  }),
  'relay-socket': byHand({
    title: 'Relay socket',
    phases: ['X'],
    minutes: 8,
    decides: 'Which of supply, control, load and ground is missing.',
    tools: ['Meter'],
    cautions: ['fan-starts'],
    speaksTo: [...RELAY, 'fan-command-missing', 'fan-feed-open'],
    lacks: withoutRelay
  }),
  'controller-in-out': byHand({
    title: 'Fan controller, in and out',
    phases: ['X'],
    minutes: 8,
    decides: 'Shorted, dead, or not commanded.',
    tools: ['Meter'],
    cautions: ['fan-starts', 'battery'],
    speaksTo: ['fan-controller-shorted', 'fan-controller-dead', 'fan-command-missing', 'fan-feed-open'],
    lacks: withoutController
  }),
  'clutch-hot-speed': byHand({
    title: 'Clutch speed, hot',
    phases: ['R', 'H'],
    minutes: 10,
    decides: 'Slip against the sheet’s table: disengaged, engaged, limited.',
    tools: ['Optical tachometer'],
    cautions: RUNNING,
    speaksTo: ['clutch-slipping', 'clutch-engages-late', 'clutch-seized', 'airflow-restricted'],
    lacks: withoutClutch
  }),
  'clutch-electronic': byHand({
    title: 'Electronic clutch',
    phases: ['R'],
    minutes: 6,
    decides: 'Follows the command, ignores it, or is locked.',
    tools: ['Scan tool', 'Optical tachometer'],
    cautions: RUNNING,
    speaksTo: ['clutch-circuit-open', 'clutch-seized', 'clutch-slipping'],
    lacks: withoutElectronicClutch
  }),
  'temperature-map': byHand({
    title: 'Temperature map',
    phases: ['R'],
    minutes: 8,
    decides: 'What should equal what on the loop, and where flow is held up.',
    tools: ['Thermometer'],
    cautions: ['hot-parts', 'belts'],
    speaksTo: [...FLOW, 'ect-reads-cold', 'ect-reads-hot']
  }),
  'radiator-face': byHand({
    title: 'Radiator face',
    phases: ['R'],
    minutes: 6,
    decides: 'Cold tubes and effectiveness.',
    tools: ['Infrared thermometer'],
    cautions: ['hot-parts', 'fan-blades'],
    speaksTo: ['radiator-clogged', 'airflow-restricted']
  }),
  'air-rise': byHand({
    title: 'Air temperature rise',
    phases: ['R'],
    minutes: 5,
    decides: 'Airflow against heat.',
    tools: ['Thermometer'],
    cautions: ['fan-blades'],
    speaksTo: ['airflow-restricted', 'radiator-clogged', 'clutch-slipping', 'clutch-engages-late']
  }),
  'pressure-hold': byHand({
    title: 'Pressure hold',
    phases: ['C'],
    minutes: 12,
    decides: 'How fast the system loses pressure.',
    tools: ['Pressure tester'],
    cautions: ['hot-cap', 'test-pressure'],
    gate: 'cap-cool',
    speaksTo: ['coolant-low', 'combustion-leak', 'pressure-cap-weak']
  }),
  'cap-test': byHand({
    title: 'Cap test',
    phases: ['C'],
    minutes: 4,
    decides: 'Opening pressure against the sheet.',
    tools: ['Pressure tester'],
    cautions: ['hot-cap', 'test-pressure'],
    gate: 'cap-cool',
    speaksTo: ['pressure-cap-weak']
  }),
  'combustion-gas': byHand({
    title: 'Combustion gas',
    phases: ['R'],
    minutes: 10,
    decides: 'Gas in the coolant: refer on.',
    tools: ['Chemical gas test'],
    cautions: ['hot-cap', 'indoor-running'],
    speaksTo: ['combustion-leak']
  }),
  'thermostat-bath': byHand({
    title: 'Thermostat in a bath',
    phases: ['B'],
    minutes: 20,
    decides: 'Start, full open, lift, closing and hysteresis.',
    tools: ['Heated bath', 'Thermometer', 'Lift gauge'],
    cautions: ['heated-bath'],
    speaksTo: THERMOSTAT
  }),
  'thermostat-heater': byHand({
    title: 'Thermostat heater',
    phases: ['B'],
    minutes: 8,
    decides: 'Element resistance; opens when powered.',
    tools: ['Meter', 'Fused feed'],
    cautions: ['heated-bath', 'fused-feed'],
    speaksTo: ['thermostat-heater-failed'],
    lacks: (sheet) => (sheet.thermostat.heaterOhm == null ? 'no heated thermostat' : null)
  })
} as const satisfies Readonly<Record<string, Check>>;
