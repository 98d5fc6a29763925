import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { ANSWER_ID, writeFrame } from '../../../core/logs/bus/frame';
import { startBench, type Bench } from '../../../simulation/adapter/bench';
import type { Database } from '../db/database';
import { readJobFile } from '../../../core/handover/job-file';
import { bringIn } from '../files/bring-in';
import { exportJob } from '../files/job-export';
import { append } from '../record/record';
import { eventsOf } from '../record/events';
import { samplesOf } from '../runs/runs';
import { testDatabase } from '../db/test-database';
import { AdapterLost, replayAdapter, socketAdapter } from './adapter';
import { knownAdapters } from './adapters';
import { tellBench } from './bench';
import { poll, type Sample } from './poll';
import { startRecorder } from './recorder';
import { endLive, endWhatWasLeft, startLive } from './runs';
import { blocksAfter } from './samples';

let db: Database;
let drop: () => Promise<void>;
let bench: Bench;
let address: string;
const spec = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const now = () => new Date().toISOString();

beforeAll(async () => {
  ({ db, drop } = await testDatabase());
  bench = await startBench({ port: 0, dropped: 0.02 });
  address = `127.0.0.1:${bench.port}`;
});
afterAll(async () => {
  await bench.close();
  await drop();
});

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

describe('an adapter', () => {
  it('on a socket gives samples with the clock of its own', async () => {
    await plug();
    const adapter = await socketAdapter(address);
    const samples: Sample[] = [];
    while (samples.length < 5) {
      const sample = await poll(adapter);
      if (sample) samples.push(sample);
    }
    adapter.close();
    expect(samples.every((s, i) => i === 0 || s.stamp > samples[i - 1].stamp)).toBe(true);
    expect(Object.keys(samples[0].values).sort()).toEqual([
      'ambient_c',
      'ect_c',
      'iat_c',
      'load_pct',
      'rpm',
      'speed_kmh'
    ]);
  });

  it('that plays a capture back is the same to its user', async () => {
    const ect = (t: number, c: number) =>
      writeFrame({ t, id: ANSWER_ID, data: Uint8Array.of(3, 0x41, 5, c + 40, 0, 0, 0, 0) });
    const adapter = replayAdapter([ect(1, 20), '(1.5) can0 3B1#01', ect(2, 21)].join('\n'));
    expect((await poll(adapter))!).toEqual({ stamp: 1, values: { ect_c: 20 } });
    expect((await poll(adapter))!.values.ect_c).toBe(21);
    await expect(poll(adapter)).rejects.toThrow(AdapterLost);
  });

  it('that is no bench at all is said to be none, and takes no server down', async () => {
    const stranger = createServer((socket) => socket.end('220 mail ready\r\n'));
    await new Promise<void>((resolve) => stranger.listen(0, '127.0.0.1', resolve));
    const { port } = stranger.address() as AddressInfo;
    const answer = await tellBench(`127.0.0.1:${port}`, { do: 'state' });
    expect(!answer.ok && answer.problems[0].message).toContain('no simulated bench');
    stranger.close();
  });

  it('that is not there is said to be lost', async () => {
    await expect(socketAdapter('127.0.0.1:9')).rejects.toThrow('no adapter answers at 127.0.0.1:9');
  });

  it('is one of the workshop’s, as its settings name them', () => {
    expect(
      knownAdapters({
        PYRETHOS_ADAPTERS: 'Bay 1=127.0.0.1:5200, broken, Yard = 10.0.0.7:35000',
        PYRETHOS_BENCH_PORT: '5191'
      })
    ).toEqual([
      { name: 'Bay 1', address: '127.0.0.1:5200', simulated: false },
      { name: 'Yard', address: '10.0.0.7:35000', simulated: false },
      { name: 'Simulated vehicle', address: '127.0.0.1:5191', simulated: true }
    ]);
  });
});

