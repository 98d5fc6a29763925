import type { FaultId } from '../vehicle/faults';
import { withBlunder, type Finding } from './findings';
import type { Ways } from './hypotheses';

/** Weights of the findings of one group on every way: the strongest by itself, and all of them. */
interface Group {
  readonly strongest: Float64Array;
  readonly sum: Float64Array;
}

/** What is believed of every way, so that one more finding costs a few sums. */
export interface Belief {
  readonly of: Ways;
  /** Natural logarithm of each way's chance, up to one constant. */
  readonly log: Float64Array;
  readonly groups: ReadonlyMap<string, Group>;
}

/** A finding with its weight on every way. */
export interface Weighed {
  readonly group: string;
  readonly weights: Float64Array;
}

/** What a second finding that leans on the same thing adds, beside the strongest: an instrument is right more often than not. */
const sharedOf = (group: string): number => (group === 'complaint' ? 0.85 : 0.8);

/**
 * How much more a finding weighs than its row says: set once, so that over the jobs of docs/benchmark.md suspects
 * given 80 % are right 80 % of the time.
 */
const CALIBRATED = 1.1;

/**
 * The likelihood ratio of a finding for one way, in nats, a blunder admitted: of two faults either explains what
 * speaks for one of them, and both bear what speaks against.
 */
export function weightOf(finding: Finding, faults: readonly FaultId[]): number {
  let [best, against] = [0, 0];
  for (const f of faults) {
    const llr = finding.llr[f] ?? 0;
    if (llr > best) best = llr;
    if (llr < 0) against += llr;
  }
  return CALIBRATED * withBlunder(best + against);
}

export const weigh = (finding: Finding, of: Ways): Weighed => ({
  group: finding.group,
  weights: Float64Array.from(of.ways, (faults) => weightOf(finding, faults))
});

/**
 * Weight of a group with one finding more: the strongest whole and the others less, so that two readings by one
 * thermometer are not two witnesses. Does not depend on the order in which they came.
 */
function grouped(shared: number, strongest: number, sum: number, more: number): number {
  const top = Math.abs(more) > Math.abs(strongest) ? more : strongest;
  return top + shared * (sum + more - top);
}
const groupWeight = (shared: number, strongest: number, sum: number) =>
  strongest + shared * (sum - strongest);

const before = (of: Ways): Belief => ({ of, log: of.logPrior, groups: new Map() });

/** The belief with one finding more. */
export function withFinding(belief: Belief, { group, weights }: Weighed): Belief {
  const n = weights.length;
  const had = belief.groups.get(group);
  const shared = sharedOf(group);
  const log = new Float64Array(n);
  const strongest = new Float64Array(n);
  const sum = new Float64Array(n);
  for (let h = 0; h < n; h++) {
    const [s, t] = had ? [had.strongest[h], had.sum[h]] : [0, 0];
    const w = weights[h];
    log[h] = belief.log[h] - groupWeight(shared, s, t) + grouped(shared, s, t, w);
    // Of two as strong the one that speaks for it counts whole, whichever came first.
    const wins = Math.abs(w) > Math.abs(s) || (Math.abs(w) === Math.abs(s) && w > s);
    strongest[h] = wins ? w : s;
    sum[h] = t + w;
  }
  return { of: belief.of, log, groups: new Map(belief.groups).set(group, { strongest, sum }) };
}

export const believe = (findings: readonly Finding[], of: Ways): Belief =>
  findings.reduce((belief, f) => withFinding(belief, weigh(f, of)), before(of));

/** Chances of every way, adding up to one. */
export function chancesOf(log: Float64Array): Float64Array {
  let top = -Infinity;
  for (const v of log) if (v > top) top = v;
  const chances = new Float64Array(log.length);
  let total = 0;
  for (let h = 0; h < log.length; h++) total += chances[h] = Math.exp(log[h] - top);
  for (let h = 0; h < log.length; h++) chances[h] /= total;
  return chances;
}

/** Uncertainty, bits. */
export function entropyOf(chances: ArrayLike<number>): number {
  let sum = 0;
  for (let h = 0; h < chances.length; h++) if (chances[h] > 0) sum -= chances[h] * Math.log2(chances[h]);
  return sum;
}

/** Uncertainty that would be left with one finding more, bits: as {@link withFinding}, without making a belief. */
export function entropyWith(belief: Belief, { group, weights }: Weighed): number {
  const had = belief.groups.get(group);
  const shared = sharedOf(group);
  const n = weights.length;
  const log = scratch.length === n ? scratch : (scratch = new Float64Array(n));
  let top = -Infinity;
  for (let h = 0; h < n; h++) {
    const w = weights[h];
    const l = had
      ? belief.log[h] -
        groupWeight(shared, had.strongest[h], had.sum[h]) +
        grouped(shared, had.strongest[h], had.sum[h], w)
      : belief.log[h] + w;
    log[h] = l;
    if (l > top) top = l;
  }
  let total = 0;
  let weighted = 0;
  for (let h = 0; h < n; h++) {
    const d = log[h] - top;
    // Ways this far behind leave no trace in the sum.
    if (d < -18) continue;
    const e = Math.exp(d);
    total += e;
    weighted += e * d;
  }
  return (Math.log(total) - weighted / total) / Math.LN2;
}
let scratch = new Float64Array(0);
