import { database } from '$lib/server/database';
import { jobView } from '$lib/server/job-view';

export const load = async ({ params }) => {
  const { job, vehicle, sheet } = await jobView(database(), params.number, null);
  return { job, vehicle, hasSheet: sheet !== null };
};
