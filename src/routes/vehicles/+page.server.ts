import { database } from '$lib/server/database';
import { vehicleLines } from '$lib/server/views';

export const load = async () => ({ vehicles: await vehicleLines(database()) });
