import { QueryTypes } from 'sequelize';
import { streamOf } from '../../../core/record/events';
import { deriveChecks, deriveCosts, SHOP_ID } from '../../../core/record/shop';
import type { ShopChecks } from '../../../core/record/shop-checks';
import type { ShopCosts } from '../../../core/record/shop-costs';
import type { Causes } from '../../../core/diagnosis/history';
import type { Database } from '../db/database';
import { eventsOf } from './record';

/** What things cost here. */
export const shopCosts = async (db: Database): Promise<ShopCosts> =>
  deriveCosts(await eventsOf(db, streamOf('shop', SHOP_ID)));

/** How checks are done here: the tools it is without, and its own minutes. */
export const shopChecks = async (db: Database): Promise<ShopChecks> =>
  deriveChecks(await eventsOf(db, streamOf('shop', SHOP_ID)));

/** What the shop's closed jobs turned out to be, how often each. A job does not count for itself. */
export async function shopCauses(db: Database, butJob?: string): Promise<Causes> {
  const rows = await db.sequelize.query<{ cause: string; n: number }>(
    `SELECT cause, count(*)::int AS n FROM jobs
     WHERE standing AND state = 'closed' AND cause IS NOT NULL AND id IS DISTINCT FROM $1 GROUP BY cause`,
    { bind: [butJob ?? null], type: QueryTypes.SELECT }
  );
  return Object.fromEntries(rows.map((r) => [r.cause, r.n]));
}
