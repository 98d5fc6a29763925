import { database } from '$lib/server/db/database';
import { fleetView } from '$lib/server/runs/memory';

export const load = async ({ depends }) => {
  depends('record:any');
  return { fleet: await fleetView(database()), now: new Date().toISOString() };
};
