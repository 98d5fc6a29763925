import { writtenDate } from '$core/base/dates';
import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { shopZone } from '$lib/server/zone';
import { recordView } from '$lib/server/views/record';

export const load = async ({ depends, params, locals }) => {
  depends('record:any');
  const { entries, ...job } = await recordView(database(), params.number, (iso) =>
    writtenDate(iso, shopZone(), 'moment', locals.dates)
  );
  return { ...job, entries: packed(entries) };
};
