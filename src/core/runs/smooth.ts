/** Centred running mean over `width` points, blank cells left out. Output is blank where all of them are. */
export function smooth(values: Float64Array, width: number): Float64Array {
  const half = width >> 1;
  const out = new Float64Array(values.length).fill(NaN);
  let sum = 0;
  let count = 0;
  for (let i = 0; i < values.length + half; i++) {
    if (i < values.length && !Number.isNaN(values[i])) {
      sum += values[i];
      count++;
    }
    const gone = i - 2 * half - 1;
    if (gone >= 0 && !Number.isNaN(values[gone])) {
      sum -= values[gone];
      count--;
    }
    if (i - half >= 0 && count > 0) out[i - half] = sum / count;
  }
  return out;
}

/** Middle value of the numbers in `values` from `from` to before `to`; null where there is none. */
export function medianOf(values: Float64Array, from = 0, to = values.length): number | null {
  const sorted = values
    .slice(from, to)
    .filter((v) => !Number.isNaN(v))
    .sort();
  return sorted.length === 0 ? null : sorted[sorted.length >> 1];
}

/** Least-squares slope and intercept of y on x over the indices given; null with fewer than three points. */
export function lineFit(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  from: number,
  to: number
): { slope: number; at: (x: number) => number } | null {
  let n = 0;
  let sx = 0;
  let sy = 0;
  for (let i = from; i < to; i++) {
    if (Number.isNaN(y[i])) continue;
    n++;
    sx += x[i];
    sy += y[i];
  }
  if (n < 3) return null;
  const mx = sx / n;
  const my = sy / n;
  let sxx = 0;
  let sxy = 0;
  for (let i = from; i < to; i++) {
    if (Number.isNaN(y[i])) continue;
    sxx += (x[i] - mx) ** 2;
    sxy += (x[i] - mx) * (y[i] - my);
  }
  if (sxx === 0) return null;
  const slope = sxy / sxx;
  return { slope, at: (v) => my + slope * (v - mx) };
}
