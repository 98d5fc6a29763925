import { QueryTypes, type Transaction } from 'sequelize';
import type { CaseInput } from '../../../core/diagnosis/case';
import type { Causes } from '../../../core/diagnosis/history';
import type { KnownFact } from '../../../core/physics/heat/facts';
import type { ShopCurve } from '../../../core/record/curves';
import { streamOf } from '../../../core/record/events';
import { SHOP_ID } from '../../../core/record/shop';
import type { RunSummary } from '../../../core/runs/run-summary';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import type { Database } from '../db/database';
import { readRow, type EventRow } from '../record/events';
import { shopOf } from '../record/shop';

/** Days after which what was known about an engine's heat says nothing about a job any more. */
const REMEMBERED_DAYS = 400;

/** The entries of a stream, oldest first, as one list. */
const entries = (stream: string) =>
  `(SELECT coalesce(json_agg(json_build_object('id', id, 'stream', stream, 'kind', kind, 'version', version,
      'payload', payload, 'who', who, 'at', at) ORDER BY seq), '[]') FROM events WHERE stream = ${stream})`;

/**
 * Everything a job rests on in one statement: one question and one moment. What the vehicle's other jobs tell of its
 * heat, and what the shop's other jobs turned out to be, is taken as it stood when the job was closed.
 */
const CASE = `
  SELECT j.closed_at AS "closedAt", s.sheet,
    ${entries(`'job:' || j.id`)} AS events,
    ${entries('$2')} AS shop,
    (SELECT coalesce(json_agg(summary ORDER BY imported_at, id), '[]') FROM runs WHERE job_id = j.id AND active) AS runs,
    (SELECT coalesce(json_agg(kept ORDER BY title), '[]') FROM curves) AS curves,
    (SELECT coalesce(json_agg(facts ORDER BY opened_at, id), '[]') FROM jobs o
      WHERE o.vehicle_id = j.vehicle_id AND o.active AND o.id <> j.id
        AND o.last_at >= j.opened_at - make_interval(days => ${REMEMBERED_DAYS})
        AND (j.closed_at IS NULL OR o.opened_at <= j.closed_at)) AS facts,
    (SELECT coalesce(json_object_agg(cause, n ORDER BY cause), '{}') FROM (
      SELECT cause, count(*) AS n FROM jobs
      WHERE active AND state = 'closed' AND cause IS NOT NULL AND id <> j.id AND (j.closed_at IS NULL OR closed_at < j.closed_at)
      GROUP BY cause) c) AS causes
  FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id
  WHERE j.id = $1`;

interface CaseRow {
  readonly closedAt: Date | null;
  readonly sheet: SpecSheet | null;
  readonly events: readonly EventRow[];
  readonly shop: readonly EventRow[];
  readonly runs: readonly RunSummary[];
  readonly curves: readonly ShopCurve[];
  readonly facts: readonly (readonly KnownFact[])[];
  readonly causes: Causes;
}

/**
 * Everything a job rests on, as the database has it: what `assembleCase` makes a case of. A closed job rests on the
 * prices, tools and history of the day it was closed. Throws where there is no such job.
 */
export async function loadCase(
  db: Database,
  jobId: string,
  at: string,
  transaction?: Transaction
): Promise<CaseInput> {
  const [row] = await db.sequelize.query<CaseRow>(CASE, {
    bind: [jobId, streamOf('shop', SHOP_ID)],
    type: QueryTypes.SELECT,
    transaction
  });
  if (!row) throw new Error(`there is no job ${jobId}`);
  const { sheet, runs, curves, causes } = row;
  return {
    events: row.events.map(readRow),
    vehicleFacts: row.facts.flat(),
    runs,
    sheet,
    shop: { ...shopOf(row.shop.map(readRow), row.closedAt?.toISOString()), curves },
    causes,
    at
  };
}

/** The runs of a job that stand, in the order they came in. */
export async function runSummaries(
  db: Database,
  jobId: string,
  transaction?: Transaction
): Promise<RunSummary[]> {
  const rows = await db.sequelize.query<{ summary: RunSummary }>(
    'SELECT summary FROM runs WHERE job_id = $1 AND active ORDER BY imported_at, id',
    { bind: [jobId], type: QueryTypes.SELECT, transaction }
  );
  return rows.map((r) => r.summary);
}

/** The sheets that vehicles have now, by vehicle; those without one are left out. */
export async function sheetsOf(
  db: Database,
  vehicleIds: readonly string[],
  transaction?: Transaction
): Promise<Map<string, SpecSheet>> {
  const rows = await db.sequelize.query<{ id: string; sheet: SpecSheet }>(
    'SELECT v.id, s.sheet FROM vehicles v JOIN spec_sheets s ON s.id = v.spec_sheet_id WHERE v.id = ANY ($1::uuid[])',
    { bind: [[...vehicleIds]], type: QueryTypes.SELECT, transaction }
  );
  return new Map(rows.map((r) => [r.id, r.sheet]));
}

/** The sheet a vehicle has now; null where it has none. */
export const sheetOf = async (db: Database, vehicleId: string, transaction?: Transaction) =>
  (await sheetsOf(db, [vehicleId], transaction)).get(vehicleId) ?? null;
