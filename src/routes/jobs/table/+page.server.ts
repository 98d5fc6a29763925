import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { jobCells } from '$lib/server/views/lists';

/** All jobs at once: they are sorted, filtered and grouped where they are looked at. */
export const load = async ({ depends }) => {
  depends('record:any');
  return { jobs: packed(await jobCells(database())) };
};
