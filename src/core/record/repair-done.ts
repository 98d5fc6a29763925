import { midSentence, sentence } from '../base/text';
import { z } from 'zod';
import { REPAIR_IDS, repairOf, type RepairId } from '../vehicle/repairs';

/** A repair as it was done: what was decided and why, the steps that were ticked, what was fitted. */
export const repairDoneSchema = z.object({
  repairs: z.array(z.enum(REPAIR_IDS)).min(1, 'Choose what was repaired').max(6),
  why: z.string().trim().max(500).default(''),
  /** The sensor was changed for another without draining. */
  withoutDrain: z.boolean().default(false),
  steps: z.array(z.string().max(80)).max(80).default([]),
  /** What was tightened with, N·m, by step. */
  torqueNm: z.record(z.string().max(80), z.number().positive('A torque is above 0').max(1000)).default({}),
  parts: z
    .array(
      z.object({
        repair: z.enum(REPAIR_IDS),
        partNo: z.string().trim().max(60).default(''),
        supplier: z.string().trim().max(60).default(''),
        price: z.number().min(0, 'A price is 0 or more').max(100_000).nullable().default(null)
      })
    )
    .max(12)
    .default([])
});
export type RepairDone = z.infer<typeof repairDoneSchema>;

export const repairTitles = (ids: readonly RepairId[]): string =>
  ids.map((id, i) => (i === 0 ? repairOf(id).deed : midSentence(repairOf(id).deed))).join(' and ');

/** What was done, as it stands behind "We": replaced the thermostat. */
export const repairsDone = (ids: readonly RepairId[]): string =>
  ids.map((id) => repairOf(id).done).join(' and ');

export const repairWords = ({ repairs, parts, why }: RepairDone): string =>
  [
    sentence(repairsDone(repairs)),
    ...parts.filter((p) => p.partNo).map((p) => `part ${p.partNo}`),
    ...(why ? [why] : [])
  ].join('; ');
