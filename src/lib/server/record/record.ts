import { assembleCase } from '../../../core/diagnosis/case';
import { loadCase, sheetOf } from '../cases/load-case';
import { linesDue } from '../cases/lines';
import { QueryTypes, type Transaction, UniqueConstraintError } from 'sequelize';
import type { RecordEvent } from '../../../core/record/events';
import { readEvent } from '../../../core/record/upcast';
import { eventsOf, readRow, type EventRow } from './events';
import { authorOf, isSigned } from '../access/actor';
import { databaseFault } from '../answers';
import { sameEntry } from '../../../core/handover/integrity';
import { refusedBy } from '../../../core/diagnosis/refused';
import { bad, good, type Problem, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { sumUp } from '../runs/sum-up';
import { projectCurve, projectJob, projectVehicle } from './project';

/** What `before` of {@link append} throws to refuse the entry in words. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

/**
 * Appends one event and brings what is derived from its stream up to date, in one transaction. An id seen
 * before changes nothing and succeeds; `again` says whether its contents must be the same. `before` may write rows that the event speaks of (samples of a run).
 */
export async function append(
  db: Database,
  input: unknown,
  before?: (transaction: Transaction) => Promise<void>,
  again: 'same-id' | 'same-contents' = 'same-id'
): Promise<Result<{ event: RecordEvent; isNew: boolean }>> {
  const read = readEvent(input);
  if (!read.ok) return read;
  const event = read.value;
  try {
    return await db.sequelize.transaction(async (transaction) => {
      await lockedWithVehicle(db, event, transaction);
      const known = await db.events.findByPk(event.id, { transaction });
      if (known)
        return again === 'same-id' || isSameAs(readRow(known.get({ plain: true }) as EventRow), event)
          ? good({ event, isNew: false })
          : bad({ field: 'id', message: 'is the id of another entry here', conflict: true });
      const target =
        event.kind === 'undo' ? await db.events.findByPk(event.payload.of, { transaction }) : null;
      if (event.kind === 'undo' && target?.stream !== event.stream)
        return bad({ field: 'of', message: 'there is no such entry in this record to undo' });
      const author = await authorOf(
        db,
        event,
        target && { who: target.who, person: target.personId },
        transaction
      );
      if (!author.ok) return author;
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
          who: author.value.who,
          at: new Date(event.at),
          personId: author.value.person,
          deviceId: author.value.device
        },
        { transaction }
      );
      await project(db, event.stream, transaction);
      await restingOn(db, event.stream, [event], transaction);
      await notify(db, event.stream, transaction);
      return good({ event, isNew: true });
    });
  } catch (error) {
    if (error instanceof Refusal) return bad(error.problem);
    if (error instanceof UniqueConstraintError && 'lower(fleet_no)' in (error.fields ?? {}))
      return bad({ field: 'fleetNo', message: 'another vehicle already has this fleet number' });
    const fault = databaseFault(error);
    if (fault === 'conflict')
      return bad({ message: 'what this entry speaks of is here already, in another entry', conflict: true });
    if (fault === 'refused')
      return bad({ message: 'the database would not have this entry: something in it does not fit' });
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
    await restingOn(
      db,
      stream,
      events.filter((e) => e.stream === stream),
      transaction
    );
    await notify(db, stream, transaction);
  }
}

/**
 * An entry of a job marks every job of its vehicle: those who write into two jobs of one vehicle take turns by the
 * vehicle first, or each would wait for the other's rows.
 */
async function lockedWithVehicle(db: Database, event: RecordEvent, transaction: Transaction): Promise<void> {
  const [record, id] = event.stream.split(':');
  if (record === 'job') {
    const vehicle =
      event.kind === 'job.opened'
        ? event.payload.vehicleId
        : (await db.jobs.findByPk(id, { attributes: ['vehicleId'], transaction }))?.vehicleId;
    if (vehicle) await locked(db, `vehicle:${vehicle}`, transaction);
  }
  await locked(db, event.stream, transaction);
}

