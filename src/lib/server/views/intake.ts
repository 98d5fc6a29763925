import { QueryTypes } from 'sequelize';
import { verdictTitle } from '../../../core/runs/words';
import type { Analysis } from '../../../core/runs/analyse';
import { z } from 'zod';
import { sheetOf } from '../cases/load-case';
import type { Database } from '../db/database';
import { shopNow } from '../record/shop';

interface EarlierRow {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: Date;
  readonly verdict: Analysis['verdict'] | null;
}

/** Of one vehicle: those that are open, and the last that were not. */
const EARLIER_SHOWN = 6;
/** So many vehicles are offered before anything is typed; the rest is found by its words. */
const OFFERED = 80;

/** What intake asks for: the vehicles to choose from, and of the chosen one its sheet and what was done on it before. */
export async function intakeView(db: Database, chosen: string | null) {
  const [vehicles, shop, of] = await Promise.all([
    vehiclesToChoose(db, chosen),
    shopNow(db),
    chosen ? chosenVehicle(db, chosen) : null
  ]);
  return { vehicles, shop: shop.checks, of };
}

const vehiclesToChoose = (db: Database, chosen: string | null) =>
  db.sequelize.query<{ id: string; fleetNo: string; name: string; note: string; openJobs: number }>(
    `SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note,
       (SELECT count(*)::int FROM jobs j WHERE j.vehicle_id = v.id AND j.active AND j.state = 'open') AS "openJobs"
     FROM (SELECT * FROM vehicles WHERE active ORDER BY id IS DISTINCT FROM $1::uuid, fleet_no LIMIT $2) v ORDER BY v.fleet_no`,
    { bind: [chosen, OFFERED], type: QueryTypes.SELECT }
  );

/** A vehicle that a job is opened on: its sheet, and what was done on it before. Null where there is none. */
export async function chosenVehicle(db: Database, id: string) {
  if (!z.uuid().safeParse(id).success) return null;
  const [sheet, rows] = await Promise.all([
    sheetOf(db, id),
    db.sequelize.query<EarlierRow>(
      `SELECT j.number, j.complaint, j.state, j.outcome, j.opened_at AS "openedAt",
         (SELECT r.summary->>'verdict' FROM runs r WHERE r.job_id = j.id AND r.active ORDER BY r.imported_at DESC LIMIT 1) AS verdict
       FROM jobs j WHERE j.active AND j.vehicle_id = $1 ORDER BY j.state = 'closed', j.last_at DESC LIMIT $2`,
      { bind: [id, EARLIER_SHOWN], type: QueryTypes.SELECT }
    )
  ]);
  return {
    id,
    sheet,
    jobs: rows.map(({ verdict, openedAt, ...job }) => ({
      ...job,
      openedAt: openedAt.toISOString(),
      finding: verdict && verdictTitle({ verdict })
    }))
  };
}
