import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { LibraryCurve } from '$core/physics/thermistor/library';
import type { CoolingOf, ThermalState } from '$core/physics/heat/state';

/** What a picture of readings gets, and may write into. `readings` is the draft: the check's own schema judges it. */
export interface PictureProps<R, Begun extends keyof R = never> {
  readings: Draft<R, Begun>;
  readonly sheet: SpecSheet | null;
  readonly heat: ThermalState;
  readonly cooling: CoolingOf;
  readonly curves: readonly LibraryCurve[];
  /** The run that is being recorded on this job, whose readings can be watched; null where none is. */
  readonly liveRunId: string | null;
  readonly now: string;
  readonly zone: string;
  /** What is wrong, by field. */
  readonly problems: Readonly<Record<string, string>>;
}

/** Readings before they are complete: lists are there from the start, as is what the check begins with. */
type Draft<R, Begun extends keyof R = never> = {
  [K in keyof R]: K extends Begun ? R[K] : NonNullable<R[K]> extends readonly unknown[] ? R[K] : R[K] | null;
};
