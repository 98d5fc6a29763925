import type { FaultId } from '../vehicle/faults';
import type { Fitted } from './fit';

/** A stretch of a run, s. */
interface Stretch {
  readonly fromS: number;
  readonly toS: number;
}

/**
 * What the verdict rests on, to be laid over the trace: the healthy engine that comes nearest to the run, and the
 * leading fault as it comes nearest, both drawn by the model under the run's own conditions.
 */
export interface WhyCurves {
  readonly t: readonly number[];
  readonly healthy: readonly number[];
  /** Null where no fault is likely enough to be shown. */
  readonly fault: { readonly id: FaultId; readonly ect: readonly number[] } | null;
  /** Where the two part by more than a thermometer and a model are off. */
  readonly parts: readonly Stretch[];
}

/** A fault less likely than this is not drawn: it explains nothing that needs explaining. */
export const WORTH_DRAWING = 0.05;
const POINTS = 240;
/** Two curves that are this near say the same, °C; and a stretch shorter than this is a fan that switched elsewhere, s. */
const PART_C = 5;
const SHORTEST_S = 60;

const tenth = (v: number) => Math.round(10 * v) / 10;

/** The two curves of a ranking, thinned to a few hundred points; `dt` is the step of the fitted traces, s. */
export function whyCurves(
  dt: number,
  healthy: Fitted,
  leading: { readonly fault: FaultId; readonly fitted: Fitted } | undefined
): WhyCurves {
  const n = healthy.trace.ect.length;
  const every = Math.max(1, Math.ceil(n / POINTS));
  const at = Array.from({ length: Math.ceil(n / every) }, (_, k) => k * every);
  const drawn = (fitted: Fitted) => at.map((i) => tenth(fitted.trace.ect[i]));
  return {
    t: at.map((i) => i * dt),
    healthy: drawn(healthy),
    fault: leading ? { id: leading.fault, ect: drawn(leading.fitted) } : null,
    parts: leading ? partsOf(dt, healthy.trace.ect, leading.fitted.trace.ect) : []
  };
}

function partsOf(dt: number, a: ArrayLike<number>, b: ArrayLike<number>): Stretch[] {
  const parts: Stretch[] = [];
  let from = -1;
  for (let i = 0; i <= a.length; i++) {
    const apart = i < a.length && Math.abs(a[i] - b[i]) > PART_C;
    if (apart && from < 0) from = i;
    if (apart || from < 0) continue;
    if ((i - from) * dt >= SHORTEST_S) parts.push({ fromS: from * dt, toS: (i - 1) * dt });
    from = -1;
  }
  return parts;
}
