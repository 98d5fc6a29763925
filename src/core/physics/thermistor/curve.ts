import type { Curve } from '../../vehicle/sensor-curve';

const KELVIN = 273.15;
const INV_25 = 1 / 298.15;

/**
 * Resistance in Ω at a temperature in °C.
 * β form: R = R25·exp(β(1/T − 1/298.15)). Steinhart–Hart: the root of c·x³ + b·x + (a − 1/T) = 0 with x = ln R, by
 * Cardano; where c is negative the middle one of three, for only between its two turning points does the law fall
 * with temperature, and it is held at them beyond. Table: straight in ln R against 1/T, its end segments carried on beyond the ends.
 */
export function resistanceAt(curve: Curve, celsius: number): number {
  const inv = 1 / (celsius + KELVIN);
  switch (curve.kind) {
    case 'beta':
      return curve.r25Ohm * Math.exp(curve.betaK * (inv - INV_25));
    case 'steinhart-hart': {
      if (curve.c === 0) return Math.exp((inv - curve.a) / curve.b);
      if (curve.c < 0) {
        const turn = Math.sqrt(-curve.b / (3 * curve.c));
        const sine = (curve.a - inv) / (2 * curve.c * turn ** 3);
        return Math.exp(2 * turn * Math.sin(Math.asin(Math.min(1, Math.max(-1, sine))) / 3));
      }
      const q = (curve.a - inv) / (2 * curve.c);
      const s = Math.sqrt((curve.b / (3 * curve.c)) ** 3 + q * q);
      return Math.exp(Math.cbrt(s - q) - Math.cbrt(s + q));
    }
    case 'table': {
      const [low, high] = segment(curve.points, (p) => p[0] < celsius);
      const x0 = 1 / (low[0] + KELVIN);
      const x1 = 1 / (high[0] + KELVIN);
      const share = (inv - x0) / (x1 - x0);
      return Math.exp(Math.log(low[1]) + share * Math.log(high[1] / low[1]));
    }
  }
}

/** Temperature in °C at a resistance in Ω (positive). The inverse of {@link resistanceAt}. */
export function temperatureAt(curve: Curve, ohm: number): number {
  const lnR = Math.log(ohm);
  switch (curve.kind) {
    case 'beta':
      return 1 / (INV_25 + (lnR - Math.log(curve.r25Ohm)) / curve.betaK) - KELVIN;
    case 'steinhart-hart':
      return 1 / (curve.a + curve.b * lnR + curve.c * lnR ** 3) - KELVIN;
    case 'table': {
      const [low, high] = segment(curve.points, (p) => p[1] > ohm);
      const share = (lnR - Math.log(low[1])) / Math.log(high[1] / low[1]);
      const x0 = 1 / (low[0] + KELVIN);
      const x1 = 1 / (high[0] + KELVIN);
      return 1 / (x0 + share * (x1 - x0)) - KELVIN;
    }
  }
}

function segment(
  points: Extract<Curve, { kind: 'table' }>['points'],
  before: (p: readonly [number, number]) => boolean
) {
  let i = 1;
  while (i < points.length - 1 && before(points[i])) i++;
  return [points[i - 1], points[i]] as const;
}

/** What a control unit reads at `celsius` with `ohm` of contact resistance in series: low, and worst when hot. */
export const readsWithSeries = (curve: Curve, celsius: number, ohm: number): number =>
  temperatureAt(curve, resistanceAt(curve, celsius) + ohm);

/** What a control unit reads at `celsius` with a leak of `ohm` across the sensor: high, and worst when cold. */
export const readsWithParallel = (curve: Curve, celsius: number, ohm: number): number => {
  const r = resistanceAt(curve, celsius);
  return temperatureAt(curve, (r * ohm) / (r + ohm));
};
