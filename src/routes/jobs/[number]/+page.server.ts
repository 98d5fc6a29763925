import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { simulatedFor } from '$lib/server/live/adapters';
import { jobView } from '$lib/server/views/job';

export const load = async ({ params, url, depends }) => {
  const view = await jobView(database(), params.number, url.searchParams.get('run'));
  depends(`record:job:${view.job.id}`);
  return { view: packed(view), bench: simulatedFor(view.vehicle) };
};
