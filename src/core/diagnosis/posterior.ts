import { lazy } from '../base/lazy';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import { believe, chancesOf, logWithout, weigh, weightOf, type Belief } from './belief';
import type { Finding } from './finding';
import { hypothesesOf, type History, type Space } from './hypotheses';

/** What can be wrong: one fault, none, or two at once. */
interface Hypothesis {
  readonly faults: readonly FaultId[];
  readonly probability: number;
}

interface SuspectNow {
  readonly fault: FaultId;
  /** That it is there, alone or with another. */
  readonly probability: number;
}

export interface Posterior {
  /** Every hypothesis; they add up to one. */
  readonly hypotheses: readonly Hypothesis[];
  /** Suspects, the likeliest first; `none` is that nothing is wrong. */
  readonly suspects: readonly SuspectNow[];
  /** Those this vehicle cannot have. */
  readonly impossible: readonly { readonly fault: FaultId; readonly because: string }[];
}

/** How likely each suspect is, alone or with another, by its place among the possible ones. */
function suspectChances({ possible, members }: Space, chances: Float64Array): Float64Array {
  const sums = new Float64Array(possible.length);
  for (let h = 0; h < chances.length; h++) for (const m of members[h]) sums[m] += chances[h];
  return sums;
}

/** Chances as a list of hypotheses and of suspects, the likeliest first. */
export function toPosterior(space: Space, chances: Float64Array): Posterior {
  // Lists ask for suspects only, and there are hundreds of hypotheses to put in order.
  const hypotheses = lazy(() =>
    Array.from(chances.keys())
      .sort((x, y) => chances[y] - chances[x])
      .map((h) => ({ faults: space.sets[h], probability: chances[h] }))
  );
  const sums = suspectChances(space, chances);
  const suspects = space.possible
    .map((fault, i) => ({ fault, probability: sums[i] }))
    .sort((x, y) => y.probability - x.probability);
  return {
    get hypotheses() {
      return hypotheses();
    },
    suspects,
    impossible: space.impossible
  };
}

/**
 * Every suspect after everything that is known: priors of the catalogue, bent by the shop's own history where there
 * is any, and findings as likelihood ratios that admit a blunder, over single faults and the plausible pairs. Pure:
 * the same findings in any order give the same.
 */
export function posteriorOf(
  findings: readonly Finding[],
  sheet: SpecSheet | null,
  history?: History
): Posterior {
  const of = hypothesesOf(sheet, history);
  return toPosterior(of.space, chancesOf(believe(findings, of).log));
}

/** One finding as it bears on one suspect. */
export interface Bearing {
  readonly finding: Finding;
  /** Ten times the decimal logarithm of the likelihood ratio: three make twice as likely. */
  readonly decibans: number;
}

/** What bears on a suspect, the weightiest first. */
export const bearingsOn = (fault: FaultId, findings: readonly Finding[]): Bearing[] =>
  findings
    .map((finding) => ({ finding, decibans: (10 / Math.LN10) * weightOf(finding, [fault]) }))
    .filter((b) => Math.abs(b.decibans) >= 0.5)
    .sort((a, b) => Math.abs(b.decibans) - Math.abs(a.decibans));

/** A finding without which another suspect would lead. */
export interface Leaning {
  readonly finding: Finding;
  readonly then: FaultId;
}

/** Findings without which another suspect would lead: what would have to be wrong for the leader to be wrong. */
export function leaningOn(belief: Belief, findings: readonly Finding[]): Leaning[] {
  const { space } = belief.of;
  const leaderOf = (log: Float64Array): FaultId => {
    const sums = suspectChances(space, chancesOf(log));
    return space.possible[sums.indexOf(Math.max(...sums))];
  };
  const leader = leaderOf(belief.log);
  return findings.flatMap((finding) => {
    const then = leaderOf(logWithout(belief, weigh(finding, space)));
    return then === leader ? [] : [{ finding, then }];
  });
}
