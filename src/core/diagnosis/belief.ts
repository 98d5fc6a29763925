import { curesOf } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import { withBlunder, type Finding } from './finding';
import type { Hypotheses, Space } from './hypotheses';

/** Weights of the findings of one group on every hypothesis: the strongest by itself, and all of them. */
interface Group {
  readonly strongest: Float64Array;
  readonly sum: Float64Array;
  /** The findings themselves, so that one can be left out. */
  readonly members: readonly Weighed[];
}

/** What is believed of every hypothesis, so that one more finding costs a few sums. */
export interface Belief {
  readonly of: Hypotheses;
  /** Natural logarithm of each chance, up to one constant. */
  readonly log: Float64Array;
  readonly groups: ReadonlyMap<string, Group>;
}

/** A finding with its weight on every hypothesis, in nats. */
export interface Weighed {
  readonly group: string;
  readonly weights: Float64Array;
}

/** What a second finding that leans on the same thing adds, beside the strongest: an instrument is right more often than not. */
const SHARED: Readonly<Record<string, number>> = {
  complaint: 0.85,
  // Runs of one vehicle are wrong in the same way: the same model of the same engine.
  run: 0.25
};
const sharedOf = (group: string): number => SHARED[group] ?? 0.8;

/**
 * How much more a finding weighs than its row says: set once, so that over the jobs of docs/benchmark.md suspects
 * given 80 % are right 80 % of the time.
 */
const CALIBRATED = 1.1;

/**
 * The likelihood ratio of a finding for one hypothesis, in nats, a blunder admitted: of two faults either explains
 * what speaks for one of them, and both bear what speaks against.
 */
export function weightOf(finding: Finding, faults: readonly FaultId[]): number {
  const both = ofBoth(finding, faults);
  if (both !== null) return CALIBRATED * withBlunder(both);
  let [best, against] = [0, 0];
  for (const f of faults) {
    const llr = finding.llr[f] ?? 0;
    if (llr > best) best = llr;
    if (llr < 0) against += llr;
  }
  return CALIBRATED * withBlunder(best + against);
}

/** What a finding says of a pair that was simulated together: one may hide the other. Null where it was not. */
function ofBoth({ llr, together }: Finding, faults: readonly FaultId[]): number | null {
  if (!together || faults.length !== 2) return null;
  const { leading, less } = together;
  for (const [one, other] of [faults, [faults[1], faults[0]]])
    if (leading.includes(one) && less[other] !== undefined) return (llr[one] ?? 0) + less[other];
  return null;
}

/** What a finding weighs does not change: kept for as long as finding and space are. */
const weighed = new WeakMap<Finding, { readonly space: Space; readonly weighed: Weighed }>();

export function weigh(finding: Finding, space: Space): Weighed {
  const had = weighed.get(finding);
  if (had?.space === space) return had.weighed;
  // A pair's weight follows from its two faults: the same few numbers stand in hundreds of hypotheses.
  const llr = space.possible.map((f) => finding.llr[f] ?? 0);
  const weightAt = new Map<number, number>();
  const admitted = (nats: number) => {
    const known = weightAt.get(nats) ?? CALIBRATED * withBlunder(nats);
    weightAt.set(nats, known);
    return known;
  };
  const weights = Float64Array.from(space.members, (members, h) => {
    const both = ofBoth(finding, space.sets[h]);
    if (both !== null) return admitted(both);
    let [best, against] = [0, 0];
    for (const m of members) {
      if (llr[m] > best) best = llr[m];
      if (llr[m] < 0) against += llr[m];
    }
    return admitted(best + against);
  });
  const made = { group: finding.group, weights };
  weighed.set(finding, { space, weighed: made });
  return made;
}

/**
 * Weight of a group: the strongest whole and the others less, so that two readings by one thermometer are not two
 * witnesses. Does not depend on the order in which they came.
 */
const groupWeight = (shared: number, strongest: number, sum: number) =>
  strongest + shared * (sum - strongest);

