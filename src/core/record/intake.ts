import { z } from 'zod';
import { SITUATION_IDS, SYMPTOM_IDS, type Symptom } from '../vehicle/symptoms';

export const symptomSchema: z.ZodType<Symptom> = z.object({
  what: z.enum(SYMPTOM_IDS),
  when: z.array(z.enum(SITUATION_IDS)).max(SITUATION_IDS.length)
});

/** What is taken down at the counter. Free words stand beside what was tapped. */
export const intakeSchema = z
  .object({
    complaint: z.string().trim().max(2000),
    symptoms: z.array(symptomSchema).max(20).default([]),
    /** What was changed or tried before the vehicle came in. */
    changedBefore: z.string().trim().max(2000).default(''),
    /** Date of the last coolant change, YYYY-MM-DD, or null. */
    coolantChanged: z.iso.date('A date looks like 2026-11-24').nullable().default(null)
  })
  .refine((i) => i.complaint !== '' || i.symptoms.length > 0, {
    message: 'Tap what the driver noticed, or type it',
    path: ['complaint']
  });
export type Intake = z.infer<typeof intakeSchema>;
