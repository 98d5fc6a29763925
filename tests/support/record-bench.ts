import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { EventInput } from '../../src/core/record/events';
import type { Database } from '../../src/lib/server/db/database';
import { append } from '../../src/lib/server/record/record';

export const sheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
export const at = '2026-11-24T08:00:00.000Z';

/** How many entries, jobs and runs a database holds. */
export const counts = async (db: Database): Promise<number[]> => [
  await db.events.count(),
  await db.jobs.count(),
  await db.runs.count()
];

/** Writes into the record of a database as a browser does. `db` is asked for when it is needed: tests make theirs late. */
export function recordBench(db: () => Database) {
  const write = (stream: string, body: EventInput, id: string = randomUUID()) =>
    append(db(), { id, stream, who: 'Maren Oake', at, ...body });

  async function vehicleWithJob(
    fleetNo: string
  ): Promise<{ vehicleId: string; jobId: string; sheetEvent: string }> {
    const [vehicleId, jobId, sheetEvent] = [randomUUID(), randomUUID(), randomUUID()];
    await write(`vehicle:${vehicleId}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo, name: 'Tarrock Curlew 1.6', note: '' }
    });
    await write(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet } }, sheetEvent);
    await write(`job:${jobId}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Slow to warm' } });
    return { vehicleId, jobId, sheetEvent };
  }
  return { write, vehicleWithJob };
}
