import { QueryTypes, type Transaction, UniqueConstraintError } from 'sequelize';
import type { RecordEvent } from '../../../core/record/events';
import { readEvent, readStored } from '../../../core/record/upcast';
import { refusedBy } from '../../../core/diagnosis/refused';
import { bad, good, type Problem, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { deriveJob } from '../../../core/record/derive';
import { closings, proofOf } from '../../../core/diagnosis/proof';
import { printRun } from '../runs/memory';
import { jobKnown, projectCurve, projectJob, projectVehicle, proofRun } from './project';

/** Events of one stream, oldest first. */
export async function eventsOf(
  db: Database,
  stream: string,
  transaction?: Transaction
): Promise<RecordEvent[]> {
  const rows = await db.sequelize.query<RecordEvent & { at: Date | string }>(
    'SELECT id, stream, kind, version, payload, who, at FROM events WHERE stream = $1 ORDER BY seq',
    { bind: [stream], type: QueryTypes.SELECT, transaction }
  );
  return rows.map((row) => readStored({ ...row, at: new Date(row.at).toISOString() } as RecordEvent));
}

/**
 * Appends one event and brings what is derived from its stream up to date, in one transaction. An id seen
 * before changes nothing and succeeds. `before` may write rows that the event speaks of (samples of a run).
 */
export async function append(
  db: Database,
  input: unknown,
  before?: (transaction: Transaction) => Promise<void>
): Promise<Result<{ event: RecordEvent; isNew: boolean }>> {
  const read = readEvent(input);
  if (!read.ok) return read;
  const event = read.value;
  try {
    return await db.sequelize.transaction(async (transaction) => {
      await locked(db, event.stream, transaction);
      const known = await db.events.findByPk(event.id, { transaction });
      if (known) return good({ event, isNew: false });
      if (event.kind === 'undo') {
        const target = await db.events.findByPk(event.payload.of, { transaction });
        if (!target || target.stream !== event.stream)
          return bad({ field: 'of', message: 'there is no such entry in this record to undo' });
      }
      const refused = await refusedHere(db, event, transaction);
      if (refused.length > 0) return bad(...refused);
      await before?.(transaction);
      await db.events.create(
        {
          id: event.id,
          stream: event.stream,
          kind: event.kind,
          version: event.version,
          payload: event.payload,
          who: event.who,
          at: new Date(event.at)
        },
        { transaction }
      );
      await project(db, event.stream, transaction);
      await notify(db, event.stream, transaction);
      return good({ event, isNew: true });
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError && 'lower(fleet_no)' in (error.fields ?? {}))
      return bad({ field: 'fleetNo', message: 'another vehicle already has this fleet number' });
    throw error;
  }
}

/**
 * Appends entries of other workshops as they are, stream by stream, in the caller's transaction: they have been judged
 * where they were made. `rows` writes what a stream's entries speak of and tells whether there was any.
 */
export async function appendMany(
  db: Database,
  events: readonly RecordEvent[],
  transaction: Transaction,
  rows: (stream: string) => Promise<boolean>
): Promise<void> {
  for (const stream of new Set(events.map((e) => e.stream))) {
    await locked(db, stream, transaction);
    await db.events.bulkCreate(
      events
        .filter((e) => e.stream === stream)
        .map(({ id, kind, version, payload, who, at }) => ({
          id,
          stream,
          kind,
          version,
          payload,
          who,
          at: new Date(at)
        })),
      { transaction }
    );
    await project(db, stream, transaction);
    if (await rows(stream)) await project(db, stream, transaction);
    await notify(db, stream, transaction);
  }
}

const locked = (db: Database, stream: string, transaction: Transaction) =>
  db.sequelize.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', {
    bind: [stream],
    transaction
  });

const notify = (db: Database, stream: string, transaction: Transaction) =>
  db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [stream], transaction });

/** What the job's vehicle rules out by its sheet. */
async function refusedHere(db: Database, event: RecordEvent, transaction: Transaction): Promise<Problem[]> {
  if (!event.stream.startsWith('job:') || event.kind === 'job.opened') return [];
  const job = await db.jobs.findByPk(event.stream.slice('job:'.length), { transaction });
  const vehicle = job && (await db.vehicles.findByPk(job.vehicleId, { transaction }));
  const sheet = vehicle?.specSheetId
    ? await db.specSheets.findByPk(vehicle.specSheetId, { transaction })
    : null;
  const refused = refusedBy(sheet?.sheet ?? null, event);
  return job && event.kind === 'job.closed'
    ? [...refused, ...(await unearned(db, job.id, event, transaction))]
    : refused;
}

/** The words a job closes with are earned by its record. */
async function unearned(
  db: Database,
  id: string,
  event: Extract<RecordEvent, { kind: 'job.closed' }>,
  transaction: Transaction
): Promise<Problem[]> {
  const state = deriveJob(await eventsOf(db, event.stream, transaction));
  if (!state) return [];
  const { runs, sheet, judged } = await jobKnown(db, id, state, transaction);
  const last = state.repairs.at(-1);
  const proof = last
    ? proofOf({
        repairedAt: last.at,
        done: judged,
        runs: runs.map(proofRun),
        sheet,
        symptoms: state.intake.symptoms
      })
    : null;
  const closing = closings(
    state.repairs.flatMap((r) => r.done.repairs),
    proof
  ).find((c) => c.outcome === event.payload.outcome);
  return closing?.refused
    ? [{ field: 'outcome', message: `cannot close as ${event.payload.outcome}: ${closing.refused}` }]
    : [];
}

/** Writes what the events of a stream amount to into the tables that views read. */
async function project(db: Database, stream: string, transaction: Transaction): Promise<void> {
  const [kind, id] = stream.split(':');
  const events = await eventsOf(db, stream, transaction);
  if (kind === 'vehicle') await projectVehicle(db, id, events, transaction);
  else if (kind === 'curve') await projectCurve(db, id, events, transaction);
  else if (kind === 'job') await projectJob(db, id, events, transaction);
}

/** Derives every job and what each run tells of its vehicle anew, as after a migration that keeps more of what the record says. */
export async function deriveAnew(db: Database, transaction: Transaction): Promise<void> {
  const rows = await db.sequelize.query<{ stream: string }>(
    "SELECT DISTINCT stream FROM events WHERE stream LIKE 'job:%'",
    { type: QueryTypes.SELECT, transaction }
  );
  for (const { stream } of rows) await project(db, stream, transaction);
  const runs = await db.runs.findAll({ attributes: ['id'], transaction });
  for (const { id } of runs) await printRun(db, id, transaction);
}
