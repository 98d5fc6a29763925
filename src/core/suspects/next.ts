import type { Check } from '../checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import type { SpecSheet } from '../formats/spec-sheet';
import type { FaultId } from '../plant/faults';
import type { ThermalState } from '../thermal/state';
import type { Finding } from './findings';
import { strengthOf } from './findings';
import { posteriorOf, type Hypothesis, type Posterior } from './posterior';
import { STRENGTHS } from './strengths';

/** How a check can come out, how likely that is now, and what it would make of the suspects. */
export interface Foreseen {
  /** The suspect it would speak for; null where it would clear those it can speak of. */
  readonly finds: FaultId | null;
  readonly probability: number;
  readonly after: Posterior;
}

export interface Worth {
  readonly id: CheckId;
  /** Uncertainty it takes away on average, bits. */
  readonly bits: number;
  /** Hands-on minutes with what getting the engine there costs. */
  readonly minutes: number;
  /** Bits per minute, with the best check after it looked at as well. */
  readonly rate: number;
  readonly foreseen: readonly Foreseen[];
}

/** Minutes to have an engine where a check needs it, beyond the check: a warm-up, or hours that cost a little each. */
const WARM_UP_MIN = 12;
const SOAK_HOUR_MIN = 6;
const SOAK_H = 7;
const PART_OUT_MIN = 35;
/** So many first checks are followed by a look at the best one after. */
const LOOK_AT = 5;
/** What the second check is worth beside the first: it may never come to it. */
const SECOND = 0.5;
/** A finding that is foreseen changes the ranking little below this share. */
const RARE = 0.01;

/** Uncertainty of a set of ways, bits. */
export const entropy = (ways: readonly Hypothesis[]): number =>
  -ways.reduce((sum, { probability: p }) => sum + (p > 0 ? p * Math.log2(p) : 0), 0);

/** What it costs to have the engine where the check can be done, min. */
export function waitFor(check: Check, state: ThermalState): number {
  const at = (phase: string) => check.phases.some((p) => p === phase);
  if (at('X')) return 0;
  if (at('B')) return PART_OUT_MIN;
  const warm = state.phase === 'regulating' || state.phase === 'hot' || state.phase === 'warming';
  if (at('C') && (state.phase === 'cold' || state.phase === 'unknown')) return 0;
  if (warm && (at('R') || at('W') || at('H'))) return 0;
  if (at('R') || at('W') || at('H')) return WARM_UP_MIN;
  return SOAK_H * SOAK_HOUR_MIN;
}

/** The finding a check would be, were it to speak for a suspect or to clear all it can. */
function foreseenFinding(id: CheckId, finds: FaultId | null): Finding {
  const strength = strengthOf(id);
  const check = checkOf(id);
  const llr: Partial<Record<FaultId, number>> = {};
  if (finds) llr[finds] = strength.for;
  else for (const f of check.speaksTo) llr[f] = strength.against;
  const group = STRENGTHS[id].leansOn === 'itself' ? id : STRENGTHS[id].leansOn;
  return { id: `foreseen/${id}`, title: check.title, says: '', llr, group };
}

/** How a check can come out, from what is believed now. Probabilities add up to one. */
export function foresee(
  id: CheckId,
  now: Posterior,
  findings: readonly Finding[],
  sheet: SpecSheet | null
): Foreseen[] {
  const { finds, falsely } = STRENGTHS[id];
  const speaks = checkOf(id).speaksTo.filter((f) => now.suspects.some((s) => s.fault === f));
  if (speaks.length === 0) return [];
  const chance = new Map<FaultId | null, number>();
  const add = (key: FaultId | null, p: number) => chance.set(key, (chance.get(key) ?? 0) + p);
  for (const { faults, probability } of now.hypotheses) {
    const mine = faults.filter((f) => speaks.includes(f));
    // Of two faults it can find it finds either; of none it errs now and then, on any of those it speaks of.
    for (const f of mine) add(f, (probability * finds) / mine.length);
    const others = speaks.filter((f) => !mine.includes(f));
    const left = mine.length > 0 ? 1 - finds : 1;
    const wrong = Math.min(left, falsely);
    for (const f of others) add(f, (probability * wrong) / others.length);
    add(null, probability * (left - (others.length > 0 ? wrong : 0)));
  }
  const likely = [...chance].filter(([key, p]) => key === null || p >= RARE);
  const total = likely.reduce((sum, [, p]) => sum + p, 0);
  return likely
    .map(([key, p]) => ({
      finds: key,
      probability: p / total,
      after: posteriorOf([...findings, foreseenFinding(id, key)], sheet)
    }))
    .sort((a, b) => b.probability - a.probability);
}

/** Bits a check takes away on average. */
const gainOf = (now: Posterior, foreseen: readonly Foreseen[]): number =>
  Math.max(
    0,
    entropy(now.hypotheses) -
      foreseen.reduce((sum, f) => sum + f.probability * entropy(f.after.hypotheses), 0)
  );

/**
 * Checks by what they are worth now: uncertainty taken away per minute, with the time it takes to have the engine
 * there, and half of what the best check after it would add. `open` are those that can still be done and are safe to
 * offer. Those that would change nothing are left out.
 */
export function worthOf(job: {
  readonly findings: readonly Finding[];
  readonly sheet: SpecSheet | null;
  readonly state: ThermalState;
  readonly open: readonly CheckId[];
}): Worth[] {
  const { findings, sheet, state, open } = job;
  const now = posteriorOf(findings, sheet);
  const able = open.filter((id) => !(sheet && checkOf(id).lacks?.(sheet)));
  const first = able
    .map((id) => {
      const foreseen = foresee(id, now, findings, sheet);
      const check = checkOf(id);
      return {
        id,
        foreseen,
        bits: foreseen.length > 0 ? gainOf(now, foreseen) : 0,
        minutes: check.minutes + waitFor(check, state)
      };
    })
    .filter((w) => w.bits > 0.005)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
  const looked = first.slice(0, LOOK_AT);
  return first
    .map((w): Worth => {
      if (!looked.includes(w)) return { ...w, rate: w.bits / w.minutes };
      const second = looked.filter((o) => o.id !== w.id);
      let more = 0;
      for (const f of w.foreseen) {
        const known = [...findings, foreseenFinding(w.id, f.finds)];
        const best = second
          .map((o) => ({ bits: gainOf(f.after, foresee(o.id, f.after, known, sheet)), minutes: o.minutes }))
          .reduce((a, b) => (b.bits / b.minutes > a.bits / a.minutes ? b : a), { bits: 0, minutes: 1 });
        more += f.probability * (best.bits / (w.minutes + best.minutes));
      }
      return { ...w, rate: w.bits / w.minutes + SECOND * more };
    })
    .sort((a, b) => b.rate - a.rate);
}

/** Checks that are not done, or were void. */
export const openChecks = (
  done: readonly { readonly check: CheckId; readonly outcome: { readonly result: string } }[]
): CheckId[] => CHECK_IDS.filter((id) => !done.some((d) => d.check === id && d.outcome.result !== 'void'));
