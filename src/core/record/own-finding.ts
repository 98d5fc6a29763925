import { FAULTS } from '../faults/registry';
import { midSentence } from '../base/text';
import { z } from 'zod';
import { FAULT_IDS } from '../vehicle/faults';

/** How much the technician’s own finding is to weigh: a hint, a finding like a good check, or the last word. */
export const OWN_WEIGHTS = {
  hint: { title: 'A hint', nats: 1 },
  finding: { title: 'A finding', nats: 2.3 },
  sure: { title: 'I am sure', nats: 6 }
} as const;

/** What a technician adds to the evidence: for or against one suspect, with the reason. Undone like any entry. */
export const ownFindingSchema = z.object({
  fault: z.enum(FAULT_IDS, 'Name the suspect it is about'),
  way: z.enum(['for', 'against'], 'Say whether it speaks for or against'),
  weight: z.enum(['hint', 'finding', 'sure'], 'Say how much it weighs'),
  says: z.string().trim().min(1, 'Write the reason: it is read beside the measurements').max(300)
});
export type OwnFinding = z.infer<typeof ownFindingSchema>;

export const ownWords = (own: OwnFinding): string =>
  own.weight === 'sure' && own.way === 'against'
    ? `${FAULTS[own.fault].title} excluded: ${own.says}`
    : `Own finding ${own.way} ${midSentence(FAULTS[own.fault].title)}: ${own.says}`;
