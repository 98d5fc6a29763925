import { z } from 'zod';
import { CHECK_IDS } from '../checks/registry';
import { FAULT_IDS } from '../vehicle/faults';
import { REPAIR_IDS } from '../vehicle/repairs';
import { PRECAUTION_IDS } from './danger';

/** Longest time that can be let pass at once, h. */
const LONGEST_WAIT_H = 24;

/** What somebody who practises does, in order: the vehicle and its clock follow from it. */
export const moveSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('check'),
    check: z.enum(CHECK_IDS),
    /** What was seen to before hands went in. */
    careful: z.array(z.enum(PRECAUTION_IDS)).max(PRECAUTION_IDS.length).default([])
  }),
  /** What somebody makes of what a check showed, before they are told. */
  z.object({
    kind: z.literal('judge'),
    of: z.number().int().min(0).max(500),
    as: z.enum(['pass', 'fail', 'unclear'])
  }),
  /** What somebody saw, heard or felt at the check they just did, by field; what they leave out they did not tell. */
  z.object({
    kind: z.literal('sense'),
    as: z.record(z.string().max(40), z.string().max(40)).refine((of) => Object.keys(of).length <= 12)
  }),
  z.object({ kind: z.literal('wait'), hours: z.number().min(0.25).max(LONGEST_WAIT_H) }),
  z.object({ kind: z.literal('stop-engine') }),
  z.object({ kind: z.literal('fill') }),
  z.object({
    kind: z.literal('believe'),
    /** Shares of the suspects that are held possible; the rest is for all others. */
    shares: z
      .array(z.object({ fault: z.enum(FAULT_IDS), share: z.number().min(0).max(1) }))
      .max(12)
      .refine((all) => all.reduce((sum, s) => sum + s.share, 0) <= 1.0001, 'Shares are at most all together')
      .refine((all) => new Set(all.map((s) => s.fault)).size === all.length, 'A suspect has one share')
  }),
  /** A step further: which question is open, which check answers it, what it would tell. */
  z.object({ kind: z.literal('hint') }),
  z.object({ kind: z.literal('opinion') }),
  z.object({ kind: z.literal('repair'), repairs: z.array(z.enum(REPAIR_IDS)).min(1).max(3) }),
  /** Its driver drives it as they do: what they complained of is there still, or gone. */
  z.object({ kind: z.literal('try') }),
  z.object({ kind: z.literal('finish') })
]);
export type Move = z.infer<typeof moveSchema>;
export type Share = Extract<Move, { kind: 'believe' }>['shares'][number];
