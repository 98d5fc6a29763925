import { midSentence } from '../base/text';
import { OUTCOMES, type JobOutcome } from '../record/closing';
import type { Proof } from './proof';

/** A way to close a job, with the reason why it may not be chosen; null where it may. */
export interface Closing {
  readonly outcome: JobOutcome;
  readonly refused: string | null;
}

/**
 * How a job may close: the words are earned by the record. Repaired and proven closes as that and no less; repaired
 * and not proven is named so; without a repair nothing was fixed. Each that may not be chosen with the reason.
 */
export function closings(repairs: readonly string[], proof: Proof | null): Closing[] {
  const referred = repairs.includes('refer-on');
  const repaired = repairs.some((r) => !['refer-on', 'none', 'sheet-correct'].includes(r));
  const missing = proof?.items.filter((i) => i.needed && !i.met).map((i) => midSentence(i.title)) ?? [];
  const reason: Readonly<Record<JobOutcome, string | null>> = {
    'fixed and proven': !repaired
      ? 'no repair is on record'
      : proof?.proven
        ? null
        : `not proven yet: ${missing.join(', ')}`,
    'fixed, unproven': !repaired ? 'no repair is on record' : proof?.proven ? 'it is proven' : null,
    'no fault found': repaired || referred ? 'a repair is on record' : null,
    'referred on': repaired ? 'a repair is on record' : null,
    declined: repaired ? 'a repair is on record' : null
  };
  return OUTCOMES.map((outcome) => ({ outcome, refused: reason[outcome] }));
}
