import { QueryTypes } from 'sequelize';
import type { ShopCurve } from '../../../core/record/curves';
import type { Database } from '../db/database';

/** The curves the shop keeps beside our families, by name. */
export async function shopCurves(db: Database): Promise<ShopCurve[]> {
  const rows = await db.sequelize.query<{ kept: ShopCurve }>('SELECT kept FROM curves ORDER BY title', {
    type: QueryTypes.SELECT
  });
  return rows.map((row) => row.kept);
}
