import { QueryTypes } from 'sequelize';
import type { CoolantService } from '../../../core/record/coolant-service';
import type { Database } from '../db/database';
import { jobOr404 } from './job';
import { vehicleLines } from './lists';

interface Served {
  readonly vehicleId: string;
  readonly at: string;
  readonly service: CoolantService;
}

/** Last services of the coolant by vehicle: what its mixture is, and from when its age counts. */
const SERVED = `
  SELECT j.vehicle_id AS "vehicleId", e.at, e.payload AS service
  FROM events e JOIN jobs j ON e.stream = 'job:' || j.id
  WHERE e.kind = 'coolant.serviced' AND j.active
    AND NOT EXISTS (SELECT 1 FROM events u WHERE u.kind = 'undo' AND u.stream = e.stream AND u.payload->>'of' = e.id::text
      AND NOT EXISTS (SELECT 1 FROM events r WHERE r.kind = 'undo' AND r.stream = e.stream AND r.payload->>'of' = u.id::text))
  ORDER BY e.at, e.seq`;

/** What the coolant page needs: the vehicles with their sheets and services, and the job it was opened from. */
export async function coolantView(db: Database, jobNumber: string | null) {
  const [vehicles, served] = await Promise.all([
    vehicleLines(db),
    db.sequelize.query<Omit<Served, 'at'> & { at: Date | string }>(SERVED, { type: QueryTypes.SELECT })
  ]);
  const job = jobNumber ? await jobOr404(db, jobNumber) : null;
  return {
    vehicles: vehicles.map(({ id, fleetNo, name, sheet }) => ({ id, fleetNo, name, sheet })),
    served: served.map((s) => ({ ...s, at: new Date(s.at).toISOString() })),
    job: job && { id: job.id, number: job.number, vehicleId: job.vehicle.id, closed: job.state === 'closed' },
    today: new Date().toISOString().slice(0, 10)
  };
}
