import type { CheckId } from '$core/checks/registry';
import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { LibraryCurve } from '$core/physics/thermistor/library';
import type { CoolingOf, ThermalState } from '$core/physics/heat/state';
import type { RecordedCheck } from '$core/record/derive';

/** What every sheet gets. `readings` is the draft: fields may still be null; the check's own schema judges it. */
export interface SheetProps<Draft> {
  readonly id: CheckId;
  readings: Draft;
  readonly sheet: SpecSheet | null;
  readonly heat: ThermalState;
  readonly cooling: CoolingOf;
  readonly curves: readonly LibraryCurve[];
  readonly earlier: readonly RecordedCheck[];
  /** The run that is being recorded on this job, whose readings can be watched; null where none is. */
  readonly liveRunId: string | null;
  readonly now: string;
  readonly zone: string;
  /** What is wrong, by field. */
  readonly problems: Readonly<Record<string, string>>;
}

/** What a picture of readings gets: fields may still be null. */
export interface PictureProps<R> {
  readonly readings: Draft<R>;
  readonly sheet: SpecSheet | null;
}

/** Readings before they are complete. */
export type Draft<R> = { [K in keyof R]: R[K] | null };
