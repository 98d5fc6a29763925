import { packed } from '$lib/packed';
import { boardNow } from '$lib/server/board/board';
import { database } from '$lib/server/db/database';

export const load = async ({ depends }) => {
  depends('record:any');
  return { board: packed(await boardNow(database(), new Date())) };
};
