import type { RunRow } from '../db/models';

/** A run in miniature: its coolant curve over some forty points of the band it should have followed. */
export function sparkOf({ preview, band }: Pick<RunRow, 'preview' | 'band'>) {
  if (!band) return { ...preview, band: null };
  const every = Math.max(1, Math.ceil(band.t.length / 40));
  // A picture a thumb wide: whole seconds and tenths of a degree are more than it can show.
  const pick = (values: readonly number[]) =>
    values.filter((_, i) => i % every === 0 || i === values.length - 1).map((v) => Math.round(v * 10) / 10);
  return { ...preview, band: { t: pick(band.t), low: pick(band.low), high: pick(band.high) } };
}