/** The belief with one finding more. */
export function withFinding(belief: Belief, more: Weighed): Belief {
  const { group, weights } = more;
  const had = belief.groups.get(group);
  const shared = sharedOf(group);
  const now: Group = {
    strongest: weights.map((w, h) => stronger(w, had?.strongest[h] ?? 0)),
    sum: weights.map((w, h) => w + (had?.sum[h] ?? 0)),
    members: [...(had?.members ?? []), more]
  };
  const log = belief.log.map(
    (l, h) =>
      l -
      (had ? groupWeight(shared, had.strongest[h], had.sum[h]) : 0) +
      groupWeight(shared, now.strongest[h], now.sum[h])
  );
  return { of: belief.of, log, groups: new Map(belief.groups).set(group, now) };
}

/** The belief that findings make, whatever their order. */
export function believe(findings: readonly Finding[], of: Hypotheses): Belief {
  const n = of.logPrior.length;
  const byGroup = new Map<string, Weighed[]>();
  for (const finding of findings) {
    const more = weigh(finding, of.space);
    const there = byGroup.get(more.group);
    if (there) there.push(more);
    else byGroup.set(more.group, [more]);
  }
  const log = of.logPrior.slice();
  const groups = new Map<string, Group>();
  for (const [name, members] of byGroup) {
    const group = groupOf(members, n);
    groups.set(name, group);
    const shared = sharedOf(name);
    for (let h = 0; h < n; h++) log[h] += groupWeight(shared, group.strongest[h], group.sum[h]);
  }
  return { of, log, groups };
}

/** Of two as strong the one that speaks for it counts whole, whichever came first. */
const stronger = (a: number, b: number): number =>
  Math.abs(a) > Math.abs(b) || (Math.abs(a) === Math.abs(b) && a > b) ? a : b;

function groupOf(members: readonly Weighed[], n: number): Group {
  const strongest = new Float64Array(n);
  const sum = new Float64Array(n);
  for (const { weights } of members)
    for (let h = 0; h < n; h++) {
      strongest[h] = stronger(weights[h], strongest[h]);
      sum[h] += weights[h];
    }
  return { strongest, sum, members };
}

/** A part that was fitted is bad, or the fault is not where the repair was, this often. Ours. */
const REMAINS = 0.04;

/**
 * What can be wrong after a repair: the suspects as they stood, less what the repair cures. What it cures goes to what
 * is left of the hypothesis, or to nothing being wrong; a little of it stays.
 */
export function afterRepair(before: Belief, repairs: readonly RepairId[]): Hypotheses {
  const { space } = before.of;
  const chances = chancesOf(before.log);
  const cured = new Set(repairs.flatMap((id) => curesOf(id)));
  const placeOf = new Map(space.sets.map((set, h) => [set.join('+'), h]));
  const now = new Float64Array(chances.length);
  space.sets.forEach((set, h) => {
    const left = set.filter((f) => f === 'none' || !cured.has(f));
    if (left.length === set.length) {
      now[h] += chances[h];
      return;
    }
    now[h] += REMAINS * chances[h];
    now[placeOf.get(left.length > 0 ? left.join('+') : 'none')!] += (1 - REMAINS) * chances[h];
  });
  return { space, logPrior: now.map((p) => Math.log(Math.max(p, 1e-12))) };
}

/** The logarithms of a belief with one of its findings left out. */
export function logWithout(belief: Belief, left: Weighed): Float64Array {
  const group = belief.groups.get(left.group)!;
  const rest = group.members.filter((m) => m !== left);
  const shared = sharedOf(left.group);
  return belief.log.map((l, h) => {
    const [weight, strongest, sum] = [left.weights[h], group.strongest[h], group.sum[h]];
    const next = weight === strongest ? strongestOf(rest, h, strongest) : strongest;
    return l - groupWeight(shared, strongest, sum) + groupWeight(shared, next, sum - weight);
  });
}

/** The strongest weight on a hypothesis, which is none above `most`: of many alike the first will do. */
function strongestOf(members: readonly Weighed[], h: number, most: number): number {
  let found = 0;
  for (const { weights } of members) {
    found = stronger(weights[h], found);
    if (found === most) break;
  }
  return found;
}

/** Chances of every hypothesis, adding up to one. */
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
