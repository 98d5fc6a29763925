import { limitsOf } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { temperatureAt } from '../thermistor/curve';
import { CLOSED_OHM, GROUND, meterReads, OPEN_OHM, type Network } from './network';
import type { ElementFault, Probe } from './rank';

/** Elements of a sensor’s circuit between its plug and the control unit, and how each fails. */
export const SENSOR_CIRCUIT_FAULTS = [
  { id: 'sound', title: 'Loom and control unit sound', prior: 0.4 },
  { id: 'signal-open', title: 'Signal wire open', prior: 0.1 },
  { id: 'signal-resists', title: 'Resistance in the signal wire', prior: 0.12 },
  { id: 'ground-open', title: 'Ground wire open', prior: 0.08 },
  { id: 'ground-resists', title: 'Resistance in the ground wire', prior: 0.12 },
  { id: 'signal-grounded', title: 'Signal wire to ground', prior: 0.08 },
  { id: 'signal-on-battery', title: 'Signal wire on battery plus', prior: 0.03 },
  { id: 'reference-low', title: 'Supply of the control unit low or missing', prior: 0.07 }
] as const satisfies readonly ElementFault<string>[];
export type SensorCircuitFault = (typeof SENSOR_CIRCUIT_FAULTS)[number]['id'];

const TRIED = 24;
/** Even steps of the logarithm from one size to another. */
const steps = (from: number, to: number): readonly number[] =>
  Array.from({ length: TRIED }, (_, i) => from * (to / from) ** (i / (TRIED - 1)));
const RESISTS = steps(30, 20_000);
const LEAKS = steps(1, 20_000);

/** Sizes each fault is tried at, Ω or share of the reference: as fine as the readings tell them apart. */
const SIZES: Readonly<Record<SensorCircuitFault, readonly number[]>> = {
  sound: steps(1, 1),
  'signal-open': steps(OPEN_OHM, OPEN_OHM),
  'signal-resists': RESISTS,
  'ground-open': steps(OPEN_OHM, OPEN_OHM),
  'ground-resists': RESISTS,
  'signal-grounded': LEAKS,
  'signal-on-battery': LEAKS,
  'reference-low': steps(0.02, 0.9)
};

type PlugState = 'unplugged' | 'bridged';
const BATTERY_V = 12.6;

/** The circuit with a fault of one size, the plug off its sensor: hanging open, or its pins bridged. */
function sensorNetwork(
  sheet: SpecSheet | null,
  state: PlugState,
  fault: SensorCircuitFault,
  size: number
): Network {
  const { referenceV, pullUpOhm } = circuitOf(sheet);
  const is = (id: SensorCircuitFault, ohm: number) => (fault === id ? size : ohm);
  const signal = fault === 'signal-open' || fault === 'signal-resists' ? size : CLOSED_OHM;
  const ground = fault === 'ground-open' || fault === 'ground-resists' ? size : CLOSED_OHM;
  return {
    sources: [
      { node: 'pin', volts: referenceV * (fault === 'reference-low' ? size : 1), ohm: pullUpOhm },
      ...(fault === 'signal-on-battery' ? [{ node: 'plug', volts: BATTERY_V, ohm: size }] : [])
    ],
    resistors: [
      ['pin', 'plug', signal],
      ['plug', 'plugGround', state === 'bridged' ? CLOSED_OHM : 1e12],
      ['plugGround', GROUND, ground],
      ['plug', GROUND, is('signal-grounded', 1e12)]
    ]
  };
}

/** Reference voltage and pull-up of the control unit. */
const circuitOf = (sheet: SpecSheet | null) => {
  const { referenceV, pullUpOhm } = limitsOf(sheet);
  return { referenceV: referenceV.value, pullUpOhm: pullUpOhm.value };
};

/** What the control unit reads at a voltage of its pin, °C, held between its defaults for open and short. */
function reads(sheet: SpecSheet | null, volts: number): number {
  const { referenceV, pullUpOhm } = circuitOf(sheet);
  const { openReadsC, shortReadsC, curve } = limitsOf(sheet);
  const [low, high] = [openReadsC.value, shortReadsC.value];
  const ohm =
    volts >= referenceV * 0.999 ? Infinity : (pullUpOhm * Math.max(volts, 1e-6)) / (referenceV - volts);
  if (!Number.isFinite(ohm)) return low;
  return Math.min(high, Math.max(low, temperatureAt(curve.value, ohm)));
}

const VOLT_SD = (volts: number) => Math.hypot(0.02, 0.015 * volts);
const SCAN_SD = () => 5;

/** Everything the check can measure on this circuit, each with what any fault would make of it. */
export function sensorProbes(sheet: SpecSheet | null): Probe<SensorCircuitFault>[] {
  const scan = (key: string, title: string, state: PlugState): Probe<SensorCircuitFault> => ({
    key,
    title,
    shows: (fault) =>
      SIZES[fault].map((size) => reads(sheet, pinVolts(sensorNetwork(sheet, state, fault, size)))),
    sd: SCAN_SD
  });
  const meter = (
    key: string,
    title: string,
    state: PlugState,
    plus: string,
    minus: string
  ): Probe<SensorCircuitFault> => ({
    key,
    title,
    shows: (fault) =>
      SIZES[fault].map((size) => meterReads(sensorNetwork(sheet, state, fault, size), plus, minus)),
    sd: VOLT_SD
  });
  return [
    scan('unpluggedC', 'the scan value with the plug off', 'unplugged'),
    scan('bridgedC', 'the scan value with its pins bridged', 'bridged'),
    meter('openV', 'the volts across the open plug', 'unplugged', 'plug', 'plugGround'),
    meter(
      'signalV',
      'the volts from the signal pin of the open plug to battery minus',
      'unplugged',
      'plug',
      GROUND
    ),
    meter(
      'groundV',
      'the volts from the ground pin to battery minus, pins bridged',
      'bridged',
      'plugGround',
      GROUND
    )
  ];
}

/** The control unit measures without loading its pin. */
const pinVolts = (network: Network) => meterReads(network, 'pin', GROUND);
