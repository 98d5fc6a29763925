import type { FaultId } from '../vehicle/faults';
import type { Share } from './moves';

/** A share that is told for nothing still holds a little: certainty that turns out wrong costs much, and not without end. */
const LEAST = 0.01;

/** Shares as told, with what is left spread over everything else that is possible: they add up to one. */
export function wholeBelief(
  shares: readonly Share[],
  possible: readonly FaultId[]
): ReadonlyMap<FaultId, number> {
  const told = new Map(shares.map((s) => [s.fault, s.share]));
  const rest = possible.filter((f) => !told.has(f));
  const left = Math.max(0, 1 - shares.reduce((sum, s) => sum + s.share, 0));
  for (const f of rest) told.set(f, left / rest.length);
  const sum = [...told.values()].reduce((a, b) => a + b, 0);
  return new Map([...told].map(([f, share]) => [f, sum > 0 ? share / sum : 1 / told.size]));
}

export interface Calibration {
  /** Brier score, 0 (sure and right) to 2 (sure and wrong). */
  readonly brier: number;
  /** Logarithmic score: bits of surprise at what was true. */
  readonly bits: number;
}

/**
 * How good a belief was, whatever it was about: proper scores, which nobody betters by saying other than they think.
 * Where two things were wrong, the truth is half of each. Brier 1950; Good 1952.
 */
export function calibrationOf(belief: ReadonlyMap<FaultId, number>, truth: readonly FaultId[]): Calibration {
  const part = 1 / truth.length;
  const of = (f: FaultId) => belief.get(f) ?? 0;
  const all = new Set<FaultId>([...belief.keys(), ...truth]);
  let brier = 0;
  for (const f of all) brier += (of(f) - (truth.includes(f) ? part : 0)) ** 2;
  const bits = truth.reduce((sum, f) => sum - part * Math.log2(Math.max(LEAST, of(f))), 0);
  return { brier, bits };
}

/** What a practice came to. */
export interface Outcome {
  readonly repaired: boolean;
  /** A danger ended it. */
  readonly hurt: boolean;
  readonly slips: number;
  /** What the customer would have paid. */
  readonly money: number;
  /** The same for the best that could be done: the right repair at once, after the fewest checks that show it. */
  readonly leastMoney: number;
  readonly calibration: Calibration | null;
  readonly hints: number;
  readonly opinions: number;
}

const PRICE = { hint: 3, opinion: 8, slip: 4 } as const;
/** What each part of the work is worth, of a hundred. */
const WORTH = { repaired: 40, money: 35, belief: 25 } as const;

/**
 * Points of a practice, 0 to 100. Somebody hurt: none, whatever was found. Repaired 40; money 35, less the more it cost
 * than it had to; belief 25 by the Brier score, none where no belief was told. A hint costs 3, the second opinion 8, a
 * caution not seen to 4.
 */
export function pointsOf(o: Outcome): number {
  if (o.hurt) return 0;
  const money = !o.repaired ? 0 : o.money <= o.leastMoney ? 1 : o.leastMoney / o.money;
  const belief = o.calibration ? Math.max(0, 1 - o.calibration.brier) : 0;
  const points =
    (o.repaired ? WORTH.repaired : 0) +
    WORTH.money * money +
    WORTH.belief * belief -
    PRICE.hint * o.hints -
    PRICE.opinion * o.opinions -
    PRICE.slip * o.slips;
  return Math.round(Math.min(100, Math.max(0, points)));
}
