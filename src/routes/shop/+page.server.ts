import { database } from '$lib/server/database';
import { shopCauses, shopCosts } from '$lib/server/shop';

/** What things cost here, and what the shop's closed jobs turned out to be. */
export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const [costs, causes] = await Promise.all([shopCosts(db), shopCauses(db)]);
  return { costs, causes };
};
