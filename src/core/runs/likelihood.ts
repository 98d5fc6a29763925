/**
 * How well a simulated trace explains an observed one, when neither the model nor the drive is exact.
 *
 * Both are averaged over bins; the difference is taken as a Gaussian process with a slow part (the model is
 * wrong in the same direction for minutes) and a fast part (fan and thermostat cycles out of step), and its
 * squared distance goes through a Student-t so that no single stretch can rule the truth out.
 */
export interface TraceScale {
  /** Bin of each step of the grid the traces are on; −1 where the log has a gap. */
  readonly binOf: Int16Array;
  readonly bins: number;
  readonly observed: Float64Array;
  /** Covariance of the difference, row by row, and its lower Cholesky factor. */
  readonly covariance: Float64Array;
  readonly factor: Float64Array;
  readonly zones: Zones;
}

/**
 * Where a degree counts less. Between `freeFromC` and `freeToC` (start-to-open and the fan's switching point)
 * any temperature is as designed, and how fast an engine wanders through it no model knows; beyond `hotC` how
 * far it got depends on when someone stopped.
 */
export interface Zones {
  readonly freeFromC: number;
  readonly freeToC: number;
  readonly hotC: number;
}

export interface ScaleOptions {
  readonly slowC: (bin: number) => number;
  readonly fastC: (bin: number) => number;
  readonly zones: Zones;
}

const FREE_WEIGHT = 0.4;
const HOT_WEIGHT = 0.3;

/** Evidence counts a little less than it claims: channels and bins are not as independent as they are taken for. */
export const TEMPER = 0.75;

const SLOW_S = 280;
const FREEDOM = 6;
const MOST_BINS = 40;

/** Lays out bins for an observed series on a grid of `dt` s and factors the covariance once. */
export function traceScale(observed: ArrayLike<number>, dt: number, options: ScaleOptions): TraceScale {
  const n = observed.length;
  const perBin = Math.max(Math.ceil(30 / dt), Math.ceil(n / MOST_BINS));
  const raw = Math.ceil(n / perBin);
  const sums = new Float64Array(raw);
  const counts = new Int32Array(raw);
  for (let i = 0; i < n; i++) {
    if (Number.isNaN(observed[i])) continue;
    const b = Math.floor(i / perBin);
    sums[b] += squash(observed[i], options.zones);
    counts[b]++;
  }
  const kept = Array.from({ length: raw }, (_, b) => b).filter((b) => counts[b] > perBin / 4);
  const index = new Map(kept.map((b, i) => [b, i]));
  const binOf = new Int16Array(n).fill(-1);
  for (let i = 0; i < n; i++)
    if (!Number.isNaN(observed[i])) binOf[i] = index.get(Math.floor(i / perBin)) ?? -1;
  const times = kept.map((b) => (b + 0.5) * perBin * dt);
  const m = kept.length;
  const covariance = new Float64Array(m * m);
  for (let i = 0; i < m; i++) {
    for (let j = 0; j <= i; j++) {
      const slow = options.slowC(i) * options.slowC(j) * Math.exp(-Math.abs(times[i] - times[j]) / SLOW_S);
      covariance[i * m + j] = slow + (i === j ? options.fastC(i) ** 2 : 0);
    }
  }
  return {
    binOf,
    bins: m,
    observed: Float64Array.from(kept, (b) => sums[b] / counts[b]),
    covariance,
    factor: cholesky(covariance, m),
    zones: options.zones
  };
}

/**
 * The scale with the spread of an ensemble added to its covariance: the ways in which healthy engines of one
 * sheet differ from each other on this very drive are then no evidence for anything.
 */
export function withEnsemble(scale: TraceScale, members: readonly Float64Array[]): TraceScale {
  const m = scale.bins;
  if (members.length < 3 || m === 0) return scale;
  const mean = new Float64Array(m);
  for (const member of members) for (let i = 0; i < m; i++) mean[i] += member[i] / members.length;
  const covariance = scale.covariance.slice();
  for (const member of members) {
    for (let i = 0; i < m; i++) {
      const di = (member[i] - mean[i]) / (members.length - 1);
      for (let j = 0; j <= i; j++) covariance[i * m + j] += di * (member[j] - mean[j]);
    }
  }
  return { ...scale, covariance, factor: cholesky(covariance, m) };
}

function squash(celsius: number, { freeFromC, freeToC, hotC }: Zones): number {
  if (celsius <= freeFromC) return celsius;
  const free = FREE_WEIGHT * (Math.min(celsius, freeToC) - freeFromC);
  const high = Math.max(0, Math.min(celsius, hotC) - freeToC);
  return freeFromC + free + high + HOT_WEIGHT * Math.max(0, celsius - hotC);
}

/** Bin means of a series on the scale's grid. */
export function binned(scale: TraceScale, values: ArrayLike<number>): Float64Array {
  const sums = new Float64Array(scale.bins);
  const counts = new Int32Array(scale.bins);
  for (let i = 0; i < scale.binOf.length; i++) {
    const b = scale.binOf[i];
    if (b < 0) continue;
    sums[b] += squash(values[i], scale.zones);
    counts[b]++;
  }
  return sums.map((s, b) => s / Math.max(1, counts[b]));
}

/** Squared distance between two binned series in units of the covariance. */
export function distance2(scale: TraceScale, a: Float64Array, b: Float64Array): number {
  const m = scale.bins;
  const z = new Float64Array(m);
  let sum = 0;
  for (let i = 0; i < m; i++) {
    let v = a[i] - b[i];
    for (let j = 0; j < i; j++) v -= scale.factor[i * m + j] * z[j];
    z[i] = v / scale.factor[i * m + i];
    sum += z[i] * z[i];
  }
  return sum;
}

/** Log-likelihood (up to a constant common to all candidates) of the observed bins given a simulated series. */
export const logLikelihood = (scale: TraceScale, simulated: ArrayLike<number>): number =>
  scale.bins === 0 ? 0 : studentLog(distance2(scale, scale.observed, binned(scale, simulated)), scale.bins);

export const studentLog = (d2: number, m: number): number => (-(FREEDOM + m) / 2) * Math.log1p(d2 / FREEDOM);

function cholesky(a: Float64Array, m: number): Float64Array {
  const l = new Float64Array(m * m);
  for (let i = 0; i < m; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[i * m + j];
      for (let k = 0; k < j; k++) sum -= l[i * m + k] * l[j * m + k];
      l[i * m + j] = i === j ? Math.sqrt(Math.max(1e-9, sum)) : sum / l[j * m + j];
    }
  }
  return l;
}

/** log(Σ exp(x)), safe for large negative x. */
export function logSumExp(values: readonly number[]): number {
  const most = Math.max(...values);
  return most === -Infinity
    ? -Infinity
    : most + Math.log(values.reduce((sum, v) => sum + Math.exp(v - most), 0));
}