describe('a recording', () => {
  it('goes on where another server process left it, loses nothing, and becomes a judged run', async () => {
    await plug({ fault: 'thermostat-stuck-open', severity: 0.6 });
    const [jobId, runId] = [await job('L-01'), randomUUID()];
    expect((await start(jobId, runId)).ok).toBe(true);
    const first = startRecorder(db);
    await until(async () => (await timesOf(runId)).length > 20);
    const seen = await timesOf(runId);
    await first();
    const second = startRecorder(db);
    await until(async () => (await timesOf(runId)).at(-1)! > 400);
    const all = await timesOf(runId);
    expect(all.slice(0, seen.length)).toEqual(seen);
    expect(all.every((t, i) => i === 0 || t > all[i - 1])).toBe(true);
    await append(db, {
      id: randomUUID(),
      stream: `job:${jobId}`,
      who: 'Maren Oake',
      at: now(),
      kind: 'run.marked',
      payload: { runId, t: 420, mark: 'hose', text: '' }
    });
    const ending = randomUUID();
    const ended = await end(jobId, ending);
    expect(ended.ok && ended.value.runId).toBe(runId);
    const run = (await db.runs.findByPk(runId))!;
    expect(run.analysis.features.maxC).toBeLessThan(80);
    expect(run.marks).toEqual([{ t: 420, text: 'Hose hot' }]);
    const kept = [...(await samplesOf(db, run)).t];
    expect(kept.slice(0, all.length)).toEqual(all);
    expect((await end(jobId, ending)).ok).toBe(true);
    expect((await eventsOf(db, `job:${jobId}`)).filter((e) => e.kind === 'run.ended')).toHaveLength(1);
    await second();
  });

  it('tells that the adapter was pulled out, and goes on when it is back', async () => {
    await plug();
    const [jobId, runId] = [await job('L-02'), randomUUID()];
    await start(jobId, runId);
    const stop = startRecorder(db);
    const state = async () => {
      const [rows] = await db.sequelize.query('SELECT state FROM recordings WHERE run_id = $1', {
        bind: [runId]
      });
      return (rows as { state: string }[])[0].state;
    };
    await until(async () => (await state()) === 'recording');
    await tellBench(address, { do: 'pull' });
    await until(async () => ['adapter-gone', 'no-answer'].includes(await state()));
    const before = (await timesOf(runId)).length;
    await tellBench(address, { do: 'insert' });
    await until(async () => (await state()) === 'recording' && (await timesOf(runId)).length > before + 5);
    const result = await end(jobId);
    expect(result.ok).toBe(true);
    expect((await db.runs.findByPk(runId))!.report.gaps.length).toBeGreaterThan(0);
    await stop();
  });

  it('is one for each vehicle at a time', async () => {
    const jobId = await job('L-03');
    expect((await start(jobId)).ok).toBe(true);
    const other = await start(await job('L-33'));
    expect(!other.ok && other.problems[0].message).toContain('adapter is recording another vehicle');
    const twice = await start(jobId);
    expect(!twice.ok && twice.problems[0].message).toContain('being recorded already');
    expect((await end(jobId)).ok).toBe(true);
    expect((await start(jobId)).ok).toBe(true);
    await end(jobId);
  });

  it('of a vehicle without a sheet is kept, and judged as a typical engine’s', async () => {
    await plug();
    const [jobId, runId] = [await job('L-09', false), randomUUID()];
    expect((await start(jobId, runId)).ok).toBe(true);
    const stop = startRecorder(db);
    await until(async () => (await timesOf(runId)).length > 20);
    expect(await end(jobId)).toMatchObject({ ok: true, value: { runId } });
    await stop();
    const run = (await db.runs.findByPk(runId))!;
    expect(run.sampleCount).toBeGreaterThan(20);
    expect((await db.specSheets.findByPk(run.specSheetId))!.sheet).toEqual({
      format: 'pyrethos.spec-sheet',
      version: 1,
      name: 'Tarrock Curlew 1.6'
    });
  });

  it('that caught nothing leaves no run, and says what it was', async () => {
    const jobId = await job('L-04');
    await start(jobId);
    const ended = await end(jobId);
    expect(ended.ok && ended.value.runId).toBeNull();
    expect(await db.runs.count({ where: { jobId } })).toBe(0);
    const nothing = await end(jobId);
    expect(!nothing.ok && nothing.problems[0].message).toContain('nothing is being recorded');
  });

  it('may be typed: readings of a thermometer make a run', async () => {
    const [jobId, runId] = [await job('L-05'), randomUUID()];
    await typedRun(jobId, runId);
    const ended = await end(jobId);
    expect(ended.ok && ended.value.runId).toBe(runId);
    const run = (await db.runs.findByPk(runId))!;
    expect([run.sampleCount, run.durationS, run.channels]).toEqual([41, 1200, ['ect_c']]);
  });

  it('whose server is killed while it ends is ended by another one, once, in the name of who ended it', async () => {
    const [jobId, runId, endId] = [await job('L-06'), randomUUID(), randomUUID()];
    await typedRun(jobId, runId);
    // What a server has written when it is killed in the middle of judging.
    await db.sequelize.query(
      `UPDATE recordings SET ended_at = now(), ending = $2, ending_until = now() - interval '1 second' WHERE run_id = $1`,
      { bind: [runId, JSON.stringify({ eventId: endId, who: 'Ysolt Brandy', at: now() })] }
    );
    await Promise.all([endWhatWasLeft(db), endWhatWasLeft(db)]);
    expect(await db.runs.count({ where: { jobId } })).toBe(1);
    expect((await eventsOf(db, `job:${jobId}`)).filter((e) => e.kind === 'run.ended')).toMatchObject([
      { id: endId, who: 'Ysolt Brandy' }
    ]);
    await endWhatWasLeft(db);
    expect(await db.runs.count({ where: { jobId } })).toBe(1);
  });

  it('that goes on is left out of an export, which comes in elsewhere; ended, it goes along', async () => {
    const [jobId, runId] = [await job('L-08'), randomUUID()];
    await typedRun(jobId, runId);
    const other = await testDatabase();
    const bring = async () => {
      const read = readJobFile(JSON.parse(JSON.stringify(await exportJob(db, jobId))));
      return read.ok ? bringIn(other.db, { jobs: [read.value] }) : read;
    };
    expect(await bring()).toMatchObject({ ok: true });
    expect(await other.db.runs.count()).toBe(0);
    await end(jobId);
    expect(await bring()).toMatchObject({ ok: true });
    expect(await other.db.runs.count()).toBe(1);
    await other.drop();
  });

  it('that is ended twice at once is one run, and whoever was late is told', async () => {
    const [jobId, runId] = [await job('L-07'), randomUUID()];
    await typedRun(jobId, runId);
    const answers = await Promise.all([end(jobId), end(jobId)]);
    expect(answers.some((a) => a.ok)).toBe(true);
    expect(await db.runs.count({ where: { jobId } })).toBe(1);
    // A run's id is taken: started again under it, the entry is a conflict.
    expect(await start(jobId, runId)).toMatchObject({ ok: false, problems: [{ conflict: true }] });
  });
});
