/** A vehicle of the fleet with what is remembered of it. */
export type { FleetLine } from '$lib/views';
