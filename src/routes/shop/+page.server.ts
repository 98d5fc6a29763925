import { database } from '$lib/server/db/database';
import { shopCauses, shopChecks, shopCosts } from '$lib/server/record/shop';

/** What things cost here, and what the shop's closed jobs turned out to be. */
export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const [costs, causes, shop] = await Promise.all([shopCosts(db), shopCauses(db), shopChecks(db)]);
  return { costs, causes, shop };
};
