import { database } from '$lib/server/db/database';
import { jobOr404 } from '$lib/server/views/job';
import { knownGoodRuns } from '$lib/server/runs/known-good';
import { knownAdapters } from '$lib/server/live/adapters';
import { loadCase } from '$lib/server/cases/load-case';

export const load = async ({ params, depends }) => {
  const db = database();
  const job = await jobOr404(db, params.number);
  depends(`record:job:${job.id}`);
  const vehicle = await db.vehicles.findByPk(job.vehicleId, { rejectOnEmpty: true });
  const sheet = vehicle.specSheetId ? await db.specSheets.findByPk(vehicle.specSheetId) : null;
  return {
    job: { id: job.id, number: job.number },
    vehicle: { id: vehicle.id, fleetNo: vehicle.fleetNo, name: vehicle.name },
    sheet: sheet?.sheet ?? null,
    knownGood: await knownGoodRuns(db, vehicle.id),
    known: await loadCase(db, job, new Date().toISOString()),
    adapters: knownAdapters()
  };
};
