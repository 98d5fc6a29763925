import { midSentence } from '../base/text';
import { FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { checkOf, type CheckId } from './registry';
import { seen, type CheckOutcome, type Shares } from './strength';

/** What a check can find, and what it clears where it finds nothing. */
interface Results {
  readonly finds: readonly CheckOutcome[];
  readonly clears: readonly FaultId[];
}

const known = new Map<CheckId, Results>();

/** How a check can come out on any vehicle. */
export function resultsOf(id: CheckId): Results {
  const had = known.get(id);
  if (had) return had;
  const { speaksTo, results, clears } = checkOf(id);
  const made = {
    finds: results ?? speaksTo.map((f) => seen(`it speaks for ${midSentence(FAULTS[f].title)}`, [f])),
    clears: clears ?? speaksTo
  };
  known.set(id, made);
  return made;
}

/** What a check's word of one suspect is worth. */
export function sharesOf(id: CheckId, fault: FaultId): Shares {
  const { strength } = checkOf(id);
  return strength.overrides[fault] ?? strength;
}
