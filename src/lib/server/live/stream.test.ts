import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { append } from '../record/record';
import type { Database } from '../db/database';
import { testDatabase } from '../db/test-database';
import { saveSamples } from './recorder';
import { startLive } from './runs';
import { logOfBlocks } from './samples';

// Streams of its own: they are ended here while those of other tests go on.
vi.resetModules();
const { changeStream, endStreams } = await import('../record/changes');
const { liveStream } = await import('./stream');

let db: Database;
let drop: () => Promise<void>;
const vehicleId = randomUUID();
const jobId = randomUUID();
const runId = randomUUID();

beforeAll(async () => {
  const own = await testDatabase();
  ({ db, drop } = own);
  // The listener connects by the address of this process's database.
  vi.stubEnv('DATABASE_URL', own.url);
  const write = (stream: string, body: object) =>
    append(db, { id: randomUUID(), stream, who: 'Maren Oake', at: new Date().toISOString(), ...body });
  await write(`vehicle:${vehicleId}`, {
    kind: 'vehicle.entered',
    payload: { fleetNo: 'S-01', name: 'Kvesta Scoot 1.2', note: '' }
  });
  await write(`job:${jobId}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Fan full on' } });
  await startLive(db, {
    eventId: randomUUID(),
    runId,
    jobId,
    who: 'Maren Oake',
    at: new Date().toISOString(),
    source: { kind: 'adapter', address: '127.0.0.1:9', name: 'Nothing there' }
  });
});
afterAll(async () => {
  endStreams();
  vi.unstubAllEnvs();
  await drop();
});

/** Reads a stream of server-sent events as the data of each, until closed. */
function listen(stream: ReadableStream<Uint8Array>) {
  const heard: string[] = [];
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  const done = (async () => {
    for (;;) {
      const { value, done: over } = await reader.read();
      if (over) return;
      for (const line of decoder.decode(value).split('\n'))
        if (line.startsWith('data: ')) heard.push(line.slice(6));
    }
  })();
  return { heard, over: done, close: () => reader.cancel().then(() => done) };
}
const note = (text: string) =>
  append(db, {
    id: randomUUID(),
    stream: `job:${jobId}`,
    who: 'Maren Oake',
    at: new Date().toISOString(),
    kind: 'job.noted',
    payload: { text }
  });

describe('pages that are open', () => {
  it('hear of every change of the record, and of no samples', async () => {
    const drawn = new Date();
    // Somebody writes before the page that was just drawn listens.
    await note('Plug dried');
    const page = listen(changeStream(db, drawn));
    await vi.waitFor(() => expect(page.heard).toContain(`job:${jobId}`), 10_000);
    await saveSamples(db, runId, [{ t: 0, values: { ect_c: 12 } }], '0');
    page.heard.length = 0;
    await note('Plug dried again');
    await vi.waitFor(() => expect(page.heard).toEqual([`job:${jobId}`]), 5000);
    await page.close();
  });

  it('of a live run get what they have not yet seen, each block once, and what the recorder does', async () => {
    await saveSamples(db, runId, [{ t: 1, values: { ect_c: 13, rpm: 800 } }], '0');
    const all = listen(liveStream(db, runId, 0));
    await vi.waitFor(() => expect(all.heard.length).toBeGreaterThanOrEqual(3), 5000);
    const first = all.heard.map((h) => JSON.parse(h));
    expect(first.filter((b) => b.t).map((b) => b.t)).toEqual([[0], [1]]);
    expect(first.at(-1)).toEqual({ state: 'waiting', says: [] });

    const seq = first.findLast((b) => b.seq).seq as number;
    const late = listen(liveStream(db, runId, seq));
    await saveSamples(
      db,
      runId,
      [
        { t: 2, values: { ect_c: 14 } },
        { t: 3, values: { ect_c: 15 } }
      ],
      '0'
    );
    for (const viewer of [all, late])
      await vi.waitFor(
        () =>
          expect(
            viewer.heard
              .map((h) => JSON.parse(h))
              .filter((b) => b.t)
              .at(-1)!.t
          ).toEqual([2, 3]),
        5000
      );
    expect(late.heard.map((h) => JSON.parse(h)).filter((b) => b.t)).toHaveLength(1);

    await db.sequelize.query('UPDATE recordings SET ended_at = now() WHERE run_id = $1', { bind: [runId] });
    await db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [`live:${runId}`] });
    await vi.waitFor(() => expect(JSON.parse(all.heard.at(-1)!)).toMatchObject({ state: 'ended' }), 5000);
    await Promise.all([all.close(), late.close()]);
  });
});

it('streams end with the server, and those that are asked for while it ends', async () => {
  const page = listen(changeStream(db, null));
  endStreams();
  await page.over;
  await listen(changeStream(db, null)).over;
});

describe('blocks of samples', () => {
  it('become one log in the order of time, blank where a channel was missing', () => {
    const log = logOfBlocks(
      [
        { t: [2, 3], channels: { ect_c: [14, 15] } },
        { t: [0, 1], channels: { ect_c: [12, null], rpm: [800, 900] } }
      ],
      [{ t: 1, text: 'Fan' }]
    );
    expect([...log.t]).toEqual([0, 1, 2, 3]);
    expect([...log.channels.ect_c!]).toEqual([12, NaN, 14, 15]);
    expect([...log.channels.rpm!]).toEqual([800, 900, NaN, NaN]);
    expect(log.events).toEqual([{ t: 1, text: 'Fan' }]);
  });
});
