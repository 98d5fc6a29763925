import { QueryTypes } from 'sequelize';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import { coolingOf } from '../../../core/diagnosis/judged';
import type { CaseLine } from '../../../core/diagnosis/case-line';
import type { RunSummary } from '../../../core/runs/run-summary';
import type { Spark } from '../../../core/runs/spark';
import { holding, type KnownFact } from '../../../core/physics/heat/facts';
import { thermalAt, type ThermalState } from '../../../core/physics/heat/state';
import type { Database } from '../db/database';
import { projectLines } from '../cases/lines';
import { sheetsOf } from '../cases/load-case';
import { heatByVehicle } from '../record/vehicle-heat';
import { pageOf } from '../paging';
import { containing, wordsOf } from './words';

interface Line extends Omit<CaseLine, 'ending'> {
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly lastAt: Date;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly vehicleId: string;
  readonly lastRun: Pick<RunSummary, 'title' | 'sentence'> | null;
  readonly spark: Spark | null;
  readonly due: boolean;
  /** How many there are in all of what was asked for. */
  readonly found: number;
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
const FOUND = `FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
  WHERE j.active AND v.active AND ($1::uuid IS NULL OR v.id = $1) AND ($2::text IS NULL OR j.state = $2)
    AND ($3::text[] = '{}' OR j.search || ' ' || v.search LIKE ALL ($3))`;
const bindOf = ({ vehicleId = null, state, words = [] }: Lines) => [
  vehicleId,
  state ?? null,
  words.map(containing)
];

const LINES = `
  WITH shown AS (SELECT j.id, (count(*) OVER ())::int AS found ${FOUND} ORDER BY j.state = 'closed', j.last_at DESC LIMIT $4 OFFSET $5)
  SELECT j.id, j.number, j.complaint, j.state, j.outcome, j.last_at AS "lastAt", v.fleet_no AS "fleetNo",
         v.name AS "vehicleName", v.id AS "vehicleId", j.leader, j.results, j.proof, j.line_due > j.line_done AS due, last.spark, shown.found,
         jsonb_build_object('title', last.summary->'title', 'sentence', last.summary->'sentence') AS "lastRun"
  FROM shown JOIN jobs j ON j.id = shown.id JOIN vehicles v ON v.id = j.vehicle_id
  LEFT JOIN LATERAL (SELECT summary, spark FROM runs r WHERE r.job_id = j.id AND r.active ORDER BY imported_at DESC LIMIT 1) last ON true
  ORDER BY j.state = 'closed', j.last_at DESC`;

/** So many lines that are due are projected before a list is shown; where more are, it shows what they last said. */
const AT_ONCE = 8;

/** Jobs with their state, what leads and their last run, open ones first, the latest on top; and how many there are in all. */
export async function jobsFound(db: Database, which: Lines) {
  const bind = [...bindOf(which), Math.min(which.limit ?? MOST, MOST), which.offset ?? 0];
  const read = () => db.sequelize.query<Line>(LINES, { bind, type: QueryTypes.SELECT });
  let lines = await read();
  const due = lines.filter((l) => l.due).map((l) => l.id);
  if (due.length > 0) {
    await projectLines(db, due, AT_ONCE);
    lines = await read();
  }
  return {
    // Past the last of them nothing tells how many there are.
    count: lines[0]?.found ?? (which.offset ? await countJobs(db, which) : 0),
    lines: lines.map(({ lastRun, due: _, found: __, ...line }) => ({
      ...line,
      lastAt: line.lastAt.toISOString(),
      lastRun: lastRun?.title ? lastRun : null
    }))
  };
}

/** The same without their number. */
export const jobLines = async (db: Database, which: Lines = {}) => (await jobsFound(db, which)).lines;

/** Open jobs, with where the engines of their vehicles stand now. */
export async function openLines(db: Database) {
  const lines = await jobLines(db, { state: 'open' });
  const vehicleIds = [...new Set(lines.map((l) => l.vehicleId))];
  const [heat, sheets] = await Promise.all([heatByVehicle(db, vehicleIds), sheetsOf(db, vehicleIds)]);
  const now = new Date().toISOString();
  return lines.map((line) => ({
    ...line,
    heat: heatNow(heat.get(line.vehicleId) ?? [], now, sheets.get(line.vehicleId) ?? null)
  }));
}

/** A job as a table shows it: what can be said in a cell. */
export interface JobCells {
  readonly number: number;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly leader: CaseLine['leader'];
  readonly checks: number;
  readonly runs: number;
  /** ISO 8601. */
  readonly openedAt: string;
  readonly lastAt: string;
}

/** As many jobs as one table holds. */
const IN_A_TABLE = 20_000;

/** Every job there ever was, the latest first, with what a table sorts and groups by. */
export async function jobCells(db: Database): Promise<JobCells[]> {
  await projectLines(db, null, AT_ONCE);
  return db.sequelize.query<JobCells>(
    `SELECT j.number, v.fleet_no AS "fleetNo", v.name AS "vehicleName", j.complaint, j.state, j.outcome, j.leader,
       jsonb_array_length(coalesce(j.results, '[]'))::int AS checks, coalesce(r.runs, 0)::int AS runs,
       j.opened_at AS "openedAt", j.last_at AS "lastAt"
     FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
     LEFT JOIN (SELECT job_id, count(*) AS runs FROM runs WHERE active GROUP BY job_id) r ON r.job_id = j.id
     WHERE j.active AND v.active ORDER BY j.last_at DESC LIMIT ${IN_A_TABLE}`,
    { type: QueryTypes.SELECT }
  );
}

async function countJobs(db: Database, which: Lines): Promise<number> {
  const [{ n }] = await db.sequelize.query<{ n: number }>(`SELECT count(*)::int AS n ${FOUND}`, {
    bind: bindOf(which),
    type: QueryTypes.SELECT
  });
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
     WHERE j.active AND v.active AND j.state = 'closed' AND j.look_again <= $1::date ORDER BY j.look_again, j.number`,
    { bind: [by], type: QueryTypes.SELECT }
  );

function heatNow(known: readonly KnownFact[], now: string, sheet: SpecSheet | null): ThermalState {
  const facts = holding(known);
  return thermalAt(facts, now, sheet, coolingOf(facts, sheet));
}

interface VehicleRow {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly sheet: SpecSheet | null;
  readonly jobs: number;
  readonly openJobs: number;
}

/** Jobs are counted for the vehicles that are shown only. */
const VEHICLES = (which: string) => `
  SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note, s.sheet, j.jobs, j."openJobs"
  FROM (SELECT * FROM vehicles WHERE active AND ${which}) v
  LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id
  CROSS JOIN LATERAL (SELECT count(*)::int AS jobs, (count(*) FILTER (WHERE state = 'open'))::int AS "openJobs"
    FROM jobs WHERE vehicle_id = v.id AND active) j
  ORDER BY v.fleet_no`;

/** All vehicles, or one, with how many jobs they have had. */
export const vehicleLines = (db: Database, id: string | null = null) =>
  db.sequelize.query<VehicleRow>(VEHICLES('($1::uuid IS NULL OR id = $1)'), {
    bind: [id],
    type: QueryTypes.SELECT
  });

/** A vehicle as a table shows it. */
export interface VehicleCells {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly fuel: string | null;
  /** How its fan is driven, in the words of its sheet. */
  readonly fan: string | null;
  readonly hasSheet: boolean;
  readonly jobs: number;
  readonly openJobs: number;
  /** ISO 8601; null where it never had a job. */
  readonly lastAt: string | null;
}

/** Every vehicle with what a table sorts and groups by. */
export const vehicleCells = (db: Database) =>
  db.sequelize.query<VehicleCells>(
    `SELECT v.id, v.fleet_no AS "fleetNo", v.name, v.note, s.sheet->'engine'->>'fuel' AS fuel, nullif(v.fan, '') AS fan,
       s.id IS NOT NULL AS "hasSheet", coalesce(j.jobs, 0)::int AS jobs, coalesce(j.open, 0)::int AS "openJobs", j.last AS "lastAt"
     FROM vehicles v LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id
     LEFT JOIN (SELECT vehicle_id, count(*) AS jobs, count(*) FILTER (WHERE state = 'open') AS open, max(last_at) AS last
       FROM jobs WHERE active GROUP BY vehicle_id) j ON j.vehicle_id = v.id
     WHERE v.active ORDER BY v.fleet_no LIMIT ${IN_A_TABLE}`,
    { type: QueryTypes.SELECT }
  );

const VEHICLES_SHOWN = 40;
const HAS_WORDS = `($1::text[] = '{}' OR search || ' ' || lower(fan) LIKE ALL ($1))`;

/** Vehicles with all the words in their number, name, note or fan, page by page in the order of their numbers. */
export async function vehiclesPage(db: Database, asked: string, wantedPage = 1) {
  const words = wordsOf(asked).map(containing);
  const [{ all, count }] = await db.sequelize.query<{ all: number; count: number }>(
    `SELECT count(*)::int AS "all", (count(*) FILTER (WHERE ${HAS_WORDS}))::int AS count FROM vehicles WHERE active`,
    { bind: [words], type: QueryTypes.SELECT }
  );
  const { page, pages } = pageOf(count, VEHICLES_SHOWN, wantedPage);
  const vehicles = await db.sequelize.query<VehicleRow>(
    VEHICLES(`${HAS_WORDS} ORDER BY fleet_no LIMIT $2 OFFSET $3`),
    { bind: [words, VEHICLES_SHOWN, (page - 1) * VEHICLES_SHOWN], type: QueryTypes.SELECT }
  );
  return { asked, all, page, pages, vehicles };
}
