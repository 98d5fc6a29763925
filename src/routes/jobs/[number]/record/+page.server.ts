import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { recordView } from '$lib/server/views/record';

export const load = async ({ depends, params }) => {
  depends('record:any');
  const { entries, ...job } = await recordView(database(), params.number);
  return { ...job, entries: packed(entries) };
};
