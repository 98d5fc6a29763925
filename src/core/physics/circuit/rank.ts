import { median } from 'simple-statistics';
/** A fault of one element, as it changes a circuit, in a few sizes where it has one. */
export interface ElementFault<Id extends string> {
  readonly id: Id;
  readonly title: string;
  /** Weight before anything was measured; they need not add up to 1. */
  readonly prior: number;
}

/** Something that can be measured: where, in which state, and what the instrument is good for. */
export interface Probe<Id extends string> {
  readonly key: string;
  readonly title: string;
  /** What it would show under a fault, one value for each size the fault may have. */
  readonly shows: (fault: Id) => readonly number[];
  readonly sd: (value: number) => number;
}

export interface Taken {
  readonly key: string;
  readonly value: number;
}

export interface RankedElement<Id extends string> {
  readonly id: Id;
  readonly title: string;
  readonly probability: number;
}

/** One measurement can rule a fault out, but not beyond all doubt: a tip that slipped is worth this many deviations. */
const FURTHEST = 4;

/** Half of what lies between a size and its neighbours: a size in between is as good an explanation. */
const between = (shown: readonly number[], k: number): number =>
  Math.abs(shown[Math.min(shown.length - 1, k + 1)] - shown[Math.max(0, k - 1)]) / 4;

/** Element faults by how well they explain what was measured; sizes of a fault are averaged. */
export function rankElements<Id extends string>(
  faults: readonly ElementFault<Id>[],
  probes: readonly Probe<Id>[],
  taken: readonly Taken[]
): RankedElement<Id>[] {
  const weights = faults.map(({ id, prior }) => {
    const read = taken.flatMap(({ key, value }) => {
      const probe = probes.find((p) => p.key === key);
      return probe ? [{ value, sd: probe.sd, shown: probe.shows(id) }] : [];
    });
    const sizes = read[0]?.shown.length ?? 1;
    let sum = 0;
    for (let k = 0; k < sizes; k++) {
      let log = 0;
      for (const { value, sd, shown } of read) {
        const z = (value - shown[k]) / Math.hypot(sd(shown[k]), between(shown, k));
        log -= 0.5 * Math.min(FURTHEST ** 2, z * z);
      }
      sum += Math.exp(log) / sizes;
    }
    return prior * sum;
  });
  const total = weights.reduce((a, b) => a + b, 0);
  return faults
    .map(({ id, title }, i) => ({ id, title, probability: weights[i] / total }))
    .sort((a, b) => b.probability - a.probability);
}

/**
 * The measurement not yet taken that splits the leaders best: the chance that two faults drawn from the ranking are
 * told apart by it, each pair by how far apart it would show them. Null where none would tell.
 */
export function nextProbe<Id extends string>(
  ranked: readonly RankedElement<Id>[],
  probes: readonly Probe<Id>[],
  taken: readonly Taken[]
): Probe<Id> | null {
  const open = probes.filter((p) => !taken.some((t) => t.key === p.key));
  const leaders = ranked.filter((r) => r.probability > 0.02);
  let best: { probe: Probe<Id>; worth: number } | null = null;
  for (const probe of open) {
    const middle = new Map(leaders.map(({ id }) => [id, median([...probe.shows(id)])]));
    let worth = 0;
    for (const a of leaders)
      for (const b of leaders) {
        const [x, y] = [middle.get(a.id)!, middle.get(b.id)!];
        const z = (x - y) / Math.hypot(probe.sd(x), probe.sd(y));
        worth += a.probability * b.probability * (1 - Math.exp((-z * z) / 4));
      }
    if (!best || worth > best.worth) best = { probe, worth };
  }
  return best && best.worth > 0.02 ? best.probe : null;
}
