import type { SpecSheet } from '../formats/spec-sheet';
import { FAULT_IDS, type FaultId } from '../plant/faults';
import { logSumExp } from '../run/likelihood';
import { SUSPECTS } from './catalogue';
import { cannotHave, withBlunder, type Finding } from './findings';

/** A way things can be: one fault, none, or two at once. */
export interface Hypothesis {
  readonly faults: readonly FaultId[];
  readonly probability: number;
}

export interface SuspectNow {
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

/** Pairs are made of so many leading single faults. */
const PAIRED = 7;
/** What a second finding that leans on the same thing adds, beside the strongest. */
const SAME_GROUP = 0.5;

/**
 * Weight of evidence on one fault, in nats: of each group the strongest finding whole and the others half, so that
 * two readings by one thermometer are not two witnesses. Does not depend on the order of the findings.
 */
export function weightOn(fault: FaultId, findings: readonly Finding[]): number {
  const byGroup = new Map<string, number[]>();
  for (const f of findings) {
    const llr = withBlunder(f.llr[fault] ?? 0);
    if (llr === 0) continue;
    byGroup.set(f.group, [...(byGroup.get(f.group) ?? []), llr]);
  }
  let sum = 0;
  for (const weights of byGroup.values()) {
    const sorted = weights.toSorted((a, b) => Math.abs(b) - Math.abs(a) || b - a);
    sum += sorted[0] + SAME_GROUP * sorted.slice(1).reduce((a, b) => a + b, 0);
  }
  return sum;
}

/** The same for two faults at once: either explains what speaks for one of them, both bear what speaks against. */
function weightOnPair(a: FaultId, b: FaultId, findings: readonly Finding[]): number {
  const joined = findings.map((f): Finding => {
    const [x, y] = [f.llr[a] ?? 0, f.llr[b] ?? 0];
    const both = Math.max(0, x, y) + Math.min(0, x) + Math.min(0, y);
    return { ...f, llr: { [a]: both } };
  });
  return weightOn(a, joined);
}

interface Able {
  readonly impossible: readonly { readonly fault: FaultId; readonly because: string }[];
  readonly possible: readonly FaultId[];
}
/** What a sheet rules out does not change with the findings, and looking ahead asks for it thousands of times. */
const known = new WeakMap<SpecSheet, Able>();
function bySheet(sheet: SpecSheet | null): Able {
  const had = sheet && known.get(sheet);
  if (had) return had;
  const impossible = FAULT_IDS.flatMap((fault) => {
    const because = cannotHave(fault, sheet);
    return because ? [{ fault, because }] : [];
  });
  const able = { impossible, possible: FAULT_IDS.filter((f) => !impossible.some((i) => i.fault === f)) };
  if (sheet) known.set(sheet, able);
  return able;
}

/**
 * Every suspect after everything that is known: priors of the catalogue, findings as likelihood ratios that admit a
 * blunder, single faults and the plausible pairs. Pure: the same findings in any order give the same.
 */
export function posteriorOf(findings: readonly Finding[], sheet: SpecSheet | null): Posterior {
  const { impossible, possible } = bySheet(sheet);
  const total = possible.reduce((sum, f) => sum + SUSPECTS[f].prior, 0);
  const prior = (f: FaultId) => Math.log(SUSPECTS[f].prior / total);
  const singles = possible.map((fault) => ({ fault, log: prior(fault) + weightOn(fault, findings) }));
  const leading = singles
    .filter((s) => s.fault !== 'none')
    .toSorted((x, y) => y.log - x.log || FAULT_IDS.indexOf(x.fault) - FAULT_IDS.indexOf(y.fault))
    .slice(0, PAIRED)
    .map((s) => s.fault);
  const pairs = leading.flatMap((a, i) =>
    leading.slice(i + 1).map((b) => ({
      faults: [a, b] as const,
      log: prior(a) + prior(b) + weightOnPair(a, b, findings)
    }))
  );
  const all = [...singles.map(({ fault, log }) => ({ faults: [fault] as const, log })), ...pairs];
  const norm = logSumExp(all.map((h) => h.log));
  const hypotheses = all
    .map(({ faults, log }): Hypothesis => ({ faults, probability: Math.exp(log - norm) }))
    .sort((x, y) => y.probability - x.probability);
  const suspects = possible
    .map((fault) => ({
      fault,
      probability: hypotheses.reduce((sum, h) => sum + (h.faults.includes(fault) ? h.probability : 0), 0)
    }))
    .sort((x, y) => y.probability - x.probability);
  return { hypotheses, suspects, impossible };
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
    .map((finding) => ({ finding, decibans: (10 / Math.LN10) * withBlunder(finding.llr[fault] ?? 0) }))
    .filter((b) => Math.abs(b.decibans) >= 0.5)
    .sort((a, b) => Math.abs(b.decibans) - Math.abs(a.decibans));

/** Findings without which another suspect would lead: what would have to be wrong for the leader to be wrong. */
export function leaningOn(
  findings: readonly Finding[],
  sheet: SpecSheet | null
): { finding: Finding; then: FaultId }[] {
  const leader = posteriorOf(findings, sheet).suspects[0].fault;
  return findings.flatMap((finding) => {
    const then = posteriorOf(
      findings.filter((f) => f !== finding),
      sheet
    ).suspects[0].fault;
    return then === leader ? [] : [{ finding, then }];
  });
}
