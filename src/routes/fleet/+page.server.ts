import { database } from '$lib/server/db/database';
import { pageAsked } from '$lib/server/paging';
import { fleetView } from '$lib/server/runs/memory';

export const load = async ({ depends, url }) => {
  depends('record:any');
  const view = await fleetView(database(), pageAsked(url));
  return { ...view, now: new Date().toISOString() };
};
