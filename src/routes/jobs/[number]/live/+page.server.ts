import { database } from '$lib/server/db/database';
import { jobOr404 } from '$lib/server/views/job';
import { knownGoodRuns } from '$lib/server/runs/known-good';
import { simulatedFor, knownAdapters } from '$lib/server/live/adapters';
import { loadCase } from '$lib/server/cases/load-case';

export const load = async ({ params, depends }) => {
  const db = database();
  const { id, number, vehicle } = await jobOr404(db, params.number);
  depends(`record:job:${id}`);
  const [known, knownGood] = await Promise.all([
    loadCase(db, id, new Date().toISOString()),
    knownGoodRuns(db, vehicle.id)
  ]);
  return {
    job: { id, number },
    vehicle,
    sheet: known.sheet,
    knownGood,
    known,
    adapters: knownAdapters().filter((a) => vehicle.demo || !a.simulated),
    bench: simulatedFor(vehicle)
  };
};
