import { QueryTypes, type Transaction } from 'sequelize';
import type { RecordEvent } from '../../../core/record/events';
import { readStored } from '../../../core/record/upcast';
import type { Database } from '../db/database';

/** An entry as the database hands it out. */
export type EventRow = Omit<RecordEvent, 'at'> & { readonly at: Date | string };

export const readRow = (row: EventRow): RecordEvent =>
  readStored({ ...row, at: new Date(row.at).toISOString() } as RecordEvent);

/** Events of one stream, oldest first. */
export async function eventsOf(
  db: Database,
  stream: string,
  transaction?: Transaction
): Promise<RecordEvent[]> {
  const rows = await db.sequelize.query<EventRow>(
    'SELECT id, stream, kind, version, payload, who, at FROM events WHERE stream = $1 ORDER BY seq',
    { bind: [stream], type: QueryTypes.SELECT, transaction }
  );
  return rows.map(readRow);
}
