import { QueryTypes, type Transaction, UniqueConstraintError } from 'sequelize';
import { deriveJob, deriveVehicle } from '../../core/record/derive';
import { recordEventSchema, type RecordEvent } from '../../core/record/events';
import { bad, good, type Result } from '../../core/result';
import type { Database } from './database';

/** Events of one stream, oldest first. */
export async function eventsOf(
  db: Database,
  stream: string,
  transaction?: Transaction
): Promise<RecordEvent[]> {
  const rows = await db.sequelize.query<RecordEvent & { at: Date | string }>(
    'SELECT id, stream, kind, payload, who, at FROM events WHERE stream = $1 ORDER BY seq',
    { bind: [stream], type: QueryTypes.SELECT, transaction }
  );
  return rows.map((row) => ({ ...row, at: new Date(row.at).toISOString() }) as RecordEvent);
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
  const parsed = recordEventSchema.safeParse(input);
  if (!parsed.success)
    return bad(
      ...parsed.error.issues.map((i) => ({
        field: i.path.filter((p) => p !== 'payload').join('.'),
        message: i.message
      }))
    );
  const event = parsed.data;
  try {
    return await db.sequelize.transaction(async (transaction) => {
      await db.sequelize.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', {
        bind: [event.stream],
        transaction
      });
      const known = await db.events.findByPk(event.id, { transaction });
      if (known) return good({ event, isNew: false });
      if (event.kind === 'undo') {
        const target = await db.events.findByPk(event.payload.of, { transaction });
        if (!target || target.stream !== event.stream)
          return bad({ field: 'of', message: 'there is no such entry in this record to undo' });
      }
      await before?.(transaction);
      await db.events.create(
        {
          id: event.id,
          stream: event.stream,
          kind: event.kind,
          payload: event.payload,
          who: event.who,
          at: new Date(event.at)
        },
        { transaction }
      );
      await project(db, event.stream, transaction);
      await db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [event.stream], transaction });
      return good({ event, isNew: true });
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError && 'lower(fleet_no)' in (error.fields ?? {}))
      return bad({ field: 'fleetNo', message: 'another vehicle already has this fleet number' });
    throw error;
  }
}

/** Writes what the events of a stream amount to into the tables that views read. */
async function project(db: Database, stream: string, transaction: Transaction): Promise<void> {
  const [kind, id] = stream.split(':');
  const events = await eventsOf(db, stream, transaction);
  if (kind === 'vehicle') await projectVehicle(db, id, events, transaction);
  else await projectJob(db, id, events, transaction);
}

async function projectVehicle(
  db: Database,
  id: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const state = deriveVehicle(events);
  if (!state) {
    await db.vehicles.update({ standing: false }, { where: { id }, transaction });
    return;
  }
  await db.vehicles.upsert(
    { id, fleetNo: state.fleetNo, name: state.name, note: state.note, specSheetId: null, standing: true },
    { transaction }
  );
  for (const event of events) {
    if (event.kind === 'spec.saved')
      await db.specSheets.upsert(
        { id: event.id, vehicleId: id, sheet: event.payload.sheet },
        { transaction }
      );
  }
  await db.vehicles.update({ specSheetId: state.sheet?.eventId ?? null }, { where: { id }, transaction });
}

async function projectJob(
  db: Database,
  id: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const state = deriveJob(events);
  if (!state) {
    await db.jobs.update({ standing: false }, { where: { id }, transaction });
    return;
  }
  const values = {
    vehicleId: state.vehicleId,
    complaint: state.complaint,
    state: state.state,
    outcome: state.outcome,
    openedAt: new Date(state.openedAt),
    lastAt: new Date(state.lastAt),
    standing: true
  };
  const [changed] = await db.jobs.update(values, { where: { id }, transaction });
  if (changed === 0) {
    await db.sequelize.query(
      'INSERT INTO jobs (id, vehicle_id, complaint, state, outcome, opened_at, last_at) VALUES ($1, $2, $3, $4, $5, $6, $7)',
      {
        bind: [
          id,
          values.vehicleId,
          values.complaint,
          values.state,
          values.outcome,
          values.openedAt,
          values.lastAt
        ],
        transaction
      }
    );
  }
  await db.runs.update({ standing: false }, { where: { jobId: id }, transaction });
  if (state.runIds.length > 0)
    await db.runs.update({ standing: true }, { where: { jobId: id, id: [...state.runIds] }, transaction });
}
