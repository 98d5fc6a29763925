export type { VehicleLine as Vehicle } from '$lib/views';
