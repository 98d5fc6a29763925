import { max, mean, min } from 'simple-statistics';
import { limitsOf } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import type { Fingerprint, TraitId } from './fingerprint';

/** A limit that a vehicle's own good runs could give to its sheet, °C. */
export interface Learnable {
  readonly limit: keyof NonNullable<SpecSheet['learned']> & ('startOpenC' | 'fanOnC');
  readonly celsius: number;
  readonly withinC: number;
  readonly runs: number;
}

const LIMITS = { startOpenC: 'opening', fanOnC: 'fanOn' } as const satisfies Record<string, TraitId>;
/** One run may be any run; and runs that do not agree teach nothing, °C. */
const FEWEST_RUNS = 2;
const AGREE_WITHIN_C = 4;

/**
 * What good runs of a vehicle, all since its last repair, tell of limits that its sheet does not give. Offered, and
 * used only once somebody takes it into the sheet: then it makes findings as a given one does.
 */
export function learnableFrom(good: readonly Fingerprint[], sheet: SpecSheet | null): Learnable[] {
  const limits = limitsOf(sheet);
  return (Object.keys(LIMITS) as (keyof typeof LIMITS)[]).flatMap((limit) => {
    if (limits[limit].origin !== 'typical') return [];
    if (limit === 'fanOnC' && (sheet?.fan?.drive === 'none' || sheet?.clutch)) return [];
    const told = good.flatMap(({ marks }) => marks[LIMITS[limit]]?.celsius ?? []);
    const spreadC = told.length > 0 ? max(told) - min(told) : Infinity;
    if (told.length < FEWEST_RUNS || spreadC > AGREE_WITHIN_C) return [];
    // Each run tells it to about a degree, however well they agree.
    const withinC = Math.max(1, spreadC / 2);
    return [{ limit, celsius: Math.round(10 * mean(told)) / 10, withinC, runs: told.length }];
  });
}
