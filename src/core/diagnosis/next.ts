import { mean, sum } from 'simple-statistics';
import type { Check } from '../checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import { minutesOf, missingFor, USUAL_CHECKS, type ShopChecks } from '../record/shop-checks';
import type { ThermalState } from '../physics/heat/state';
import { afterRepair, believe, chancesOf, weigh, withFinding } from './belief';
import type { RepairId } from '../vehicle/repairs';
import { groupOf, strengthOf } from './findings';
import type { Finding } from './finding';
import { resultsOf, sharesOf, type Foreseeable } from '../checks/results';
import {
  ahead,
  aheadWith,
  bitsWith,
  foreseeWeight,
  givenOf,
  likelihoodOf,
  type Ahead,
  type ForeseenWeight,
  type Given,
  type Outlook
} from './look-ahead';
import { toPosterior, type Posterior } from './posterior';
import { hypothesesOf, type History, type Space } from './hypotheses';

/** How a check can come out, how likely that is now, and what it would make of the suspects. */
export interface Foreseen {
  /** What would be seen, after “if”. */
  readonly seen: string;
  /** The suspects it would speak for; none where it would clear those it can speak of. */
  readonly finds: readonly FaultId[];
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
}

/** Minutes to have an engine where a check needs it, beyond the check: a warm-up, or hours that cost a little each. */
const WARM_UP_MIN = 12;
const SOAK_HOUR_MIN = 6;
const SOAK_H = 7;
const PART_OUT_MIN = 35;
/** So many first checks are followed by a look at the best one after. */
const LOOK_AT = 6;
/** What the second check is worth beside the first: it may never come to it. */
const SECOND = 0.5;
/** Bits that are not worth a walk to the vehicle. */
const NOTHING_BITS = 0.005;

/** What it costs to have the engine where the check can be done, min. */
export function waitFor(check: Check, state: Pick<ThermalState, 'phase'>): number {
  const at = (phase: string) => check.phases.some((p) => p === phase);
  if (at('X')) return 0;
  if (at('B')) return check.takeOutMin ?? PART_OUT_MIN;
  const warm = state.phase === 'regulating' || state.phase === 'hot' || state.phase === 'warming';
  if (at('C') && (state.phase === 'cold' || state.phase === 'unknown')) return 0;
  if (warm && (at('R') || at('H'))) return 0;
  // What is watched while the engine warms needs it cold to begin with, and warms it meanwhile.
  if (at('W') && (state.phase === 'cold' || state.phase === 'unknown' || state.phase === 'warming')) return 0;
  if (at('R') || at('H')) return WARM_UP_MIN;
  return SOAK_H * SOAK_HOUR_MIN;
}

/** The finding a check would be, were it to come out that way. */
function foreseenFinding(id: CheckId, { for: fors, against, strength }: Foreseeable): Finding {
  const llr: Partial<Record<FaultId, number>> = {};
  for (const f of against) llr[f] = strengthOf(id, f, 'against');
  for (const f of fors) llr[f] = strengthOf(id, f, 'for', strength);
  return { id: `foreseen/${id}`, title: checkOf(id).title, says: '', llr, group: groupOf(id) };
}

const MOST_ERRS = 0.12;

/** A check laid out over the hypotheses of a vehicle: its outcomes, their weights, and how likely each is under each. */
interface LaidOut {
  readonly id: CheckId;
  readonly outcomes: readonly {
    readonly is: Foreseeable;
    readonly weighed: ForeseenWeight;
    readonly given: Given;
  }[];
}

/**
 * How a check can come out. Under a hypothesis with a fault it can find, it finds it as often as its strength says,
 * by any of the outcomes that speak for it; else it errs now and then; what is left clears.
 */
