import { z } from 'zod';
import { REPAIR_IDS } from '../vehicle/repairs';

/** An amount of the shop's money. */
const money = z
  .number('Type an amount as a number')
  .min(0, 'A price is 0 or more')
  .max(100_000, 'A price above 100 000 is a typing error');

/** What things cost a shop. Everything has a default. */
export const shopCostsSchema = z.object({
  /** What the shop's money is called, written after the number; nothing until somebody said it. */
  currency: z.string().trim().max(6, 'A sign or three letters').default(''),
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
