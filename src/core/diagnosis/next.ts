import type { Check } from '../checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import { minutesOf, missingFor, USUAL_CHECKS, type ShopChecks } from '../record/shop-checks';
import type { ThermalState } from '../physics/heat/state';
import {
  believe,
  chancesOf,
  entropyOf,
  entropyWith,
  weigh,
  withFinding,
  type Belief,
  type Weighed
} from './belief';
import { groupOf, strengthOf, type Finding } from './findings';
import { outcomesOf, type CheckOutcome } from './outcomes';
import { type Posterior, toPosterior } from './posterior';
import { sharesOf } from './strengths';
import { waysOf, type History, type Ways } from './hypotheses';

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
function foreseenFinding(id: CheckId, { for: fors, against }: CheckOutcome): Finding {
  const llr: Partial<Record<FaultId, number>> = {};
  for (const f of against) llr[f] = strengthOf(id, f, 'against');
  for (const f of fors) llr[f] = strengthOf(id, f, 'for');
  return { id: `foreseen/${id}`, title: checkOf(id).title, says: '', llr, group: groupOf(id) };
}

const MOST_ERRS = 0.12;
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
const mean = (list: readonly number[]): number => sum(list) / list.length;

/** A check laid out over the ways of a vehicle: its outcomes, their weights, and how likely each is under each way. */
interface LaidOut {
  readonly id: CheckId;
  readonly outcomes: readonly {
    readonly is: CheckOutcome;
    readonly weighed: Weighed;
    readonly given: Float64Array;
  }[];
}

/**
 * How a check can come out. Under a way with a fault it can find, it finds it as often as its strength says, by any
 * of the outcomes that speak for it; else it errs now and then; what is left clears.
 */
function layOut(id: CheckId, of: Ways): LaidOut {
  const table = outcomesOf(id);
  const named = table.finds.filter((x) => x.for.some((f) => of.possible.includes(f)));
  const clear: CheckOutcome = { seen: 'it finds nothing', for: [], against: table.clears };
  const given = named.map(() => new Float64Array(of.ways.length));
  const left = new Float64Array(of.ways.length);
  const errs = named.map((x) => mean(x.for.map((f) => sharesOf(id, f).falsely)));
  of.ways.forEach((faults, h) => {
    const finds = named.map((x) =>
      Math.max(0, ...x.for.filter((f) => faults.includes(f)).map((f) => sharesOf(id, f).finds))
    );
    const right = finds.filter((p) => p > 0);
    const found = right.length > 0 ? mean(right) : 0;
    const err = sum(errs.filter((_, k) => finds[k] === 0));
    // However many suspects it can name, a check does not err more often than this.
    const scale = err === 0 ? 0 : Math.min(1 - found, MOST_ERRS, err) / err;
    named.forEach((_, k) => (given[k][h] = finds[k] > 0 ? finds[k] / right.length : scale * errs[k]));
    left[h] = 1 - found - scale * err;
  });
  return {
    id,
    outcomes: [...named.map((is, k) => ({ is, given: given[k] })), { is: clear, given: left }].map((x) => ({
      ...x,
      weighed: weigh(foreseenFinding(id, x.is), of)
    }))
  };
}

const dot = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let h = 0; h < a.length; h++) sum += a[h] * b[h];
  return sum;
};

/** Bits a check takes away on average. */
function gain(belief: Belief, chances: Float64Array, now: number, check: LaidOut): number {
  let left = 0;
  for (const { weighed, given } of check.outcomes) {
    const p = dot(chances, given);
    if (p > 1e-4) left += p * entropyWith(belief, weighed);
    else left += p * now;
  }
  return Math.max(0, now - left);
}

/** Laying a check out takes longer than asking it: kept for a vehicle while its ways are. */
const laid = new WeakMap<Ways, Map<CheckId, LaidOut>>();
function laidOut(id: CheckId, of: Ways): LaidOut {
  const checks = laid.get(of) ?? new Map<CheckId, LaidOut>();
  laid.set(of, checks);
  const had = checks.get(id) ?? layOut(id, of);
  checks.set(id, had);
  return had;
}

