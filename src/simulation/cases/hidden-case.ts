import type { FaultId } from '../../core/vehicle/faults';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import type { Symptom } from '../../core/vehicle/symptoms';
import type { PlantParams } from '../../core/physics/plant/params';

/** One job of the benchmark: a vehicle that differs from its sheet, with a fault that nobody knows. */
export interface Case {
  readonly seed: number;
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  readonly severity: number;
  /** The vehicle with its fault in it. */
  readonly plant: PlantParams;
  /** The same without it. */
  readonly sound: PlantParams;
  readonly ambientC: number;
  readonly symptoms: readonly Symptom[];
  readonly codes: readonly string[];
}
