import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { CaseInput } from '../../../core/diagnosis/case';
import type { Causes } from '../../../core/diagnosis/history';
import type { KnownFact } from '../../../core/physics/heat/facts';
import type { RunSummary } from '../../../core/runs/run-summary';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import type { Database } from '../db/database';
import { shopCurves } from '../record/curves';
import { eventsOf } from '../record/events';
import { shopAt } from '../record/shop';

/** A job as its row says it. */
export interface JobHandle {
  readonly id: string;
  readonly vehicleId: string;
  readonly openedAt: Date;
  readonly closedAt: Date | null;
}

/**
 * Everything a job rests on, as the database has it: what `assembleCase` makes a case of. A closed job rests on the
 * prices, tools and history of the day it was closed.
 */
export async function loadCase(
  db: Database,
  job: JobHandle,
  at: string,
  transaction?: Transaction
): Promise<CaseInput> {
  const closedAt = job.closedAt?.toISOString() ?? null;
  const asked = [
    () => eventsOf(db, `job:${job.id}`, transaction),
    () => otherFacts(db, job, transaction),
    () => runSummaries(db, job.id, transaction),
    () => sheetOf(db, job.vehicleId, transaction),
    () => shopAt(db, closedAt, transaction),
    () => shopCurves(db, transaction),
    () => causesBefore(db, job.id, closedAt, transaction)
  ] as const;
  const [events, vehicleFacts, runs, sheet, shop, curves, causes] = await answered(asked, transaction);
  return { events, vehicleFacts, runs, sheet, shop: { ...shop, curves }, causes, at };
}

type Answers<T extends readonly (() => Promise<unknown>)[]> = {
  -readonly [K in keyof T]: Awaited<ReturnType<T[K]>>;
};

/** All at once; within a transaction one after the other, for it has one connection. */
async function answered<T extends readonly (() => Promise<unknown>)[]>(
  asked: T,
  transaction?: Transaction
): Promise<Answers<T>> {
  if (!transaction) return (await Promise.all(asked.map((ask) => ask()))) as Answers<T>;
  const answers: unknown[] = [];
  for (const ask of asked) answers.push(await ask());
  return answers as Answers<T>;
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

/** Days after which what was known about an engine's heat says nothing about a job any more. */
const REMEMBERED_DAYS = 400;

/** What the vehicle's other jobs tell of its heat. */
async function otherFacts(db: Database, job: JobHandle, transaction?: Transaction): Promise<KnownFact[]> {
  const rows = await db.jobs.findAll({
    where: {
      vehicleId: job.vehicleId,
      active: true,
      id: { [Op.ne]: job.id },
      lastAt: { [Op.gte]: new Date(job.openedAt.getTime() - REMEMBERED_DAYS * 86_400_000) },
      ...(job.closedAt ? { openedAt: { [Op.lte]: job.closedAt } } : {})
    },
    attributes: ['facts'],
    order: [
      ['openedAt', 'ASC'],
      ['id', 'ASC']
    ],
    raw: true,
    transaction
  });
  return rows.flatMap((r) => r.facts);
}

/** What the shop's other jobs turned out to be that were closed by then, how often each. */
export async function causesBefore(
  db: Database,
  jobId: string | null,
  closedAt: string | null,
  transaction?: Transaction
): Promise<Causes> {
  const rows = await db.sequelize.query<{ cause: string; n: number }>(
    `SELECT cause, count(*)::int AS n FROM jobs
     WHERE active AND state = 'closed' AND cause IS NOT NULL AND id IS DISTINCT FROM $1::uuid
       AND ($2::timestamptz IS NULL OR closed_at < $2) GROUP BY cause ORDER BY cause`,
    { bind: [jobId, closedAt], type: QueryTypes.SELECT, transaction }
  );
  return Object.fromEntries(rows.map((r) => [r.cause, r.n]));
}
