import { database } from '$lib/server/database';
import { vehicleOr404 } from '$lib/server/vehicle-view';
import { memories } from '$lib/server/memory';
import { jobLines } from '$lib/server/views';

export const load = async ({ params }) => ({
  vehicle: await vehicleOr404(params.id),
  jobs: await jobLines(database(), { vehicleId: params.id, limit: 50 }),
  remembered: (await memories(database(), params.id)).get(params.id) ?? null
});
