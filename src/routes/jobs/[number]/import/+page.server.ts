import { database } from '$lib/server/db/database';
import { jobOr404 } from '$lib/server/views/job';

export const load = async ({ params }) => {
  const { id, number, complaint, vehicleId } = await jobOr404(database(), params.number);
  const vehicle = await database().vehicles.findByPk(vehicleId, { rejectOnEmpty: true });
  return {
    job: { id, number, complaint },
    vehicle: { id: vehicle.id, fleetNo: vehicle.fleetNo, name: vehicle.name },
    hasSheet: vehicle.specSheetId !== null
  };
};
