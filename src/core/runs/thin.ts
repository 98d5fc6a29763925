import type { ChannelKey, Log } from '../logs/channels';

/** A stretch of a log thinned for drawing: plain arrays, null where blank. */
export interface Thinned {
  readonly t: number[];
  readonly channels: Partial<Record<ChannelKey, (number | null)[]>>;
  readonly total: number;
}

/**
 * Thins samples between two times to about `points`: of each bucket the first, the lowest and the highest
 * coolant sample are kept, in order, so that neither a drop-out nor a peak is lost from the picture.
 */
export function thin(
  log: Pick<Log, 't' | 'channels'>,
  points: number,
  fromS = -Infinity,
  toS = Infinity
): Thinned {
  const { t } = log;
  let start = 0;
  while (start < t.length && t[start] < fromS) start++;
  let end = t.length;
  while (end > start && t[end - 1] > toS) end--;
  const count = end - start;
  const size = Math.max(1, Math.ceil(count / Math.max(1, points / 3)));
  const keep: number[] = [];
  const ect = log.channels.ect_c;
  for (let i = start; i < end; i += size) {
    if (size <= 3) {
      for (let k = i; k < Math.min(end, i + size); k++) keep.push(k);
      continue;
    }
    let low = i;
    let high = i;
    for (let k = i; k < Math.min(end, i + size) && ect; k++) {
      if (ect[k] < ect[low]) low = k;
      if (ect[k] > ect[high]) high = k;
    }
    for (const k of [...new Set([i, low, high])].sort((a, b) => a - b)) keep.push(k);
  }
  if (end > start && keep[keep.length - 1] !== end - 1) keep.push(end - 1);
  const rounded = (value: number) => (Number.isNaN(value) ? null : Math.round(value * 100) / 100);
  return {
    t: keep.map((i) => Math.round(t[i] * 1000) / 1000),
    channels: Object.fromEntries(
      Object.entries(log.channels).map(([key, values]) => [key, keep.map((i) => rounded(values[i]))])
    ),
    total: count
  };
}
