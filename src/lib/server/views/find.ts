import { QueryTypes } from 'sequelize';
import type { Database } from '../db/database';
import { containing, wordsOf } from './words';

const MOST = 8;

interface FoundJob {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly fleetNo: string;
  readonly vehicleName: string;
}
interface FoundVehicle {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
}

/** Jobs and vehicles that contain every word typed: in number, vehicle, complaint, readings, codes, notes. */
export async function find(db: Database, text: string) {
  const words = wordsOf(text);
  if (words.length === 0) return { jobs: [] as FoundJob[], vehicles: [] as FoundVehicle[] };
  const bind = [words.map(containing), MOST];
  const [jobs, vehicles] = await Promise.all([
    db.sequelize.query<FoundJob>(
      `SELECT j.number, j.complaint, j.state, v.fleet_no AS "fleetNo", v.name AS "vehicleName"
       FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
       WHERE j.active AND v.active
         AND (j.search || ' ' || v.search) LIKE ALL ($1::text[])
       ORDER BY j.state = 'closed', j.last_at DESC LIMIT $2`,
      { bind, type: QueryTypes.SELECT }
    ),
    db.sequelize.query<FoundVehicle>(
      `SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note FROM vehicles v
       LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id
       WHERE v.active AND (v.search || ' ' || lower(coalesce(s.sheet->>'name', ''))) LIKE ALL ($1::text[])
       ORDER BY v.fleet_no LIMIT $2`,
      { bind, type: QueryTypes.SELECT }
    )
  ]);
  return { jobs, vehicles };
}
