import { lineFit, smooth } from './smooth';

/** The bend that an opening thermostat puts into a warm-up. */
export interface Knee {
  readonly celsius: number;
  readonly atS: number;
  /** Standard uncertainty of the temperature, °C. */
  readonly uncertaintyC: number;
  /** Slope after over slope before, in heat time: 0 a dead stop, 1 no bend. */
  readonly slopeRatio: number;
}

/**
 * Finds the bend by segmented regression of temperature on *heat time* (the heat released so far, so that
 * idling and driving count alike), from 40 % of the rise to some minutes past the point where the rise ends.
 *
 * A thermostat that opens leaves a straight rise and then stops it; one that leaks bends from the beginning.
 * So a knee needs a slope that falls below 45 %, a rise still straight just before it, and a two-piece fit
 * clearly better than one exponential approach. Nothing is taken from the spec sheet.
 */
export function findKnee(ect: Float64Array, heatTime: Float64Array, dt: number): Knee | null {
  const level = smooth(ect, Math.max(3, Math.round(11 / dt)));
  const first = level.findIndex((v) => !Number.isNaN(v));
  if (first < 0) return null;
  const start = level[first];
  const warm = warmLevel(level, first);
  if (warm - start < 15) return null;
  const i0 = level.findIndex((v, i) => i >= first && v >= start + 0.4 * (warm - start));
  const reached = level.findIndex((v, i) => i >= i0 && v >= warm - 1.5);
  if (i0 < 0 || reached < 0) return null;
  const i1 = Math.min(level.length, reached + Math.round(240 / dt));
  if ((i1 - i0) * dt < 90) return null;

  const step = Math.max(1, Math.floor((i1 - i0) / 160));
  const xs: number[] = [];
  const ys: number[] = [];
  const at: number[] = [];
  for (let i = i0; i < i1; i += step) {
    if (Number.isNaN(level[i])) continue;
    xs.push(heatTime[i]);
    ys.push(level[i]);
    at.push(i);
  }
  if (xs.length < 16) return null;
  const best = bestBreak(xs, ys);
  if (!best) return null;
  const { k, sse, before, after } = best;
  const ratio = Math.max(0, after.slope) / before.slope;
  const third = Math.max(3, Math.floor(k / 3));
  const early = lineFit(xs, ys, 0, Math.max(third, 4));
  const late = lineFit(xs, ys, Math.max(0, k - third), k + 1);
  const straight = early && late ? late.slope / early.slope : 1;
  const bend = exponentialSse(xs, ys);
  if (before.slope <= 0 || ratio > 0.45 || straight < 0.5 || sse > 0.8 * bend) return null;

  const near = closeUp(level, heatTime, at[k], dt) ?? {
    celsius: before.at(xs[k]),
    index: at[k],
    residual: Math.sqrt(sse / Math.max(1, xs.length - 4))
  };
  return {
    celsius: near.celsius,
    atS: near.index * dt,
    uncertaintyC: Math.hypot(0.5, near.residual, 0.4),
    slopeRatio: ratio
  };
}

/** The same fit over a few minutes around the bend alone: what came long before or after no longer pulls at it. */
function closeUp(
  level: Float64Array,
  heatTime: Float64Array,
  index: number,
  dt: number
): { celsius: number; index: number; residual: number } | null {
  const from = Math.max(0, index - Math.round(180 / dt));
  const to = Math.min(level.length, index + Math.round(150 / dt));
  const chosen: number[] = [];
  for (let i = from; i < to; i += Math.max(1, Math.floor((to - from) / 110)))
    if (!Number.isNaN(level[i])) chosen.push(i);
  if (chosen.length < 24) return null;
  const xs = chosen.map((i) => heatTime[i]);
  const best = bestBreak(
    xs,
    chosen.map((i) => level[i])
  );
  if (!best || best.before.slope <= 0 || best.after.slope > 0.6 * best.before.slope) return null;
  // Where the two lines cross, which is between samples and not at one.
  const cross = crossing(best.before, best.after, xs[best.k]);
  return {
    celsius: best.before.at(cross),
    index: chosen[best.k],
    residual: Math.sqrt(best.sse / Math.max(1, xs.length - 4))
  };
}