function layOut(id: CheckId, space: Space): LaidOut {
  const table = resultsOf(id);
  const named = table.finds.filter((x) => x.for.some((f) => space.possible.includes(f)));
  const clear: Foreseeable = { seen: 'it finds nothing', for: [], against: table.clears };
  const given = named.map(() => new Float64Array(space.sets.length));
  const left = new Float64Array(space.sets.length);
  const errs = named.map((x) => mean(x.for.map((f) => sharesOf(id, f, x.strength).falsely)));
  // How often each outcome finds each fault, by its place among the possible ones.
  const findsOf = named.map((x) =>
    space.possible.map((f) => (x.for.includes(f) ? sharesOf(id, f, x.strength).finds : 0))
  );
  space.members.forEach((members, h) => {
    const finds = findsOf.map((of) => Math.max(0, ...members.map((m) => of[m])));
    const right = finds.filter((p) => p > 0);
    const found = right.length > 0 ? mean(right) : 0;
    const err = sum(errs.filter((_, k) => finds[k] === 0));
    // However many suspects it can name, a check does not err more often than this.
    const scale = err === 0 ? 0 : Math.min(1 - found, MOST_ERRS, err) / err;
    named.forEach((_, k) => (given[k][h] = finds[k] > 0 ? finds[k] / right.length : scale * errs[k]));
    left[h] = 1 - found - scale * err;
  });
  // Under a hypothesis without a suspect of this check every outcome is as likely as by mistake.
  const scale = sum(errs) === 0 ? 0 : Math.min(1, MOST_ERRS, sum(errs)) / sum(errs);
  return {
    id,
    outcomes: [
      ...named.map((is, k) => ({ is, given: givenOf(given[k], scale * errs[k]) })),
      { is: clear, given: givenOf(left, 1 - scale * sum(errs)) }
    ].map((x) => ({ ...x, weighed: foreseeWeight(weigh(foreseenFinding(id, x.is), space)) }))
  };
}

/** Bits a check takes away on average. */
function gain(from: Ahead, check: LaidOut): number {
  let left = 0;
  for (const { weighed, given } of check.outcomes) {
    const p = likelihoodOf(from, given);
    left += p * (p > 1e-4 ? bitsWith(from, weighed) : from.bits);
  }
  return Math.max(0, from.bits - left);
}

/** Laying a check out takes longer than asking it: kept for as long as the space of a vehicle is. */
const laid = new WeakMap<Space, Map<CheckId, LaidOut>>();
function laidOut(id: CheckId, space: Space): LaidOut {
  const checks = laid.get(space) ?? new Map<CheckId, LaidOut>();
  laid.set(space, checks);
  const had = checks.get(id) ?? layOut(id, space);
  checks.set(id, had);
  return had;
}

/** What bears on the suspects of a vehicle, whatever is to be done next. */
export type Question = Pick<Asked, 'findings' | 'sheet' | 'history' | 'repaired'>;

/** What is believed of what is asked, with what looking ahead needs: made once for one question. */
const asked = new WeakMap<Question, Outlook>();
export function beliefOf(question: Question): Outlook {
  const had = asked.get(question);
  if (had) return had;
  const { findings, sheet, history, repaired } = question;
  const of = hypothesesOf(sheet, history);
  const made = ahead(
    believe(findings, repaired ? afterRepair(believe(repaired.findings, of), repaired.repairs) : of)
  );
  asked.set(question, made);
  return made;
}

export interface Asked {
  readonly findings: readonly Finding[];
  readonly sheet: SpecSheet | null;
  readonly state: Pick<ThermalState, 'phase'>;
  /** Checks that can still be done and are safe to offer. */
  readonly open: readonly CheckId[];
  readonly history?: History;
  /** What was known before a repair, and what was repaired: the suspects go on from there. */
  readonly repaired?: { readonly findings: readonly Finding[]; readonly repairs: readonly RepairId[] };
  /** Bench checks whose part is out already ({@link partRemoved}). */
  readonly removed?: readonly CheckId[];
  /** How checks are done in this shop: its minutes, and what it is without. */
  readonly shop?: ShopChecks;
}

