import { FASTEST_C_PER_S, ROUNDING_C } from '../../runs/jumps';
import type { Wiggled, WiggleReadings } from './wiggle';

/** A hand at one place of the loom, s of the run; still there where `toS` is null. */
export interface Held {
  readonly place: Wiggled;
  readonly fromS: number;
  readonly toS: number | null;
}

export interface Followed {
  readonly followed: NonNullable<WiggleReadings[Wiggled]>;
  /** The largest jump while the hand was there, °C. */
  readonly jumpC: number;
  readonly jumps: number;
}

/** A reading answers a moved contact at once; this much later it may still come over the bus, s. */
const LATE_S = 1.5;
/** Drop-outs that come as often by themselves are no answer: the chance of so many while the hand was there. */
const BY_CHANCE = 0.05;
/** A hand that was there for less has not moved anything yet, s. */
const LEAST_S = 3;

/**
 * What the reading did while a hand was at each place, against what it did with no hand there. A jump is a change
 * no coolant can make (run/jumps.ts); away and back is one drop-out. The place answers where drop-outs came oftener
 * than at rest, by a Poisson law with the rest’s own rate (one more than seen, so that a short rest is not taken for
 * a quiet one).
 * Times ascending, s; readings in °C. Places held too short or without samples are left out.
 */
export function whatFollowed(
  t: readonly number[],
  celsius: readonly number[],
  held: readonly Held[]
): Partial<Record<Wiggled, Followed>> {
  const end = t[t.length - 1] ?? 0;
  const spans = held.map((h) => ({ ...h, toS: (h.toS ?? end) + LATE_S }));
  const jumps = t.flatMap((at, i) => {
    const size = i === 0 ? 0 : Math.abs(celsius[i] - celsius[i - 1]);
    const can = ROUNDING_C + FASTEST_C_PER_S * Math.min(8, at - (t[i - 1] ?? at));
    return size > can ? [{ at, size }] : [];
  });
  const within = (at: number, h: { fromS: number; toS: number }) => at >= h.fromS && at <= h.toS;
  const restS = t.reduce(
    (sum, at, i) => sum + (i > 0 && !spans.some((h) => within(at, h)) ? at - t[i - 1] : 0),
    0
  );
  const atRest = dropOuts(jumps.filter((j) => !spans.some((h) => within(j.at, h))).length);
  const told: Partial<Record<Wiggled, Followed>> = {};
  for (const place of new Set(spans.map((h) => h.place))) {
    const mine = spans.filter((h) => h.place === place);
    const heldS = mine.reduce((sum, h) => sum + Math.min(end, h.toS) - h.fromS, 0);
    const here = jumps.filter((j) => mine.some((h) => within(j.at, h)));
    if (heldS < LEAST_S && here.length === 0) continue;
    const expected = ((atRest === 0 ? 0.3 : atRest + 1) / Math.max(30, restS)) * heldS;
    const answers = here.length > 0 && atLeast(dropOuts(here.length), expected) < BY_CHANCE;
    told[place] = {
      followed: answers ? 'follows' : 'steady',
      jumpC: Math.max(0, ...here.map((j) => j.size)),
      jumps: here.length
    };
  }
  return told;
}

/** A reading that drops out jumps away and back. */
const dropOuts = (jumps: number) => Math.ceil(jumps / 2);

/** Chance of `n` or more where `mean` are expected. */
function atLeast(n: number, mean: number): number {
  let term = Math.exp(-mean);
  let below = 0;
  for (let k = 0; k < n; k++) {
    below += term;
    term *= mean / (k + 1);
  }
  return 1 - below;
}
