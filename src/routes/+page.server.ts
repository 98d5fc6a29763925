import { database } from '$lib/server/database';
import { jobLines } from '$lib/server/views';

export const load = async ({ depends }) => {
  depends('record:any');
  return { jobs: await jobLines(database()), now: new Date().toISOString() };
};
