import { linearRegression, mean } from 'simple-statistics';
import { solve } from '../../base/linear';
import type { Problem } from '../../base/result';
import { temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';

const KELVIN = 273.15;
const INV_25 = 1 / 298.15;

/** A measured point of a thermistor: °C and Ω. */
export type CurvePoint = readonly [number, number];

/** A curve through readings, and how far the readings lie from it. */
export interface FittedCurve {
  readonly curve: Curve;
  /** Root mean square of what is left, °C; 0 where the readings are as many as the constants. */
  readonly residualC: number;
  readonly worstC: number;
}

/**
 * Problems of points that are to be a curve, each naming its row from 1: an NTC falls as it warms, so after sorting
 * by temperature every row must be hotter and lower than the one before. −60 to 250 °C; Ω above 0.
 */
export function problemsOfPoints(points: readonly CurvePoint[]): Problem[] {
  const problems: Problem[] = [];
  points.forEach(([celsius, ohm], i) => {
    const field = `points.${i}`;
    if (!(celsius >= -60 && celsius <= 250))
      problems.push({
        field,
        message: `row ${i + 1}: ${celsius}\u00a0°C is not between −60 and 250\u00a0°C`
      });
    if (!(ohm > 0)) problems.push({ field, message: `row ${i + 1}: ${ohm} Ω is not above 0 Ω` });
  });
  if (problems.length > 0) return problems;
  const order = points.map((p, row) => ({ p, row })).sort((a, b) => a.p[0] - b.p[0]);
  for (let k = 1; k < order.length; k++) {
    const [before, now] = [order[k - 1], order[k]];
    const field = `points.${now.row}`;
    const at = ({ p, row }: typeof now) => `row ${row + 1} (${p[0]}\u00a0°C, ${p[1]} Ω)`;
    if (now.p[0] === before.p[0])
      problems.push({ field, message: `${at(now)} repeats the temperature of ${at(before)}` });
    else if (now.p[1] >= before.p[1])
      problems.push({
        field,
        message: `${at(now)} is hotter than ${at(before)} and must be lower in resistance`
      });
  }
  return problems;
}

/** A table curve from points in any order. Check them with {@link problemsOfPoints} first. */
export const tableOf = (points: readonly CurvePoint[]): Curve => ({
  kind: 'table',
  points: points.toSorted((a, b) => a[0] - b[0])
});

/** β and R25 by least squares of ln R on 1/T. Throws RangeError on fewer than two temperatures. */
export function fitBeta(points: readonly CurvePoint[]): FittedCurve {
  const xs = points.map(([c]) => 1 / (c + KELVIN) - INV_25);
  const ys = points.map(([, ohm]) => Math.log(ohm));
  const { slope, offset } = straight(xs, ys);
  return judged({ kind: 'beta', r25Ohm: Math.exp(offset), betaK: slope }, points);
}

/**
 * Steinhart–Hart by least squares of 1/T on 1, ln R and (ln R)³, with ln R centred on its mean so that the three
 * hardly depend on each other; then expanded to a, b and c. Where noise makes the law turn round among the readings the
 * cubic term is left out. Throws RangeError on fewer than three temperatures, or where they lie so close that the cubic
 * term is lost.
 */
export function fitSteinhartHart(points: readonly CurvePoint[]): FittedCurve {
  if (new Set(points.map((p) => p[0])).size < 3)
    throw new RangeError(
      'Steinhart–Hart has three constants: it takes readings at three temperatures or more'
    );
  const logs = points.map(([, ohm]) => Math.log(ohm));
  const middle = mean(logs);
  const u = logs.map((l) => l - middle);
  // The basis 1, u, u³ + 3·middle·u²: (ln R)³ less what 1 and ln R make of it. Its span is that of the law.
  const rows = u.map((v) => [1, v, v ** 3 + 3 * middle * v ** 2]);
  const scale = [0, 1, 2].map((c) => Math.max(...rows.map((r) => Math.abs(r[c]))));
  if (scale[2] === 0) throw new RangeError('the readings do not differ in resistance');
  const [p, q, c] = leastSquares(
    rows.map((r) => r.map((v, k) => v / scale[k])),
    points.map(([celsius]) => 1 / (celsius + KELVIN))
  ).map((v, k) => v / scale[k]);
  // (ln R)³ = u³ + 3·m·u² + 3·m²·u + m³, so c·(ln R)³ brings 3·c·m² to the slope and c·m³ to the constant.
  const b = q - 3 * c * middle ** 2;
  const a = p - b * middle - c * middle ** 3;
  // Noise can bend a cubic until it turns round among the readings: then two constants tell more than three.
  const turns = logs.some((l) => b + 3 * c * l ** 2 <= 0);
  if (turns || b <= 0) {
    const { slope, offset } = straight(
      logs,
      points.map(([celsius]) => 1 / (celsius + KELVIN))
    );
    return judged({ kind: 'steinhart-hart', a: offset, b: slope, c: 0 }, points);
  }
  return judged({ kind: 'steinhart-hart', a, b, c }, points);
}

export const CURVE_FORMS = ['table', 'beta', 'steinhart-hart'] as const;

/** A curve through points in the form that is wanted. Throws RangeError where the points are too few for it. */
export function fitted(points: readonly CurvePoint[], form: (typeof CURVE_FORMS)[number]): FittedCurve {
  if (form === 'table') return { curve: tableOf(points), residualC: 0, worstC: 0 };
  return form === 'beta' ? fitBeta(points) : fitSteinhartHart(points);
}

function judged(curve: Curve, points: readonly CurvePoint[]): FittedCurve {
  const left = points.map(([celsius, ohm]) => temperatureAt(curve, ohm) - celsius);
  return {
    curve,
    residualC: Math.sqrt(left.reduce((sum, d) => sum + d * d, 0) / left.length),
    worstC: Math.max(...left.map(Math.abs))
  };
}

function straight(xs: readonly number[], ys: readonly number[]): { slope: number; offset: number } {
  if (new Set(xs).size < 2) throw new RangeError('β takes readings at two temperatures or more');
  const { m, b } = linearRegression(xs.map((x, i) => [x, ys[i]]));
  return { slope: m, offset: b };
}

/** Normal equations of three columns, solved with pivoting: small, and well scaled by the caller. */
function leastSquares(rows: readonly (readonly number[])[], y: readonly number[]): number[] {
  const n = rows[0].length;
  const m = Array.from({ length: n }, (_, i) => [
    ...Array.from({ length: n }, (_, j) => rows.reduce((sum, r) => sum + r[i] * r[j], 0)),
    rows.reduce((sum, r, k) => sum + r[i] * y[k], 0)
  ]);
  return solve(m);
}
