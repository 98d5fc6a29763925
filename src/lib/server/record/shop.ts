import { QueryTypes } from 'sequelize';
import type { Causes } from '../../../core/diagnosis/history';
import { streamOf, type RecordEvent } from '../../../core/record/events';
import { deriveChecks, deriveCosts, deriveFloor, isCurrencyKnown, SHOP_ID } from '../../../core/record/shop';
import type { Floor } from '../../../core/record/floor';
import type { ShopChecks } from '../../../core/record/shop-checks';
import type { ShopCosts } from '../../../core/record/shop-costs';
import type { Database } from '../db/database';
import { eventsOf } from './events';

interface Shop {
  readonly costs: ShopCosts;
  readonly checks: ShopChecks;
  readonly currencyKnown: boolean;
  readonly floor: Floor;
}

/** What things cost here and how checks are done by the shop's entries, as they stood at a moment (ISO 8601), or now. */
export function shopOf(all: readonly RecordEvent[], at?: string): Shop {
  // An entry that was undone later still counts as undone: it was never right.
  const events = all.filter((e) => at === undefined || e.kind === 'undo' || e.at <= at);
  return {
    costs: deriveCosts(events),
    checks: deriveChecks(events),
    currencyKnown: isCurrencyKnown(events),
    floor: deriveFloor(events)
  };
}

/** The same as they stand now. */
export const shopNow = async (db: Database): Promise<Shop> =>
  shopOf(await eventsOf(db, streamOf('shop', SHOP_ID)));

/** What the shop's closed jobs turned out to be, how often each. */
export async function causesNow(db: Database): Promise<Causes> {
  const rows = await db.sequelize.query<{ cause: string; n: number }>(
    `SELECT cause, count(*)::int AS n FROM jobs WHERE active AND state = 'closed' AND cause IS NOT NULL
     GROUP BY cause ORDER BY cause`,
    { type: QueryTypes.SELECT }
  );
  return Object.fromEntries(rows.map((r) => [r.cause, r.n]));
}
