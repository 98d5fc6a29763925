import { readsWithParallel, resistanceAt, temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';

/**
 * The true temperature at which a control unit that switches at `onC` does so with `ohm` across the sensor: it
 * needs the resistance of `onC`, and sensor and resistor together come to it where the sensor alone is higher.
 * Null where the resistor alone is already below it: then it would switch at any temperature.
 */
export function switchesAt(curve: Curve, onC: number, ohm: number): number | null {
  const needed = resistanceAt(curve, onC);
  return ohm <= needed ? null : temperatureAt(curve, (needed * ohm) / (ohm - needed));
}

/** The resistor that moves a switching temperature from `onC` to `wantedC`, Ω; `wantedC` must be lower. */
export function resistorFor(curve: Curve, onC: number, wantedC: number): number {
  if (!(wantedC < onC))
    throw new RangeError(
      `a resistor across the sensor makes it switch sooner: ${wantedC}\u00a0°C is not below ${onC}\u00a0°C`
    );
  const needed = resistanceAt(curve, onC);
  const there = resistanceAt(curve, wantedC);
  return (needed * there) / (there - needed);
}

/** How much too hot a control unit reads at a true temperature with `ohm` across the sensor, °C. */
export const readsHotBy = (curve: Curve, celsius: number, ohm: number): number =>
  readsWithParallel(curve, celsius, ohm) - celsius;
