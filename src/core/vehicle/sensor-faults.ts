import { limitsOf } from './limits';
import type { SpecSheet } from './spec-sheet';

/** What a sensor itself can be at fault with, apart from its wiring: what every check of the sensor speaks to. */
export const SENSOR_FAULTS = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-wrong-part'
] as const;

/** What makes a scan value too low, and too high: a reading that is off does not say which part of the way is. */
export const READS_COLD = ['ect-reads-cold', 'ect-wrong-part', 'ect-wiring'] as const;
export const READS_HOT = ['ect-reads-hot', 'ect-wrong-part', 'ect-wiring'] as const;
/** What agreement on a hot engine clears: a leak across the sensor shows when cold, and is not among it. */
export const CLEARED_HOT = [...READS_COLD, 'ect-open-circuit', 'ect-short-circuit'] as const;

/** Within this of its default a reading is the default, °C. */
const AT_DEFAULT_C = 8;

/** What a scan value that is off by `byC` reads as: at a default the circuit is open or shorted, and no curve is off. */
export function readsOff(
  scanC: number,
  byC: number,
  sheet: SpecSheet | null
): 'open' | 'short' | 'cold' | 'hot' {
  const { openReadsC, shortReadsC } = limitsOf(sheet);
  if (scanC <= openReadsC.value + AT_DEFAULT_C) return 'open';
  if (scanC >= shortReadsC.value - AT_DEFAULT_C) return 'short';
  return byC < 0 ? 'cold' : 'hot';
}
