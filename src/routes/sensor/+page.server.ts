import { database } from '$lib/server/database';
import { vehicleLines } from '$lib/server/views';

export const load = async () => ({
  vehicles: (await vehicleLines(database())).flatMap(({ fleetNo, name, sheet }) =>
    sheet?.ect?.curve ? [{ fleetNo, name, sheet }] : []
  )
});
