import { rangeAt, resolutionAt, type SensorCircuit } from './circuit';
import { resistanceAt, temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';
import { readsHotBy } from './parallel';

/** One line of a sensor's table. */
export interface TableRow {
  readonly celsius: number;
  readonly ohm: number;
  /** What a sensor at the ends of its tolerance reads less the truth, °C: cold end, hot end. */
  readonly toleranceC: readonly [number, number];
  /** By the control unit’s divider; null without one. */
  readonly volts: number | null;
  readonly range: 'cold' | 'warm';
  readonly mvPerC: number | null;
  readonly countC: number | null;
  /** How much too hot it reads with a resistor across it, °C; null without one. */
  readonly hotByC: number | null;
}

export interface TableOf {
  readonly curve: Curve;
  /** ± of resistance, %. */
  readonly tolerancePct: number;
  readonly circuit: SensorCircuit | null;
  readonly acrossOhm: number | null;
}

/** A sensor’s table over temperatures in °C, as a workshop hangs it on the wall. */
export const tableRows = (
  { curve, tolerancePct, circuit, acrossOhm }: TableOf,
  temperatures: readonly number[]
): TableRow[] =>
  temperatures.map((celsius) => {
    const ohm = resistanceAt(curve, celsius);
    const off = (factor: number) => temperatureAt(curve, ohm * factor) - celsius;
    const range = circuit ? rangeAt(circuit, celsius, true) : 'cold';
    const fine = circuit && resolutionAt(circuit, curve, celsius, range);
    return {
      celsius,
      ohm,
      toleranceC: [off(1 + tolerancePct / 100), off(1 - tolerancePct / 100)],
      volts: fine?.volts ?? null,
      range,
      mvPerC: fine?.mvPerC ?? null,
      countC: fine?.countC ?? null,
      hotByC: acrossOhm === null ? null : readsHotBy(curve, celsius, acrossOhm)
    };
  });
