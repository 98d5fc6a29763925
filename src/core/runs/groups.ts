import { fanDiffers } from './blind';
import type { Fitted } from './fit';
import { binned, distance2, type TraceScale } from './likelihood';
import type { ObservedRun } from './observed-parts';

/** Squared distance, in units of what the run can resolve, up to which two explanations draw nearly one curve. */
const NEARLY_ONE = 3;
const HOSE_WEIGHT = 0.6;

/**
 * Whether two explanations draw nearly one curve under this run's own conditions, hoses and fan columns included: they
 * are told as one group then, and only another channel or another check splits them. The same run again does not.
 */
export function drawNearlyOne(bench: ObservedRun, a: Fitted, b: Fitted): boolean {
  const apart = (scale: TraceScale, key: 'ect' | 'upperHose' | 'lowerHose') =>
    distance2(scale, binned(scale, a.trace[key]), binned(scale, b.trace[key]));
  const hoses = bench.hoses.reduce((sum, { key, scale }) => sum + HOSE_WEIGHT * apart(scale, key), 0);
  return apart(bench.ect, 'ect') + hoses < NEARLY_ONE && !fanDiffers(bench, a, b);
}
