import type { Transaction } from 'sequelize';
import type { ShopCurve } from '../../../core/record/curves';
import type { Database } from '../db/database';

/** The curves the shop keeps beside our families, by name. */
export async function shopCurves(db: Database, transaction?: Transaction): Promise<ShopCurve[]> {
  const rows = await db.curves.findAll({ order: [['title', 'ASC']], transaction });
  return rows.map((row) => row.kept);
}
