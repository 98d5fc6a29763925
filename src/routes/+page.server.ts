import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { shopNow } from '$lib/server/record/shop';
import { dueLines, jobsFound, openLines } from '$lib/server/views/lists';

const CLOSED_SHOWN = 12;
const AHEAD_DAYS = 7;

export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const now = new Date();
  const by = new Date(now.getTime() + AHEAD_DAYS * 86_400_000).toISOString().slice(0, 10);
  const [open, closed, due, shop] = await Promise.all([
    openLines(db),
    jobsFound(db, { state: 'closed', limit: CLOSED_SHOWN }),
    dueLines(db, by),
    shopNow(db)
  ]);
  const costs = shop.currencyKnown ? null : shop.costs;
  return {
    day: packed({ costs, open, closed: closed.lines, closedCount: closed.count, due, now: now.toISOString() })
  };
};
