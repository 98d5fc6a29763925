import type { Transaction } from 'sequelize';
import { streamOf } from '../../../core/record/events';
import { deriveChecks, deriveCosts, SHOP_ID } from '../../../core/record/shop';
import type { ShopChecks } from '../../../core/record/shop-checks';
import type { ShopCosts } from '../../../core/record/shop-costs';
import type { Database } from '../db/database';
import { eventsOf } from './events';

/** What things cost here and how checks are done, as they stood at a moment (ISO 8601), or now. */
export async function shopAt(
  db: Database,
  at: string | null = null,
  transaction?: Transaction
): Promise<{ readonly costs: ShopCosts; readonly checks: ShopChecks }> {
  const all = await eventsOf(db, streamOf('shop', SHOP_ID), transaction);
  // An entry that was undone later still counts as undone: it was never right.
  const events = all.filter((e) => at === null || e.kind === 'undo' || e.at <= at);
  return { costs: deriveCosts(events), checks: deriveChecks(events) };
}
