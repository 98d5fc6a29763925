import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { vehicleCells } from '$lib/server/views/lists';

export const load = async ({ depends }) => {
  depends('record:any');
  return { vehicles: packed(await vehicleCells(database())) };
};
