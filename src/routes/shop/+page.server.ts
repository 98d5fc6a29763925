import { database } from '$lib/server/db/database';
import { causesNow, shopNow } from '$lib/server/record/shop';

/** What things cost here, how checks are done, and what the shop's closed jobs turned out to be. */
export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const [{ costs, checks, floor }, causes] = await Promise.all([shopNow(db), causesNow(db)]);
  return { costs, causes, shop: checks, floor };
};
