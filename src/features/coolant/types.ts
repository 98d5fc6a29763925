import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { CoolantService } from '$core/record/coolant-service';

export interface CoolantVehicle {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly sheet: SpecSheet | null;
}
export interface Served {
  readonly vehicleId: string;
  readonly at: string;
  readonly service: CoolantService;
}
export interface CoolantJob {
  readonly id: string;
  readonly number: number;
  readonly vehicleId: string;
  readonly closed: boolean;
}
