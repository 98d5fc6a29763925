import { resistanceAt, temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';

/** The divider a control unit reads its sensor by: pull-up to a reference, sensor to ground. */
export interface SensorCircuit {
  readonly referenceV: number;
  readonly pullUpOhm: number;
  /**
   * A second pull-up that is switched in beside the first when warm: above `toWarmC` on the way up, out again
   * below `toColdC` on the way down. The voltage jumps up; the temperature reads on.
   */
  readonly warm?: { readonly pullUpOhm: number; readonly toWarmC: number; readonly toColdC: number } | null;
}

export type Range = 'cold' | 'warm';

/** The pull-up in force in a range, Ω: both in parallel when warm. */
export function pullUpIn({ pullUpOhm, warm }: SensorCircuit, range: Range): number {
  return range === 'cold' || !warm ? pullUpOhm : (pullUpOhm * warm.pullUpOhm) / (pullUpOhm + warm.pullUpOhm);
}

/** The range a control unit is in at a temperature, coming from below (`rising`) or above. */
export function rangeAt({ warm }: SensorCircuit, celsius: number, rising: boolean): Range {
  return warm && celsius >= (rising ? warm.toWarmC : warm.toColdC) ? 'warm' : 'cold';
}

/** V at the control unit's pin for a sensor resistance: V = Vref·R/(R + Rpull). Ω ≥ 0. */
export const voltsOf = (circuit: SensorCircuit, ohm: number, range: Range): number =>
  (circuit.referenceV * ohm) / (ohm + pullUpIn(circuit, range));

/** Resistance that gives a voltage, Ω. Throws RangeError outside 0 to the reference. */
export function ohmsOf(circuit: SensorCircuit, volts: number, range: Range): number {
  if (!(volts > 0 && volts < circuit.referenceV))
    throw new RangeError(`${volts} V is not between 0 and the reference of ${circuit.referenceV} V`);
  return (pullUpIn(circuit, range) * volts) / (circuit.referenceV - volts);
}

/** A temperature a voltage may stand for, and the range the control unit would be in. */
export interface Meaning {
  readonly range: Range;
  readonly celsius: number;
}

/**
 * What a voltage means: one temperature, or with a switched pull-up two, where either range could give it. A range
 * only counts where the control unit can be in it: cold below `toWarmC`, warm above `toColdC`.
 */
export function meaningsOf(circuit: SensorCircuit, curve: Curve, volts: number): Meaning[] {
  const ranges: Range[] = circuit.warm ? ['cold', 'warm'] : ['cold'];
  return ranges
    .map((range) => ({ range, celsius: temperatureAt(curve, ohmsOf(circuit, volts, range)) }))
    .filter(({ range, celsius }) =>
      circuit.warm
        ? range === 'cold'
          ? celsius < circuit.warm.toWarmC
          : celsius >= circuit.warm.toColdC
        : true
    );
}

/** How finely a circuit reads at a temperature. */
export interface Resolution {
  readonly volts: number;
  /** Slope, mV/°C; negative for an NTC. */
  readonly mvPerC: number;
  /** What one count of the converter is worth, °C. */
  readonly countC: number;
}

/** Sensitivity and the step of one converter count (`bits`, usually 10) at a temperature. */
export function resolutionAt(
  circuit: SensorCircuit,
  curve: Curve,
  celsius: number,
  range: Range = rangeAt(circuit, celsius, true),
  bits = 10
): Resolution {
  const at = (c: number) => voltsOf(circuit, resistanceAt(curve, c), range);
  const mvPerC = ((at(celsius + 0.01) - at(celsius - 0.01)) / 0.02) * 1000;
  return { volts: at(celsius), mvPerC, countC: (circuit.referenceV * 1000) / 2 ** bits / Math.abs(mvPerC) };
}
