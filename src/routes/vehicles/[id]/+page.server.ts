import { learnableFrom } from '$core/handover/memory/learned';
import { database } from '$lib/server/db/database';
import { vehicleOr404, vehiclePhotos } from '$lib/server/views/vehicle';
import { memories } from '$lib/server/runs/memory';
import { jobLines } from '$lib/server/views/lists';

export const load = async ({ params, depends }) => {
  depends(`record:vehicle:${params.id}`);
  const db = database();
  const vehicle = await vehicleOr404(params.id);
  const [jobs, photos, remembered] = await Promise.all([
    jobLines(db, { vehicleId: params.id, limit: 50 }),
    vehiclePhotos(db, params.id),
    memories(db, params.id).then((all) => all.get(params.id) ?? null)
  ]);
  return {
    vehicle,
    jobs,
    photos,
    memory: remembered?.memory ?? null,
    learnable: learnableFrom(remembered?.good ?? [], vehicle.sheet)
  };
};
