/** What pages are given, as the server's views return it: declared there, and nowhere again. */
export type JobView = Awaited<ReturnType<typeof import('./server/views/job').jobView>>;
export type FinishView = Awaited<ReturnType<typeof import('./server/views/job').finishView>>;
export type PlanOnPaper = Awaited<ReturnType<typeof import('./server/views/plan').planView>>;
export type RunView = NonNullable<JobView['run']>;
export type { JobCells, VehicleCells } from './server/views/lists';
export type { EntryCells } from './server/views/record';
export type { FleetCells } from './server/runs/memory';
export type JobLine = Awaited<ReturnType<typeof import('./server/views/lists').jobLines>>[number];
export type OpenLine = Awaited<ReturnType<typeof import('./server/views/lists').openLines>>[number];
export type DueLine = Awaited<ReturnType<typeof import('./server/views/lists').dueLines>>[number];
export type VehicleLine = Awaited<ReturnType<typeof import('./server/views/lists').vehicleLines>>[number];
export type VehiclePhoto = Awaited<ReturnType<typeof import('./server/views/vehicle').vehiclePhotos>>[number];
export type FleetLine = Awaited<ReturnType<typeof import('./server/runs/memory').fleetView>>['fleet'][number];
export type IntakeView = Awaited<ReturnType<typeof import('./server/views/intake').intakeView>>;
export type ChosenVehicle = NonNullable<IntakeView['of']>;
type Found = Awaited<ReturnType<typeof import('./server/views/find').find>>;
export type FoundJob = Found['jobs'][number];
export type FoundVehicle = Found['vehicles'][number];
