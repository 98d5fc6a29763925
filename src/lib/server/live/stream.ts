import { QueryTypes } from 'sequelize';
import type { Database } from '../db/database';
import { log } from '../log';
import { ANYTHING, eventStream } from '../record/changes';
import { blocksAfter } from './samples';
import { isUnsaved } from './unsaved';

/**
 * A live run as it is recorded, for one viewer: blocks of samples after `after`, and what the recorder is doing.
 * Whichever process records, the samples come out of the database.
 */
export function liveStream(db: Database, runId: string, after: number): ReadableStream<Uint8Array> {
  let seq = after;
  let told = '';
  let says: readonly string[] = [];
  let reading: Promise<void> = Promise.resolve();
  async function read(write: (data: string) => void): Promise<void> {
    for (const block of await blocksAfter(db, runId, seq)) {
      write(JSON.stringify(block));
      seq = block.seq;
    }
    const [row] = await db.sequelize.query<{ state: string; ended: boolean; says: string[] | null }>(
      'SELECT state, ended_at IS NOT NULL AS ended, unit_says AS says FROM recordings WHERE run_id = $1',
      { bind: [runId], type: QueryTypes.SELECT }
    );
    const state = row ? (row.ended ? 'ended' : row.state) : 'gone';
    says = row?.says ?? says;
    tell(isUnsaved(runId) ? 'not-kept' : state, write);
  }
  function tell(state: string, write: (data: string) => void): void {
    const now = JSON.stringify({ state, says });
    if (now !== told) write((told = now));
  }
  const pump = (write: (data: string) => void) =>
    (reading = reading
      .then(() => read(write))
      .catch((error: Error) => {
        log.warn({ runId, error: error.message }, 'a viewer cannot be served');
        if (isUnsaved(runId)) tell('not-kept', write);
      }));
  return eventStream(
    (notice, write) => {
      if (notice === `live:${runId}` || notice === ANYTHING) void pump(write);
    },
    (write) => void pump(write)
  );
}