/** Bench checks of one part: once it is out for one of them, the others cost no taking out. */
const OF_ONE_PART: readonly (readonly CheckId[])[] = [['thermostat-bath', 'thermostat-heater']];

export const partRemoved = (done: readonly { readonly check: CheckId }[]): CheckId[] =>
  OF_ONE_PART.flatMap((checks) => (done.some((d) => checks.includes(d.check)) ? checks : []));

/** Whether the vehicle has what a check is of, and the shop what it needs. */
export const canBeDone = (id: CheckId, sheet: SpecSheet | null, shop: ShopChecks = USUAL_CHECKS): boolean =>
  !(sheet && checkOf(id).lacks?.(sheet)) && missingFor(id, shop) === null;

/** The chances after each outcome of a check, with how likely it is. */
export function outcomesAhead(
  question: Question,
  id: CheckId
): { readonly probability: number; readonly after: Float64Array }[] {
  const from = beliefOf(question);
  return laidOut(id, from.belief.of.space).outcomes.flatMap(({ weighed, given }) => {
    const probability = likelihoodOf(from, given);
    return probability > 0 ? [{ probability, after: chancesOf(withFinding(from.belief, weighed).log) }] : [];
  });
}

/** How one check can come out, from what is believed now, the likeliest first. Probabilities add up to one. */
export function foresee(id: CheckId, question: Question): Foreseen[] {
  const from = beliefOf(question);
  const { space } = from.belief.of;
  return laidOut(id, space)
    .outcomes.map(({ is, weighed, given }) => ({
      seen: is.seen,
      finds: is.for.filter((f) => space.possible.includes(f)),
      probability: likelihoodOf(from, given),
      after: toPosterior(space, chancesOf(withFinding(from.belief, weighed).log))
    }))
    .filter((f) => f.probability > 0)
    .sort((a, b) => b.probability - a.probability);
}

/**
 * Checks by what they are worth now: uncertainty taken away per minute, with the time it takes to have the engine
 * there, and half of what the best check after it would add. Those that would change nothing are left out.
 */
export function worthOf(question: Asked): Worth[] {
  const { sheet, state, open, removed = [], shop = USUAL_CHECKS } = question;
  const from = beliefOf(question);
  const { space } = from.belief.of;
  const first = open
    .filter((id) => canBeDone(id, sheet, shop))
    .map((id) => {
      const check = laidOut(id, space);
      const wait = removed.includes(id) ? 0 : waitFor(checkOf(id), state);
      const minutes = minutesOf(id, shop) + wait;
      return { check, minutes, bits: gain(from, check) };
    })
    .filter((w) => w.bits > NOTHING_BITS)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
  const looked = first.slice(0, LOOK_AT);
  return first
    .map(({ check, minutes, bits }, k): Worth => {
      const rate = bits / minutes;
      if (k >= looked.length) return { id: check.id, bits, minutes, rate };
      let more = 0;
      for (const { weighed, given } of check.outcomes) {
        const p = likelihoodOf(from, given);
        if (p < 0.01) continue;
        const then = aheadWith(from, weighed);
        let best = 0;
        for (const o of looked) {
          // No check takes away more than there is: one that could not be the best is not asked.
          if (o.check === check || then.bits / (minutes + o.minutes) <= best) continue;
          best = Math.max(best, gain(then, o.check) / (minutes + o.minutes));
        }
        more += p * best;
      }
      return { id: check.id, bits, minutes, rate: rate + SECOND * more };
    })
    .sort((a, b) => b.rate - a.rate);
}

/** Checks that are not done, or were void. */
export const openChecks = (
  done: readonly { readonly check: CheckId; readonly outcome: { readonly result: string } }[]
): CheckId[] => CHECK_IDS.filter((id) => !done.some((d) => d.check === id && d.outcome.result !== 'void'));
