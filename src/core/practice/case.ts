import { z } from 'zod';
import { readFormat, type OpenFormat } from '../base/open-format';
import type { Result } from '../base/result';
import { FAULT_IDS } from '../vehicle/faults';
import { specSheetSchema } from '../vehicle/spec-sheet';
import { symptomSchema } from '../record/intake';

/** Rising levels, and what each adds. */
export const LEVELS = {
  1: 'One fault, plainly to be seen',
  2: 'One fault, and something beside it that is nothing',
  3: 'A milder fault, and a driver who misses things',
  4: 'A hard one: two that look alike, or nothing at all',
  5: 'Two faults at once'
} as const;
export type Level = keyof typeof LEVELS;
export const LEVEL_IDS = [1, 2, 3, 4, 5] as const satisfies readonly Level[];

const FORMAT: OpenFormat = { format: 'pyrethos.practice', version: 1, what: 'a practice case' };

const schema = z.looseObject({
  /** Told apart among all cases: small letters, digits and hyphens. */
  id: z.string().regex(/^[a-z0-9-]{3,60}$/, 'is small letters, digits and hyphens, 3 to 60'),
  title: z.string().trim().min(3).max(80),
  level: z.literal(LEVEL_IDS),
  /** Which of the failures of the trade it teaches to avoid, 1 to 19. */
  teaches: z.number().int().min(1).max(19),
  /** What is to be remembered of it, told in the review. */
  lesson: z.string().trim().min(10).max(600),
  sheet: specSheetSchema,
  /** What is wrong, the worse first; empty where nothing is. */
  faults: z
    .array(
      z.object({
        fault: z.enum(FAULT_IDS).exclude(['none']),
        severity: z.number().min(0.05).max(1),
        variant: z.string().max(40).optional()
      })
    )
    .max(2),
  ambientC: z.number().min(-30).max(45),
  /** What the driver says, in the driver's words. */
  words: z.string().trim().min(5).max(400),
  /** Left out, they are what a driver would notice of this vehicle. */
  symptoms: z.array(symptomSchema).max(8).optional(),
  /** Left out, they are what its control unit would have stored. */
  codes: z
    .array(z.string().regex(/^[PCBU][0-9A-F]{4}$/, 'is a code like P0128'))
    .max(6)
    .optional(),
  /** What was changed before. */
  changedBefore: z.string().max(200).default(''),
  /** Something real and harmless that can be seen, told with the level and the looks. */
  herring: z.string().max(200).default(''),
  /** The same number, the same vehicle and the same errors of its instruments. */
  seed: z.number().int().min(1).max(1e9)
});

/** A case to practise on, as its file tells it: what is wrong stands in it. */
export type PracticeCase = z.infer<typeof schema>;

/** Reads a practice case (`*.case.json`); refused with every field that is wrong and what would be right. */
export const readPracticeCase = (input: unknown): Result<PracticeCase> => readFormat(FORMAT, schema, input);