/** Whether an entry came before as it is. Its author is whoever the session told, then and now. */
const isSameAs = (kept: RecordEvent, event: RecordEvent): boolean =>
  sameEntry(kept, isSigned() ? { ...event, who: kept.who } : event);

const locked = (db: Database, stream: string, transaction: Transaction) =>
  db.sequelize.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', {
    bind: [stream],
    transaction
  });

const notify = (db: Database, stream: string, transaction: Transaction) =>
  db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [stream], transaction });

/** What an entry speaks of that is not here, what the job's vehicle rules out by its sheet, and closings that the record has not earned. */
async function refusedHere(db: Database, event: RecordEvent, transaction: Transaction): Promise<Problem[]> {
  const [record, id] = event.stream.split(':');
  if (record === 'vehicle' && event.kind !== 'vehicle.entered')
    return (await db.vehicles.findByPk(id, { attributes: ['id'], transaction }))
      ? []
      : [{ field: 'stream', message: 'belongs to a vehicle that is not here; enter the vehicle first' }];
  if (event.kind === 'job.opened')
    return (await db.vehicles.findByPk(event.payload.vehicleId, { attributes: ['id'], transaction }))
      ? []
      : [{ field: 'vehicleId', message: 'is not here; enter the vehicle first' }];
  if (record !== 'job') return [];
  const job = await db.jobs.findByPk(id, { transaction });
  if (!job) return [{ field: 'stream', message: 'belongs to a job that is not here; open the job first' }];
  const refused = refusedBy(await sheetOf(db, job.vehicleId, transaction), event);
  if (event.kind !== 'job.closed') return refused;
  const known = assembleCase(await loadCase(db, job.id, event.at, transaction));
  const closing = known?.closings.find((c) => c.outcome === event.payload.outcome);
  return closing?.refused
    ? [
        ...refused,
        { field: 'outcome', message: `cannot close as ${event.payload.outcome}: ${closing.refused}` }
      ]
    : refused;
}

/** Writes what the events of a stream amount to into the tables that views read. */
async function project(db: Database, stream: string, transaction: Transaction): Promise<void> {
  const [kind, id] = stream.split(':');
  const events = await eventsOf(db, stream, transaction);
  if (kind === 'vehicle') await projectVehicle(db, id, events, transaction);
  else if (kind === 'curve') await projectCurve(db, id, events, transaction);
  else if (kind === 'job') await projectJob(db, id, events, transaction);
}

/** Marks the jobs that rest on what these entries say. */
async function restingOn(
  db: Database,
  stream: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const [kind, id] = stream.split(':');
  // What was undone may have been told long ago: closed jobs rested on it too.
  const past = events.some((e) => e.kind === 'undo') || events.length > 1;
  if (kind === 'vehicle') return linesDue(db, { vehicle: id, closedToo: true }, transaction);
  if (kind === 'curve') return linesDue(db, { everything: 'all' }, transaction);
  if (kind === 'shop') return linesDue(db, { everything: past ? 'all' : 'open' }, transaction);
  const job = await db.jobs.findByPk(id, { attributes: ['vehicleId'], transaction });
  if (!job) return;
  await linesDue(db, { job: id }, transaction);
  await linesDue(db, { vehicle: job.vehicleId, closedToo: past }, transaction);
  // What a closed job turned out to be is part of the shop's history.
  if (events.some((e) => e.kind === 'job.closed' || e.kind === 'job.reopened'))
    await linesDue(db, { everything: 'open' }, transaction);
}

/** Derives every job and what each run tells of its vehicle anew, as after a migration that keeps more of what the record says. */
export async function deriveAnew(db: Database, transaction: Transaction): Promise<void> {
  const rows = await db.sequelize.query<{ stream: string }>(
    "SELECT DISTINCT stream FROM events WHERE stream LIKE 'job:%'",
    { type: QueryTypes.SELECT, transaction }
  );
  const runs = await db.runs.findAll({ attributes: ['id'], transaction });
  for (const { id } of runs) await sumUp(db, id, transaction);
  for (const { stream } of rows) await project(db, stream, transaction);
  await linesDue(db, { everything: 'all' }, transaction);
}