export interface Asked {
  readonly findings: readonly Finding[];
  readonly sheet: SpecSheet | null;
  readonly state: Pick<ThermalState, 'phase'>;
  /** Checks that can still be done and are safe to offer. */
  readonly open: readonly CheckId[];
  readonly history?: History;
  /** Bench checks whose part is out already ({@link apartAfter}). */
  readonly apart?: readonly CheckId[];
  /** How checks are done in this shop: its minutes, and what it is without. */
  readonly shop?: ShopChecks;
}

/** Bench checks of one part: once it is out for one of them, the others cost no taking out. */
const OF_ONE_PART: readonly (readonly CheckId[])[] = [['thermostat-bath', 'thermostat-heater']];

export const apartAfter = (done: readonly { readonly check: CheckId }[]): CheckId[] =>
  OF_ONE_PART.flatMap((checks) => (done.some((d) => checks.includes(d.check)) ? checks : []));

const canDo = (sheet: SpecSheet | null, shop: ShopChecks) => (id: CheckId) =>
  !(sheet && checkOf(id).lacks?.(sheet)) && missingFor(id, shop) === null;

/** What is believed now, and what each outcome of a check would make of it. */
export interface Outlook {
  readonly of: Ways;
  readonly now: Float64Array;
  outcomes(id: CheckId): { readonly probability: number; readonly after: Float64Array }[];
}

/** The chances of every way, now and after each outcome of a check that is asked about. */
export function outlookOf({
  findings,
  sheet,
  history
}: Pick<Asked, 'findings' | 'sheet' | 'history'>): Outlook {
  const of = waysOf(sheet, history);
  const belief = believe(findings, of);
  const now = chancesOf(belief.log);
  const outcomes = (id: CheckId) =>
    laidOut(id, of).outcomes.flatMap(({ weighed, given }) => {
      const probability = dot(now, given);
      return probability > 0 ? [{ probability, after: chancesOf(withFinding(belief, weighed).log) }] : [];
    });
  return { of, now, outcomes };
}

/** How one check can come out, from what is believed now, the likeliest first. Probabilities add up to one. */
export function foresee(
  id: CheckId,
  { findings, sheet, history }: Pick<Asked, 'findings' | 'sheet' | 'history'>
): Foreseen[] {
  const of = waysOf(sheet, history);
  const belief = believe(findings, of);
  const chances = chancesOf(belief.log);
  return laidOut(id, of)
    .outcomes.map(({ is, weighed, given }) => ({
      seen: is.seen,
      finds: is.for.filter((f) => of.possible.includes(f)),
      probability: dot(chances, given),
      after: toPosterior(of, chancesOf(withFinding(belief, weighed).log))
    }))
    .filter((f) => f.probability > 0)
    .sort((a, b) => b.probability - a.probability);
}

/**
 * Checks by what they are worth now: uncertainty taken away per minute, with the time it takes to have the engine
 * there, and half of what the best check after it would add. Those that would change nothing are left out.
 */
export function worthOf({
  findings,
  sheet,
  state,
  open,
  history,
  apart = [],
  shop = USUAL_CHECKS
}: Asked): Worth[] {
  const of = waysOf(sheet, history);
  const belief = believe(findings, of);
  const chances = chancesOf(belief.log);
  const now = entropyOf(chances);
  const first = open
    .filter(canDo(sheet, shop))
    .map((id) => {
      const check = laidOut(id, of);
      const wait = apart.includes(id) ? 0 : waitFor(checkOf(id), state);
      const minutes = minutesOf(id, shop) + wait;
      return { check, minutes, bits: gain(belief, chances, now, check) };
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
        const p = dot(chances, given);
        if (p < 0.01) continue;
        const then = withFinding(belief, weighed);
        const thenChances = chancesOf(then.log);
        const left = entropyOf(thenChances);
        let best = 0;
        for (const o of looked)
          if (o.check !== check)
            best = Math.max(best, gain(then, thenChances, left, o.check) / (minutes + o.minutes));
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
