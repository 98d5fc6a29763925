import { database } from '$lib/server/database';
import { jobView } from '$lib/server/job-view';

export const load = async ({ params, url, depends }) => {
  const view = await jobView(database(), params.number, url.searchParams.get('run'));
  depends(`record:job:${view.job.id}`);
  return view;
};
