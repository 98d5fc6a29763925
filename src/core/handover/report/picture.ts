import { ticksOf } from '../../base/ticks';
import type { Band } from '../../physics/plant/band';

/** A coolant curve as a picture asks for it. */
export interface Curve {
  readonly t: readonly number[];
  readonly ect: readonly (number | null)[];
}

/** Two runs over the band of the later one, as lines in a box of one by one, y upward. */
export interface Picture {
  /** Degrees and minutes at the edges, for the scales. */
  readonly fromC: number;
  readonly toC: number;
  readonly minutes: number;
  readonly band: readonly Point[];
  readonly before: readonly (readonly Point[])[];
  readonly after: readonly (readonly Point[])[];
  readonly ticksMin: readonly number[];
  /** Levels of the sheet: where the thermostat starts to open, where to stop. */
  readonly levels: readonly { readonly name: string; readonly celsius: number; readonly y: number }[];
}
export type Point = readonly [x: number, y: number];

/** What a picture shows at the least, °C; and readings beyond this are a wire, not coolant. */
const USUAL = [0, 100] as const;
const COOLANT = [-40, 135] as const;

/** Both runs and the band of `after` (of `before` where there is no later run) on one scale; null without a reading. */
export function pictureOf(parts: {
  readonly before: Curve | null;
  readonly after: Curve | null;
  readonly band: Pick<Band, 't' | 'low' | 'high'> | null;
  readonly levels: readonly { readonly name: string; readonly celsius: number }[];
}): Picture | null {
  const { before, after, band, levels } = parts;
  const curves = [before, after].filter((c) => c !== null);
  const coolant = (v: number | null) => v !== null && v > COOLANT[0] && v < COOLANT[1];
  const known = curves.flatMap((c) => c.ect.filter(coolant)) as number[];
  const end = Math.max(...curves.map((c) => c.t.at(-1) ?? 0));
  if (known.length === 0 || !(end > 0)) return null;
  const low = Math.min(USUAL[0], ...known);
  const high = Math.max(USUAL[1], ...known) + 5;
  const place = (t: number, c: number): Point => [t / end, (c - low) / (high - low)];
  /** A line for each stretch without a gap. */
  const lines = (curve: Curve | null) => {
    const all: Point[][] = [];
    let open: Point[] | null = null;
    for (const [i, v] of (curve?.ect ?? []).entries()) {
      if (!coolant(v)) open = null;
      else {
        if (!open) all.push((open = []));
        open.push(place(curve!.t[i], v!));
      }
    }
    return all;
  };
  const within = band ? band.t.map((t, i) => i).filter((i) => band.t[i] <= end) : [];
  return {
    fromC: low,
    toC: high,
    minutes: end / 60,
    band: band
      ? [
          ...within.map((i) => place(band.t[i], band.high[i])),
          ...within.toReversed().map((i) => place(band.t[i], band.low[i]))
        ]
      : [],
    before: lines(before),
    after: lines(after),
    ticksMin: ticksOf(0, end / 60, 8, [1, 2, 5, 10, 15, 30, 60]),
    levels: levels.filter((l) => l.celsius < high).map((l) => ({ ...l, y: (l.celsius - low) / (high - low) }))
  };
}
