import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { fleetCells } from '$lib/server/runs/memory';

export const load = async ({ depends }) => {
  depends('record:any');
  return { fleet: packed(await fleetCells(database())) };
};
