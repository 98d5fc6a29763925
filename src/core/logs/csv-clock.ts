import type { RowReader } from './csv-rows';
import { readTime, timeFactor, type TimeFormat } from './csv-time';

/** One reader a format, chosen once: a plain number, or text with midnight taken into account. */
export function clockReader(format: TimeFormat): (reader: RowReader, cell: number) => number | undefined {
  const factor = timeFactor(format);
  if (factor !== undefined) {
    return (reader, cell) => {
      const value = reader.number(cell);
      return value === undefined || Number.isNaN(value) ? undefined : value * factor;
    };
  }
  let days = 0;
  let before = -Infinity;
  return (reader, cell) => {
    const text = reader.text(cell);
    const seconds = readTime(text, format);
    if (seconds === undefined) return undefined;
    if (format === 'clock' && seconds + days < before - 43_200) days += 86_400;
    before = seconds + days;
    return before;
  };
}

export const expectedTime = (format: TimeFormat) =>
  timeFactor(format) === undefined ? 'a clock time such as 08:12:30' : 'a number';

/** Repeated stamps: a coarse clock (many repeats) is spread evenly; a few repeats keep the last of each. */
export function settleRepeats(t: Float64Array): { keep: Uint8Array | undefined; spread: boolean } {
  let repeats = 0;
  for (let i = 1; i < t.length; i++) if (t[i] === t[i - 1]) repeats++;
  if (repeats === 0) return { keep: undefined, spread: false };
  if (repeats > t.length * 0.2) {
    for (let i = 0; i < t.length;) {
      let j = i;
      while (j < t.length && t[j] === t[i]) j++;
      const step = (j < t.length ? t[j] - t[i] : 1) / (j - i);
      for (let k = i + 1; k < j; k++) t[k] = t[i] + (k - i) * step;
      i = j;
    }
    return { keep: undefined, spread: true };
  }
  const keep = new Uint8Array(t.length).fill(1);
  for (let i = 1; i < t.length; i++) if (t[i] === t[i - 1]) keep[i - 1] = 0;
  return { keep, spread: false };
}

/** The values that are kept; all of them where nothing was dropped. */
export function pick<T extends Float32Array | Float64Array>(values: T, keep: Uint8Array | undefined): T {
  return (keep ? values.filter((_, i) => keep[i] === 1) : values.slice()) as T;
}

/** Middle of the intervals between samples, s; 1 where there is none. */
export function usualStep(t: Float64Array): number {
  const steps: number[] = [];
  for (let i = 1; i < t.length; i += Math.ceil(t.length / 2000)) steps.push(t[i] - t[i - 1]);
  return steps.sort((a, b) => a - b)[steps.length >> 1] ?? 1;
}

/** Stretches without a sample: over ten seconds, and over five times the usual step. */
export function findGaps(t: Float64Array): { fromS: number; toS: number }[] {
  const limit = Math.max(10, usualStep(t) * 5);
  const gaps: { fromS: number; toS: number }[] = [];
  for (let i = 1; i < t.length; i++) if (t[i] - t[i - 1] > limit) gaps.push({ fromS: t[i - 1], toS: t[i] });
  return gaps;
}
