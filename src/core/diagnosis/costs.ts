import type { ShopCosts } from '../record/shop-costs';
import type { Quote } from '../record/decision';
import { repairOf, type RepairId } from '../vehicle/repairs';

/** Draining and filling, done once for several repairs, min. */
export const DRAIN_MIN = 25;

export interface PricedRepair {
  readonly repairs: readonly RepairId[];
  readonly parts: number;
  readonly labourMin: number;
  /** Days off the road for parts that are not on the shelf. */
  readonly days: number;
  readonly total: number;
}

/** What one repair, or several in one go, cost: one drain serves all, and the ferry brings all parts at once. */
export function priceOf(repairs: readonly RepairId[], costs: ShopCosts): PricedRepair {
  const list = [...new Set(repairs)];
  const own = (id: RepairId) => costs.parts[id];
  const parts = list.reduce((sum, id) => sum + (own(id)?.price ?? repairOf(id).price ?? 0), 0);
  const drains = list.filter((id) => repairOf(id).drains).length;
  const labourMin =
    list.reduce((sum, id) => sum + repairOf(id).labourMin, 0) - DRAIN_MIN * Math.max(0, drains - 1);
  const waits = (id: RepairId) => {
    const part = own(id);
    if (repairOf(id).price === null || part?.shelf) return 0;
    return part?.days ?? costs.leadDays;
  };
  const days = Math.max(0, ...list.map(waits));
  const total = parts + (labourMin / 60) * costs.labourPerHour + days * costs.dayOffRoad;
  return { repairs: list, parts, labourMin, days, total };
}

/** What a quote costs with the days it keeps the vehicle off the road. */
export const quoteCosts = (quote: Pick<Quote, 'price' | 'days'>, costs: ShopCosts): number =>
  quote.price + quote.days * costs.dayOffRoad;

/** The shop's costs on one job: where suppliers gave quotes, the one that is cheapest in the end stands for the part. */
export function costsWith(costs: ShopCosts, quotes: readonly Quote[]): ShopCosts {
  const parts = { ...costs.parts };
  // The cheapest comes last and stays.
  for (const quote of [...quotes].sort((a, b) => quoteCosts(b, costs) - quoteCosts(a, costs)))
    parts[quote.repair] = { price: quote.price, shelf: quote.days === 0, days: quote.days };
  return { ...costs, parts };
}

/** Decimals that money of a currency has: those of ISO 4217 where it is one of its codes, else two. */
const decimalsOf = (currency: string): number =>
  /^[A-Z]{3}$/.test(currency)
    ? new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits!
    : 2;

/** Money as a bill writes it: 57.00 tl; no sign where the shop named no currency. */
export const sayMoney = (amount: number, { currency }: Pick<ShopCosts, 'currency'>): string =>
  `${amount.toFixed(decimalsOf(currency))}${currency ? `\u00a0${currency}` : ''}`;
