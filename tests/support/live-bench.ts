import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, vi } from 'vitest';
import { startBench } from '../../src/simulation/adapter/bench';
import { testDatabase } from '../../src/lib/server/db/test-database';
import { append } from '../../src/lib/server/record/record';
import { tellBench } from '../../src/lib/server/live/bench';
import { endLive, startLive } from '../../src/lib/server/live/runs';
import { blocksAfter } from '../../src/lib/server/live/samples';

const spec = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
export const now = () => new Date().toISOString();

/** A database and a simulated vehicle on an adapter, with what a test of recordings does with them. */
export async function liveBench() {
  const { db, drop } = await testDatabase();
  const bench = await startBench({ port: 0, dropped: 0.02 });
  const address = `127.0.0.1:${bench.port}`;

  async function job(fleetNo: string, withSheet = true): Promise<string> {
    const [vehicleId, jobId] = [randomUUID(), randomUUID()];
    const write = (stream: string, body: object) =>
      append(db, { id: randomUUID(), stream, who: 'Maren Oake', at: now(), ...body });
    await write(`vehicle:${vehicleId}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo, name: 'Tarrock Curlew 1.6', note: '' }
    });
    if (withSheet) await write(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet: spec } });
    await write(`job:${jobId}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Slow to warm' } });
    return jobId;
  }
  const start = (jobId: string, runId: string = randomUUID()) =>
    startLive(db, {
      eventId: randomUUID(),
      runId,
      jobId,
      who: 'Maren Oake',
      at: now(),
      source: { kind: 'adapter', address, name: 'Bench' }
    });
  const end = (jobId: string, eventId: string = randomUUID()) =>
    endLive(db, { eventId, jobId, who: 'Maren Oake', at: now() });
  /** A warm-up typed from a thermometer, not ended yet. */
  async function typedRun(jobId: string, runId: string): Promise<void> {
    await startLive(db, {
      eventId: randomUUID(),
      runId,
      jobId,
      who: 'Maren Oake',
      at: now(),
      source: { kind: 'typed', instrument: { kind: 'contact', name: '', uncertaintyC: 1.5 } }
    });
    for (let i = 0; i <= 40; i++)
      await append(db, {
        id: randomUUID(),
        stream: `job:${jobId}`,
        who: 'Maren Oake',
        at: now(),
        kind: 'run.read',
        payload: { runId, t: 30 * i, coolantC: Math.min(88, 12 + 2.6 * i) }
      });
  }
  const plug = (more: object = {}) =>
    tellBench(address, {
      do: 'plug',
      spec,
      fault: 'none',
      ambientC: 8,
      drive: 'mixed',
      factor: 60,
      running: true,
      ...more
    });
  const timesOf = async (runId: string) => (await blocksAfter(db, runId, 0)).flatMap((b) => b.t);
  const until = (what: () => Promise<boolean>) =>
    vi.waitFor(async () => expect(await what()).toBe(true), { timeout: 55_000, interval: 100 });

  return {
    db,
    address,
    job,
    start,
    end,
    typedRun,
    plug,
    timesOf,
    until,
    async close() {
      await bench.close();
      await drop();
    }
  };
}
export type LiveBench = Awaited<ReturnType<typeof liveBench>>;
