import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { reportView } from '$lib/server/views/report';
import { shopZone } from '$lib/server/zone';

export const load = async ({ params, locals, depends }) => {
  depends('record:job');
  return {
    number: params.number,
    report: packed(await reportView(database(), params.number, shopZone(), locals.dates))
  };
};
