import { QueryTypes } from 'sequelize';
import { verdictTitle } from '../../../core/runs/words';
import type { Analysis } from '../../../core/runs/analyse';
import type { Database } from '../db/database';
import { shopAt } from '../record/shop';
import { vehicleLines } from './lists';

interface EarlierRow {
  readonly number: number;
  readonly vehicleId: string;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: Date;
  readonly verdict: Analysis['verdict'] | null;
}

/** Of one vehicle: those that are open, and the last that were not. */
const EARLIER_SHOWN = 6;

/** What intake asks for: the vehicles, and what was done on each before. */
export async function intakeView(db: Database) {
  const [vehicles, shop, rows] = await Promise.all([
    vehicleLines(db),
    shopAt(db),
    db.sequelize.query<EarlierRow>(
      `SELECT j.number, j.vehicle_id AS "vehicleId", j.complaint, j.state, j.outcome, j.opened_at AS "openedAt",
         (SELECT r.summary->>'verdict' FROM runs r WHERE r.job_id = j.id AND r.standing ORDER BY r.imported_at DESC LIMIT 1) AS verdict
       FROM (SELECT *, row_number() OVER (PARTITION BY vehicle_id ORDER BY state = 'closed', last_at DESC) AS nth
             FROM jobs WHERE standing) j
       WHERE j.nth <= $1 ORDER BY j.state = 'closed', j.last_at DESC`,
      { bind: [EARLIER_SHOWN], type: QueryTypes.SELECT }
    )
  ]);
  return {
    vehicles,
    shop: shop.checks,
    jobs: rows.map(({ verdict, openedAt, ...job }) => ({
      ...job,
      openedAt: openedAt.toISOString(),
      finding: verdict && verdictTitle({ verdict })
    }))
  };
}
