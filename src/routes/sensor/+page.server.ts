import { database } from '$lib/server/db/database';
import { vehicleLines } from '$lib/server/views/lists';

export const load = async () => ({
  vehicles: (await vehicleLines(database())).flatMap(({ fleetNo, name, sheet }) =>
    sheet?.ect?.curve ? [{ fleetNo, name, sheet }] : []
  )
});
