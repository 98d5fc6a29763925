import { z } from 'zod';
import { midSentence } from '../base/text';
import { REPAIR_IDS, repairOf } from '../vehicle/repairs';
import { repairTitles } from './repair-done';

const money = z
  .number('Type an amount as a number')
  .min(0, 'A price is 0 or more')
  .max(100_000, 'A price above 100 000 is a typing error');
const repairs = z.array(z.enum(REPAIR_IDS)).min(1, 'Choose what is to be done').max(6);

/** What was decided to do, why, and what else there was to choose: apart from the repair, which may come days later. */
export const decisionSchema = z.object({
  repairs,
  why: z.string().trim().min(1, 'Say why: the next one who reads this was not there').max(500),
  /** What it was expected to cost in the end when it was decided, in the shop's money. */
  expected: money.nullable().default(null),
  /** That all is well after it, as it was believed then. */
  cures: z.number().min(0).max(1).nullable().default(null),
  over: z
    .array(z.object({ repairs, expected: money }))
    .max(8)
    .default([])
});
export type Decision = z.infer<typeof decisionSchema>;

/** What one supplier asks for the part of a repair on this vehicle. */
export const quoteSchema = z.object({
  repair: z.enum(REPAIR_IDS),
  supplier: z.string().trim().min(1, 'Name the supplier').max(60),
  partNo: z.string().trim().max(60).default(''),
  price: money,
  /** Days until it is here; 0 from the shelf. */
  days: z
    .number('Type the days until it is here; 0 where it is in stock')
    .min(0, 'Days are 0 or more')
    .max(90, 'More than 90 days: order elsewhere')
});
export type Quote = z.infer<typeof quoteSchema>;

/** What was found when a closed job was looked at again. */
export const recheckSchema = z.object({
  holds: z.boolean(),
  note: z.string().trim().max(500).default(''),
  /** When to look once more, YYYY-MM-DD; null where this was the last time. */
  next: z.iso.date('A date looks like 2026-12-24').nullable().default(null)
});
export type Recheck = z.infer<typeof recheckSchema>;

export const decisionWords = ({ repairs: ids, why }: Decision): string =>
  `Decided: ${midSentence(repairTitles(ids))}; ${why}`;

export const quoteWords = ({ repair, supplier, price, days }: Quote): string =>
  `Quote from ${supplier}: ${midSentence(repairOf(repair).title)} for ${price}, ${days === 0 ? 'in stock' : `in ${days} days`}`;

export const recheckWords = ({ holds, note }: Recheck): string =>
  `Rechecked: ${holds ? 'still good' : 'the fault is back'}${note ? `; ${note}` : ''}`;
