import { database } from '$lib/server/database';
import { reportView } from '$lib/server/report';
import { shopZone } from '$lib/server/zone';

export const load = async ({ params, depends }) => {
  depends('record:job');
  return { number: params.number, report: await reportView(database(), params.number, shopZone()) };
};
