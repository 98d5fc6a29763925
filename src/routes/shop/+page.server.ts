import { database } from '$lib/server/db/database';
import { shopAt } from '$lib/server/record/shop';
import { causesBefore } from '$lib/server/cases/load-case';

/** What things cost here, how checks are done, and what the shop's closed jobs turned out to be. */
export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const [{ costs, checks }, causes] = await Promise.all([shopAt(db), causesBefore(db, null, null)]);
  return { costs, causes, shop: checks };
};
