import { database } from '$lib/server/db/database';
import { jobView } from '$lib/server/views/job';

export const load = async ({ params, depends }) => {
  const { job, vehicle, sheet, events, otherHeat, runs, costs, causes, now } = await jobView(
    database(),
    params.number,
    null
  );
  depends(`record:job:${job.id}`);
  return { job, vehicle, sheet, events, otherHeat, runs, costs, causes, now };
};
