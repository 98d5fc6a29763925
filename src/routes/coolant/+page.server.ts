import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';
import { coolantView } from '$lib/server/views/coolant';

/** The calculator for itself, or of the job in the address: its vehicle, and what was filled in last. */
export const load = async ({ url, depends }) => {
  depends('record:any');
  const number = url.searchParams.get('job');
  const view = await coolantView(database(), number);
  if (number && !view.job) error(404, `There is no job ${number.slice(0, 20)}`);
  return view;
};
