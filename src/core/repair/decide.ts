import type { CheckId } from '../checks/registry';
import { entropyOf } from '../suspects/belief';
import { worthOf, type Asked, type Worth } from '../suspects/next';
import { posteriorOf, type Posterior } from '../suspects/posterior';
import { repairFor, repairOf, type RepairId } from './catalogue';
import { priceOf, type PricedRepair, type ShopCosts } from './costs';

/** A choice with what it is expected to cost in the end. */
export interface Choice extends PricedRepair {
  /** That everything wrong is put right by it. */
  readonly cures: number;
  /** The work itself, and what follows where it does not cure. */
  readonly expected: number;
}

/** Ways less likely than this are not priced one by one. */
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
    const left = faults.filter((f) => f !== 'none' && !repairs.some((id) => repairOf(id).cures.includes(f)));
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
  return [...ids].map((id) => choiceOf([id], now, costs)).sort((a, b) => a.expected - b.expected);
}
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
  /** The check worth most by the minute, with what it is expected to take to be sure at its pace; null where none is left. */
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
 * uncertain at the pace of the best check that is left.
 */
export function adviceOf(asked: Asked, costs: ShopCosts, worth: readonly Worth[] = worthOf(asked)): Advice {
  const now = posteriorOf(asked.findings, asked.sheet, asked.history);
  const act = choicesOf(now, costs)[0];
  const likely = now.hypotheses.filter((h) => h.probability >= RARE);
  const seen = likely.reduce((sum, h) => sum + h.probability, 0);
  const known = likely.reduce(
    (sum, { faults, probability }) =>
      sum + (probability / seen) * priceOf(faults.map(repairFor), costs).total,
    0
  );
  const misnamed = costs.misnamed * (1 - now.hypotheses[0].probability);
  const unsureCosts = Math.max(0, act.expected - known) + misnamed;
  const best = worth.find((w) => w.bits >= LITTLE_BITS);
  if (!best) return { act, unsureCosts, check: null, actNow: true };
  const minutesToSure = Math.max(
    best.minutes,
    entropyOf(likely.map((h) => h.probability)) / (best.bits / best.minutes)
  );
  const toSureCosts = (minutesToSure / 60) * costs.labourPerHour;
  return {
    act,
    unsureCosts,
    check: { id: best.id, minutesToSure, toSureCosts },
    actNow: unsureCosts <= toSureCosts
  };
}
