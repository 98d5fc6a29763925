import { QueryTypes } from 'sequelize';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import { coolingOf } from '../../../core/diagnosis/judged';
import type { CaseLine } from '../../../core/diagnosis/case-line';
import type { RunSummary } from '../../../core/runs/run-summary';
import { holding, type KnownFact } from '../../../core/physics/heat/facts';
import { thermalAt, type ThermalState } from '../../../core/physics/heat/state';
import type { Database } from '../db/database';
import type { RunRow } from '../db/models';
import { sparkOf } from './spark';
import { projectLines } from '../cases/lines';
import { heatByVehicle } from '../record/vehicle-heat';

interface Line extends Omit<CaseLine, 'ending'> {
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly openedAt: Date;
  readonly lastAt: Date;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly vehicleId: string;
  readonly runs: number;
  readonly summary: RunSummary | null;
  readonly preview: RunRow['preview'] | null;
  readonly band: RunRow['band'];
  readonly sheet: SpecSheet | null;
  readonly due: boolean;
}

/** Which jobs: of one vehicle, in one state, so many from where. */
export interface Lines {
  readonly vehicleId?: string | null;
  readonly state?: 'open' | 'closed';
  /** Words that must all stand in the job, its vehicle or its record. */
  readonly words?: readonly string[];
  readonly limit?: number;
  readonly offset?: number;
}

const MOST = 500;
const WHERE = `j.standing AND v.standing AND ($1::uuid IS NULL OR v.id = $1) AND ($2::text IS NULL OR j.state = $2)
  AND NOT EXISTS (SELECT 1 FROM unnest($3::text[]) w WHERE position(lower(w) IN j.search) = 0 AND position(lower(w) IN v.search) = 0)`;
const bindOf = ({ vehicleId = null, state, words = [] }: Lines) => [vehicleId, state ?? null, [...words]];

const LINES = `
  SELECT j.id, j.number, j.complaint, j.state, j.outcome, j.opened_at AS "openedAt", j.last_at AS "lastAt", v.fleet_no AS "fleetNo",
         v.name AS "vehicleName", v.id AS "vehicleId", j.leader, j.results, j.proof, s.sheet, j.line_due > j.line_done AS due,
         (SELECT count(*)::int FROM runs r WHERE r.job_id = j.id AND r.standing) AS runs, last.summary, last.preview, last.band
  FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id
  LEFT JOIN LATERAL (SELECT summary, preview, band FROM runs r WHERE r.job_id = j.id AND r.standing ORDER BY imported_at DESC LIMIT 1) last ON true
  WHERE ${WHERE}
  ORDER BY j.state = 'closed', j.last_at DESC LIMIT $4 OFFSET $5`;

/** So many lines that are due are projected before a list is shown; where more are, it shows what they last said. */
const AT_ONCE = 8;

/** Jobs with their state, what leads and their last run: open ones first, the latest on top. */
export async function jobLines(db: Database, which: Lines = {}) {
  const bind = [...bindOf(which), Math.min(which.limit ?? MOST, MOST), which.offset ?? 0];
  const read = () => db.sequelize.query<Line>(LINES, { bind, type: QueryTypes.SELECT });
  let lines = await read();
  const due = lines.filter((l) => l.due).map((l) => l.id);
  if (due.length > 0) {
    await projectLines(db, due, AT_ONCE);
    lines = await read();
  }
  // Where an engine stands is asked of open jobs only.
  const open = lines.filter((l) => l.state === 'open').map((l) => l.vehicleId);
  const heat = await heatByVehicle(db, [...new Set(open)]);
  const now = new Date().toISOString();
  return lines.map(({ summary, preview, band, sheet, due: _, ...line }) => ({
    ...line,
    heat: heatNow(heat.get(line.vehicleId) ?? [], now, sheet),
    openedAt: line.openedAt.toISOString(),
    lastAt: line.lastAt.toISOString(),
    lastRun: summary && { verdict: summary.verdict, title: summary.title, sentence: summary.sentence },
    spark: preview && sparkOf({ preview, band })
  }));
}

/** How many jobs there are of a kind. */
export async function countJobs(db: Database, which: Lines): Promise<number> {
  const [{ n }] = await db.sequelize.query<{ n: number }>(
    `SELECT count(*)::int AS n FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id WHERE ${WHERE}`,
    { bind: bindOf(which), type: QueryTypes.SELECT }
  );
  return n;
}

/** Closed jobs that are to be looked at again by then (YYYY-MM-DD), the longest due first. */
export const dueLines = (db: Database, by: string) =>
  db.sequelize.query<{
    number: number;
    complaint: string;
    outcome: string;
    /** YYYY-MM-DD */
    due: string;
    fleetNo: string;
    vehicleName: string;
  }>(
    `SELECT j.number, j.complaint, j.outcome, j.look_again::text AS due, v.fleet_no AS "fleetNo", v.name AS "vehicleName"
     FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
     WHERE j.standing AND v.standing AND j.state = 'closed' AND j.look_again <= $1::date ORDER BY j.look_again, j.number`,
    { bind: [by], type: QueryTypes.SELECT }
  );

function heatNow(known: readonly KnownFact[], now: string, sheet: SpecSheet | null): ThermalState {
  const facts = holding(known);
  return thermalAt(facts, now, sheet, coolingOf(facts));
}

/** All vehicles, or one, with how many jobs they have had. */
export async function vehicleLines(db: Database, id: string | null = null) {
  return db.sequelize.query<{
    id: string;
    fleetNo: string;
    name: string;
    note: string;
    sheet: SpecSheet | null;
    jobs: number;
    openJobs: number;
  }>(
    `SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note, s.sheet, count(j.id)::int AS jobs, (count(j.id) FILTER (WHERE j.state = 'open'))::int AS "openJobs"
     FROM vehicles v LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id LEFT JOIN jobs j ON j.vehicle_id = v.id AND j.standing
     WHERE v.standing AND ($1::uuid IS NULL OR v.id = $1) GROUP BY v.id, s.id ORDER BY v.fleet_no`,
    { bind: [id], type: QueryTypes.SELECT }
  );
}
