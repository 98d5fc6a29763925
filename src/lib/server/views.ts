import { QueryTypes } from 'sequelize';
import type { SpecSheet } from '../../core/formats/spec-sheet';
import type { Analysis } from '../../core/run/analyse';
import { verdictSentence, verdictTitle } from '../../core/run/words';
import type { Database } from './database';

/** One line of the depot's day. */
export interface JobLine {
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly vehicleId: string;
  readonly runs: number;
  readonly finding: Finding | null;
}

export interface Finding {
  readonly verdict: Analysis['verdict'];
  readonly title: string;
  readonly sentence: string;
  readonly probability: number;
  readonly maxC: number | null;
  readonly plateauC: number | null;
  readonly at: string;
}

interface Line extends Omit<JobLine, 'finding' | 'openedAt' | 'lastAt'> {
  readonly openedAt: Date;
  readonly lastAt: Date;
  readonly analysis: Analysis | null;
  readonly importedAt: Date | null;
}

const LINES = `
  SELECT j.number, j.complaint, j.state, j.outcome, j.opened_at AS "openedAt", j.last_at AS "lastAt", v.fleet_no AS "fleetNo", v.name AS "vehicleName", v.id AS "vehicleId",
         (SELECT count(*)::int FROM runs r WHERE r.job_id = j.id AND r.standing) AS runs, last.analysis, last.imported_at AS "importedAt"
  FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
  LEFT JOIN LATERAL (SELECT analysis, imported_at FROM runs r WHERE r.job_id = j.id AND r.standing ORDER BY imported_at DESC LIMIT 1) last ON true
  WHERE j.standing AND v.standing AND ($1::uuid IS NULL OR v.id = $1)
  ORDER BY j.state = 'closed', j.last_at DESC LIMIT 500`;

/** Jobs with their state and last finding: open ones first, the latest on top. */
export async function jobLines(db: Database, vehicleId: string | null = null): Promise<JobLine[]> {
  const lines = await db.sequelize.query<Line>(LINES, { bind: [vehicleId], type: QueryTypes.SELECT });
  return lines.map(({ analysis, importedAt, ...line }) => ({ ...line, openedAt: line.openedAt.toISOString(), lastAt: line.lastAt.toISOString(), finding: analysis && importedAt ? findingOf(analysis, importedAt) : null }));
}

export const findingOf = (a: Analysis, at: Date): Finding => ({
  verdict: a.verdict,
  title: verdictTitle(a),
  sentence: verdictSentence(a),
  probability: a.suspects[0]?.probability ?? 0,
  maxC: a.features.maxC,
  plateauC: a.features.plateauC,
  at: at.toISOString()
});

export interface VehicleLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly sheet: SpecSheet | null;
  readonly jobs: number;
  readonly openJobs: number;
}

/** All vehicles, or one, with how many jobs they have had. */
export async function vehicleLines(db: Database, id: string | null = null): Promise<VehicleLine[]> {
  return db.sequelize.query<VehicleLine>(
    `SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note, s.sheet, count(j.id)::int AS jobs, (count(j.id) FILTER (WHERE j.state = 'open'))::int AS "openJobs"
     FROM vehicles v LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id LEFT JOIN jobs j ON j.vehicle_id = v.id AND j.standing
     WHERE v.standing AND ($1::uuid IS NULL OR v.id = $1) GROUP BY v.id, s.id ORDER BY v.fleet_no`,
    { bind: [id], type: QueryTypes.SELECT }
  );
}
