import { database } from '$lib/server/db/database';
import { vehicleOr404 } from '$lib/server/views/vehicle';
import { memories } from '$lib/server/runs/memory';
import { jobLines } from '$lib/server/views/lists';

export const load = async ({ params }) => ({
  vehicle: await vehicleOr404(params.id),
  jobs: await jobLines(database(), { vehicleId: params.id, limit: 50 }),
  remembered: (await memories(database(), params.id)).get(params.id) ?? null
});
