import { FAULTS } from '../faults/registry';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import type { History } from './hypotheses';

/** How many closed jobs found which cause. */
export type Causes = Readonly<Partial<Record<FaultId, number>>>;

/** Fewer jobs than this say nothing about a shop. */
export const ENOUGH_JOBS = 20;
/** The catalogue counts as much as so many jobs of the shop’s own. */
const CATALOGUE_JOBS = 80;
/** However often or seldom it was: a shop’s past moves a suspect by no more than this factor. */
const AT_MOST = 4;

/**
 * What a shop's own closed jobs make of the catalogue's frequencies: its causes beside as many of the catalogue's as
 * `CATALOGUE_JOBS` jobs would hold, as factors on the priors. Undefined until there are `ENOUGH_JOBS`.
 */
export function historyOf(causes: Causes): History | undefined {
  const jobs = Object.values(causes).reduce((sum, n) => sum + n, 0);
  if (jobs < ENOUGH_JOBS) return undefined;
  const total = FAULT_IDS.reduce((sum, f) => sum + FAULTS[f].prior, 0);
  return Object.fromEntries(
    FAULT_IDS.map((f) => {
      const prior = FAULTS[f].prior / total;
      const share = (CATALOGUE_JOBS * prior + (causes[f] ?? 0)) / (CATALOGUE_JOBS + jobs);
      return [f, Math.min(AT_MOST, Math.max(1 / AT_MOST, share / prior))];
    })
  );
}
