import type { CheckResult } from '../core/checks/check';
import type { CheckId } from '../core/checks/registry';
import type { SpecSheet } from '../core/vehicle/spec-sheet';
import type { Analysis } from '../core/runs/analyse';
import type { ThermalState } from '../core/physics/heat/state';

/** One line of the depot's day. */
export interface JobLine {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly vehicleId: string;
  readonly runs: number;
  readonly finding: Finding | null;
  readonly spark: Spark | null;
  /** The last result of each check. */
  readonly results: readonly { readonly check: CheckId; readonly result: CheckResult }[];
  readonly heat: ThermalState;
}

/** A closed job that is to be looked at again. */
export interface DueLine {
  readonly number: number;
  readonly complaint: string;
  readonly outcome: string;
  /** YYYY-MM-DD */
  readonly due: string;
  readonly fleetNo: string;
  readonly vehicleName: string;
}

/** The last run in miniature: its coolant curve over the band it should have followed. */
export interface Spark {
  readonly t: number[];
  readonly ect: (number | null)[];
  readonly band: {
    readonly t: readonly number[];
    readonly low: readonly number[];
    readonly high: readonly number[];
  } | null;
}

export interface Finding {
  readonly verdict: Analysis['verdict'];
  readonly title: string;
  readonly sentence: string;
  readonly probability: number;
  readonly maxC: number | null;
  readonly plateauC: number | null;
  readonly at: string;
}

/** One line of the vehicle list. */
export interface VehicleLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly sheet: SpecSheet | null;
  readonly jobs: number;
  readonly openJobs: number;
}

/** What a search finds. */
export interface FoundJob {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly fleetNo: string;
  readonly vehicleName: string;
}
export interface FoundVehicle {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
}
