import { QueryTypes } from 'sequelize';
import type { Learned } from '../../../core/physics/plant/priors';
import type { Database } from '../db/database';

/**
 * What a vehicle's healthy runs told of it, all but one: a run must not narrow its own band. Only runs judged
 * against the vehicle's present sheet count, for what they told is told against a sheet.
 */
export async function knownGoodRuns(
  db: Database,
  vehicleId: string,
  except: string | null = null
): Promise<Learned[]> {
  const rows = await db.sequelize.query<{ learned: Learned }>(
    `SELECT r.analysis->'learned' AS learned FROM runs r
     JOIN jobs j ON j.id = r.job_id JOIN vehicles v ON v.id = j.vehicle_id
     WHERE v.id = $1 AND j.active AND r.active AND r.spec_sheet_id = v.spec_sheet_id
       AND r.id IS DISTINCT FROM $2::uuid AND jsonb_typeof(r.analysis->'learned') = 'object'
     ORDER BY r.imported_at, r.id`,
    { bind: [vehicleId, except], type: QueryTypes.SELECT }
  );
  return rows.map((r) => r.learned);
}
