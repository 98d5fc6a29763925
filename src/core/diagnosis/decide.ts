import { curesOf, repairFor } from '../faults/registry';
import type { CheckId } from '../checks/registry';
import { minutesOf, USUAL_CHECKS } from '../record/shop-checks';
import { beliefOf, outcomesAhead, worthOf, type Asked, type Worth } from './next';
import { owedBefore } from './owed';
import { toPosterior, type Posterior } from './posterior';
import { type RepairId } from '../vehicle/repairs';
import { priceOf, type PricedRepair } from './costs';
import type { ShopCosts } from '../record/shop-costs';
import { costOfUncertainty } from './cost-of-uncertainty';

/** A choice with what it is expected to cost in the end. */
export interface Choice extends PricedRepair {
  /** That everything wrong is put right by it. */
  readonly cures: number;
  /** The work itself, and what follows where it does not cure. */
  readonly expected: number;
}

/** Hypotheses less likely than this are not priced one by one. */
const RARE = 5e-4;

/**
 * A repair, or several at once, with what it is expected to cost: where it does not cure, the vehicle comes back and
 * what is left is repaired then.
 */
export function choiceOf(repairs: readonly RepairId[], now: Posterior, costs: ShopCosts): Choice {
  const priced = priceOf(repairs, costs);
  let cures = 0;
  let later = 0;
  let seen = 0;
  for (const { faults, probability } of now.hypotheses) {
    if (probability < RARE) break;
    seen += probability;
    const left = faults.filter((f) => f !== 'none' && !repairs.some((id) => curesOf(id).includes(f)));
    if (left.length === 0) cures += probability;
    else later += probability * (costs.comeback + priceOf(left.map(repairFor), costs).total);
  }
  // What was not looked at comes back like the rest.
  return { ...priced, cures: cures / seen, expected: priced.total + later / seen };
}

/** Repairs of the leading suspects one by one, the cheapest in the end first. Doing nothing is one of them. */
export function choicesOf(now: Posterior, costs: ShopCosts): Choice[] {
  const ids = new Set<RepairId>(['none']);
  for (const { fault } of now.suspects.slice(0, CONSIDERED)) ids.add(repairFor(fault));
  const singles = [...ids].map((id) => choiceOf([id], now, costs));
  // Two that are there together are cured by nothing less than both.
  const pairs = now.hypotheses
    .slice(0, CONSIDERED)
    .filter((h) => h.faults.length === 2 && h.probability > LIKELY_PAIR)
    .map((h) => [...new Set(h.faults.map(repairFor))])
    .filter((both) => both.length === 2)
    .map((both) => choiceOf(both, now, costs));
  const healthy = now.suspects.find((s) => s.fault === 'none')?.probability ?? 0;
  const all = [...singles, ...pairs].sort((a, b) => a.expected - b.expected);
  // While a fault is likelier than not, doing nothing is no choice, however cheap; and while none is, no part is changed.
  return healthy < 0.5
    ? all.filter((c) => c.repairs[0] !== 'none' || c.cures >= 0.5)
    : all.sort((a, b) => Number(b.repairs[0] === 'none') - Number(a.repairs[0] === 'none'));
}
/** Pairs less likely than this are found one after the other. */
const LIKELY_PAIR = 0.05;
/** Suspects further down are never the first to repair. */
const CONSIDERED = 6;

/** Singles that are offered beside the two likeliest in one go. */
const OFFERED = 4;

/** What is offered to decide between: repairs one at a time, and the two likeliest in one go; the cheapest in the end first. */
export function offersOf(now: Posterior, costs: ShopCosts): Choice[] {
  const leading = [...new Set(now.suspects.map((s) => repairFor(s.fault)).filter((id) => id !== 'none'))];
  const both = leading.length > 1 ? [choiceOf(leading.slice(0, 2), now, costs)] : [];
  return [...choicesOf(now, costs).slice(0, OFFERED), ...both].sort((a, b) => a.expected - b.expected);
}

/** To act now, or to check first. */
export interface Advice {
  readonly act: Choice;
  /** What not knowing is expected to cost: acting now against acting with the cause known. */
  readonly unsureCosts: number;
  /** The check to do before acting, with what it is expected to take to be sure at its pace; null where none is left. */
  readonly check: {
    readonly id: CheckId;
    readonly minutesToSure: number;
    readonly toSureCosts: number;
  } | null;
  readonly actNow: boolean;
}

/** Checks that take less away than this are no way to be sure. */
const LITTLE_BITS = 0.03;

/**
 * Stop rule: act as soon as not knowing costs less than finding out would. Not knowing costs the repairs and the
 * comebacks of being wrong; finding out costs the shop's rate for as long as it would take to remove what is still
 * uncertain at the pace of the best check that is left. Where being sure would be dearer, a single check may still
 * save more than its own minutes cost: then it is done first, the one that saves most by the minute.
 */
export function adviceOf(
  asked: Asked,
  costs: ShopCosts,
  worth: readonly Worth[] = worthOf(asked),
  now: Posterior = toPosterior(beliefOf(asked).belief.of.space, beliefOf(asked).chances)
): Advice {
  const { belief, chances, bits: uncertain } = beliefOf(asked);
  const { space } = belief.of;
  const act = choicesOf(now, costs)[0];
  const costOf = costOfUncertainty(space, costs);
  const unsureCosts = costOf(chances);
  const owed = owedBefore(act.repairs, now, asked, worth);
  if (owed) {
    const minutes = minutesOf(owed, asked.shop ?? USUAL_CHECKS);
    const check = { id: owed, minutesToSure: minutes, toSureCosts: (minutes / 60) * costs.labourPerHour };
    return { act, unsureCosts, check, actNow: false };
  }
  const best = worth.find((w) => w.bits >= LITTLE_BITS);
  const toSure = (w: Worth) => {
    const minutesToSure = Math.max(w.minutes, uncertain / (w.bits / w.minutes));
    return { id: w.id, minutesToSure, toSureCosts: (minutesToSure / 60) * costs.labourPerHour };
  };
  if (best && unsureCosts > toSure(best).toSureCosts)
    return { act, unsureCosts, check: toSure(best), actNow: false };
  const saves = (w: Worth) => {
    const after = outcomesAhead(asked, w.id).reduce((sum, o) => sum + o.probability * costOf(o.after), 0);
    return unsureCosts - after;
  };
  const paying = worth
    .map((w) => ({ w, saves: saves(w), costs: (w.minutes / 60) * costs.labourPerHour }))
    .filter((p) => p.saves > p.costs)
    .sort((a, b) => b.saves / b.w.minutes - a.saves / a.w.minutes)[0];
  if (paying) return { act, unsureCosts, check: toSure(paying.w), actNow: false };
  return { act, unsureCosts, check: best ? toSure(best) : null, actNow: true };
}
