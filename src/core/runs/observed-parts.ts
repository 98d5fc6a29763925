import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Drive } from '../physics/plant/drive';
import type { PlantParams } from '../physics/plant/params';
import type { Features } from './features';
import type { TraceScale } from './likelihood';

/** Everything the run is judged by, on one coarse grid shared by all simulations. */
export interface ObservedRun {
  readonly plant: PlantParams;
  readonly drive: Drive;
  readonly features: Features;
  readonly spec: SpecSheet;
  readonly ect: TraceScale;
  readonly observed: Float64Array;
  /** What the run came up to: a fifth of it was hotter, °C. */
  readonly reachedC: number;
  readonly heatTime: Float64Array;
  readonly hoses: readonly { readonly key: 'upperHose' | 'lowerHose'; readonly scale: TraceScale }[];
  readonly fan: FanSeries | null;
  /** The A/C would run the fan, and the log has no A/C column. */
  readonly acUnknown: boolean;
  readonly excursions: number;
  readonly loneSpike: boolean;
  readonly ambientC: number;
}

export type FanSeries = {
  readonly of: 'fanPct' | 'fanCmdPct' | 'turning' | 'ratio';
  readonly observed: Float64Array;
  readonly sd: number;
}[];
