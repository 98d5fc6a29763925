import type { FaultId } from '$core/plant/faults';

/** A job as the day shows it; the server sends it so. */
export interface JobCard {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly runs: number;
  readonly finding: {
    readonly verdict: FaultId | 'not-enough';
    readonly title: string;
    readonly sentence: string;
    readonly probability: number;
    readonly maxC: number | null;
  } | null;
  readonly spark: {
    readonly t: number[];
    readonly ect: (number | null)[];
    readonly band: {
      readonly t: readonly number[];
      readonly low: readonly number[];
      readonly high: readonly number[];
    } | null;
  } | null;
}
