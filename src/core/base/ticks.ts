/** Steps that are read at a glance: 1, 2 or 5 of a decade. */
function roundStep(span: number, most: number): number {
  const rough = span / most;
  const decade = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((m) => m * decade).find((s) => s >= rough * (1 - 1e-9))!;
}

/**
 * Ticks of a scale from `from` to `to` (to > from), at most `most` of them and one more, at whole steps. `steps`, where
 * a scale has steps of its own (minutes), from the smallest to the largest.
 */
export function ticksOf(from: number, to: number, most: number, steps?: readonly number[]): number[] {
  const span = to - from;
  const step = steps
    ? (steps.find((s) => span / s <= most) ?? steps[steps.length - 1])
    : roundStep(span, most);
  const first = Math.ceil(from / step - 1e-9);
  const last = Math.floor(to / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, i) => (first + i) * step);
}
