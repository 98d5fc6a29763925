import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { finishView } from '$lib/server/views/job';

export const load = async ({ params, depends }) => {
  const view = await finishView(database(), params.number);
  depends(`record:job:${view.job.id}`);
  return { view: packed(view) };
};
