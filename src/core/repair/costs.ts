import { z } from 'zod';
import type { Quote } from '../record/decision';
import { REPAIR_IDS, repairOf, type RepairId } from './catalogue';

const money = z
  .number('Type an amount as a number')
  .min(0, 'A price is 0 or more')
  .max(100_000, 'A price above 100 000 is a typing error');

/** What things cost a shop. Everything has a default. */
export const shopCostsSchema = z.object({
  /** How money is written here, after the number; nothing where it goes without saying. */
  currency: z.string().trim().max(6, 'A sign or three letters').default('¤'),
  labourPerHour: money.default(60),
  /** What a vehicle that comes back costs beyond the work: trust, a tow, the yard. */
  comeback: money.default(300),
  /** What a cause written down wrongly costs though the repair cures it: the next job is misled by it. */
  misnamed: money.default(300),
  /** What a day off the road costs its owner. */
  dayOffRoad: money.default(40),
  /** Days until a part that is not on the shelf is there, on average: half the gap between two ferries. */
  leadDays: z.number().min(0, 'Days are 0 or more').max(90, 'More than 90 days: order elsewhere').default(2),
  /** The shop’s own prices, and what lies on its shelf. */
  parts: z
    .partialRecord(
      z.enum(REPAIR_IDS),
      z.object({ price: money, shelf: z.boolean(), days: z.number().min(0).max(90).optional() })
    )
    .default({})
});
export type ShopCosts = z.infer<typeof shopCostsSchema>;
export const USUAL_COSTS: ShopCosts = shopCostsSchema.parse({});

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

/** Money in whole units: cents are no part of a choice. */
export const sayMoney = (amount: number, { currency }: Pick<ShopCosts, 'currency'>): string =>
  `${Math.round(amount)}${currency ? `\u00a0${currency}` : ''}`;
