import { redirect } from '@sveltejs/kit';
import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { simulatedFor } from '$lib/server/live/adapters';
import { jobView } from '$lib/server/views/job';

export const load = async ({ params, url, depends, locals }) => {
  // This page is a bench to work at; who only reads has the report.
  if (locals.session?.role === 'reader') redirect(303, `/jobs/${params.number}/report`);
  const view = await jobView(database(), params.number, url.searchParams.get('run'));
  depends(`record:job:${view.job.id}`);
  return { view: packed(view), bench: simulatedFor(view.vehicle) };
};