function crossing(a: Line, b: Line, near: number): number {
  const gap = a.at(near) - b.at(near);
  const shift = gap / (b.slope - a.slope);
  return Number.isFinite(shift) && Math.abs(shift * a.slope) < 4 ? near + shift : near;
}

/** The level the warm-up ran up to: the median of what follows the first time the rise is nearly over. */
function warmLevel(level: Float64Array, first: number): number {
  const sorted = level
    .slice(first)
    .filter((v) => !Number.isNaN(v))
    .sort();
  return sorted[Math.floor(sorted.length * 0.7)];
}

/**
 * The best two straight pieces that share a sample, over every place of the break. Sums are kept as they grow, so
 * that a place costs the same however long the rise: it is tried for every candidate of a ranking.
 */
function bestBreak(xs: number[], ys: number[]) {
  const n = xs.length;
  const sums = runningSums(xs, ys);
  const margin = Math.max(5, Math.floor(n * 0.08));
  let best: { k: number; sse: number } | null = null;
  for (let k = margin; k < n - margin; k++) {
    const before = pieceOf(sums, 0, k + 1);
    const after = pieceOf(sums, k, n);
    if (!before || !after) continue;
    const x = xs[k] - xs[0];
    const y = ys[k] - ys[0];
    // The shared sample counts in the first piece alone; and the pieces should meet: a step is paid for.
    const step = before.slope * x + before.offset - (after.slope * x + after.offset);
    const twice = (y - after.slope * x - after.offset) ** 2;
    const sse = before.sse + after.sse - twice + (n / 8) * step ** 2;
    if (!best || sse < best.sse) best = { k, sse };
  }
  if (!best) return null;
  const { k, sse } = best;
  return { k, sse, before: lineFit(xs, ys, 0, k + 1)!, after: lineFit(xs, ys, k, n)! };
}
type Line = NonNullable<ReturnType<typeof lineFit>>;

/** Sums of x, y, xx, xy and yy over the first i samples, counted from the first sample so that nothing cancels. */
function runningSums(xs: readonly number[], ys: readonly number[]): Float64Array {
  const sums = new Float64Array(5 * (xs.length + 1));
  for (let i = 0; i < xs.length; i++) {
    const x = xs[i] - xs[0];
    const y = ys[i] - ys[0];
    const [was, now] = [5 * i, 5 * (i + 1)];
    sums[now] = sums[was] + x;
    sums[now + 1] = sums[was + 1] + y;
    sums[now + 2] = sums[was + 2] + x * x;
    sums[now + 3] = sums[was + 3] + x * y;
    sums[now + 4] = sums[was + 4] + y * y;
  }
  return sums;
}

/** Least squares of the samples from `from` to before `to`, with what is left over. */
function pieceOf(sums: Float64Array, from: number, to: number) {
  const of = (c: number) => sums[5 * to + c] - sums[5 * from + c];
  const n = to - from;
  const mx = of(0) / n;
  const my = of(1) / n;
  const sxx = of(2) - n * mx * mx;
  const sxy = of(3) - n * mx * my;
  if (n < 3 || sxx <= 0) return null;
  const slope = sxy / sxx;
  return { slope, offset: my - slope * mx, sse: Math.max(0, of(4) - n * my * my - slope * sxy) };
}

/** Residual of the best single approach T = a + b·exp(−x/τ) over a few τ: what a leaking thermostat would draw. */
function exponentialSse(xs: number[], ys: number[]): number {
  const span = xs[xs.length - 1] - xs[0];
  let least = Infinity;
  for (const tau of [0.15, 0.25, 0.4, 0.65, 1, 1.7, 3]) {
    const decay = xs.map((x) => Math.exp(-(x - xs[0]) / (tau * span)));
    const fit = lineFit(decay, ys, 0, ys.length);
    if (fit)
      least = Math.min(
        least,
        ys.reduce((sum, y, i) => sum + (y - fit.at(decay[i])) ** 2, 0)
      );
  }
  return least;
}
