import { database } from '$lib/server/database';
import { fleetView } from '$lib/server/memory';

export const load = async ({ depends }) => {
  depends('record:any');
  return { fleet: await fleetView(database()), now: new Date().toISOString() };
};
