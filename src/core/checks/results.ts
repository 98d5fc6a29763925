import { midSentence } from '../base/text';
import { FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { checkOf, type CheckId } from './registry';
import type { NamedResult } from './check';
import type { Shares } from './strength';

/** One way a check can come out: what would be seen, and what it would speak for and against. */
export interface Foreseeable {
  /** After “if”: `the relay clicks and the fan stands still`. */
  readonly seen: string;
  readonly for: readonly FaultId[];
  readonly against: readonly FaultId[];
  readonly strength?: NamedResult['strength'];
}

/** What a check can find, and what it clears where it finds nothing. */
interface ResultsForeseen {
  readonly finds: readonly Foreseeable[];
  readonly clears: readonly FaultId[];
}

const known = new Map<CheckId, ResultsForeseen>();

/**
 * How a check can come out on any vehicle: by its results that say what would be seen; where none does, it finds each
 * of its suspects by itself.
 */
export function resultsOf(id: CheckId): ResultsForeseen {
  const had = known.get(id);
  if (had) return had;
  const results = checkOf(id).results;
  const all = Object.values(results);
  const seen = all.flatMap(({ seen, for: fors = [], against = [], strength }): Foreseeable[] =>
    seen ? [{ seen, for: fors, against, strength }] : []
  );
  const each = [...new Set(all.flatMap((r) => r.for ?? []))].map((f): Foreseeable => ({
    seen: `it points to ${midSentence(FAULTS[f].title)}`,
    for: [f],
    against: []
  }));
  const clears = results.sound
    ? (results.sound.against ?? [])
    : all.flatMap((r) => (r.for?.length ? [] : (r.against ?? [])));
  const made = { finds: seen.length > 0 ? seen : each, clears: [...new Set(clears)] };
  known.set(id, made);
  return made;
}

/** What a check's word of one suspect is worth: by the result that says it, where that has a strength of its own. */
export function sharesOf(id: CheckId, fault: FaultId, own?: NamedResult['strength']): Shares {
  const { strength } = checkOf(id);
  return own ?? strength.overrides[fault] ?? strength;
}
