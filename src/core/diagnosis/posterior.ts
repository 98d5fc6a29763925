import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import { believe, chancesOf, weightOf } from './belief';
import type { Finding } from './findings';
import { waysOf, type History, type Ways } from './hypotheses';

/** A way things can be: one fault, none, or two at once. */
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
  /** Every way that is carried; they add up to one. */
  readonly hypotheses: readonly Hypothesis[];
  /** Suspects, the likeliest first; `none` is that nothing is wrong. */
  readonly suspects: readonly SuspectNow[];
  /** Those this vehicle cannot have. */
  readonly impossible: readonly { readonly fault: FaultId; readonly because: string }[];
}

/** Chances as a list of ways and of suspects, the likeliest first. */
export function toPosterior(of: Ways, chances: Float64Array): Posterior {
  const hypotheses = of.ways
    .map((faults, h): Hypothesis => ({ faults, probability: chances[h] }))
    .sort((x, y) => y.probability - x.probability);
  const sums = new Map<FaultId, number>(of.possible.map((f) => [f, 0]));
  of.ways.forEach((faults, h) => faults.forEach((f) => sums.set(f, sums.get(f)! + chances[h])));
  const suspects = [...sums]
    .map(([fault, probability]) => ({ fault, probability }))
    .sort((x, y) => y.probability - x.probability);
  return { hypotheses, suspects, impossible: of.impossible };
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
  const of = waysOf(sheet, history);
  return toPosterior(of, chancesOf(believe(findings, of).log));
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
export function leaningOn({
  findings,
  sheet,
  history
}: {
  readonly findings: readonly Finding[];
  readonly sheet: SpecSheet | null;
  readonly history?: History;
}): Leaning[] {
  const leader = posteriorOf(findings, sheet, history).suspects[0].fault;
  return findings.flatMap((finding) => {
    const rest = findings.filter((f) => f !== finding);
    const then = posteriorOf(rest, sheet, history).suspects[0].fault;
    return then === leader ? [] : [{ finding, then }];
  });
}
