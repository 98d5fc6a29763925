import { database } from '$lib/server/db/database';
import { fleetView } from '$lib/server/runs/memory';

export const load = async ({ depends, url }) => {
  depends('record:any');
  const view = await fleetView(database(), Number(url.searchParams.get('page')));
  return { ...view, now: new Date().toISOString() };
};
