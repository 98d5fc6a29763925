/** What pages are given, as the server's views return it: declared there, and nowhere again. */
export type JobView = Awaited<ReturnType<typeof import('./server/views/job').jobView>>;
export type FinishView = Awaited<ReturnType<typeof import('./server/views/job').finishView>>;
export type RunView = NonNullable<JobView['run']>;
export type Spark = ReturnType<typeof import('./server/views/spark').sparkOf>;
export type JobLine = Awaited<ReturnType<typeof import('./server/views/lists').jobLines>>[number];
export type DueLine = Awaited<ReturnType<typeof import('./server/views/lists').dueLines>>[number];
export type VehicleLine = Awaited<ReturnType<typeof import('./server/views/lists').vehicleLines>>[number];
type Found = Awaited<ReturnType<typeof import('./server/views/find').find>>;
export type FoundJob = Found['jobs'][number];
export type FoundVehicle = Found['vehicles'][number];
