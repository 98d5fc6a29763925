import { database } from '$lib/server/database';
import { vehicleOr404 } from '$lib/server/vehicle-view';
import { jobLines } from '$lib/server/views';

export const load = async ({ params }) => ({
  vehicle: await vehicleOr404(params.id),
  jobs: await jobLines(database(), params.id)
});
