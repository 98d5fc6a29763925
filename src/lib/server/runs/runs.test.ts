import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { at, recordBench, sheet } from '../../../../tests/support/record-bench';
import { asText, sniff, type Layout } from '../../../core/logs/csv-sniff';
import type { Database } from '../db/database';
import { testDatabase } from '../db/test-database';
import { eventsOf } from '../record/events';
import { jobView } from '../views/job';
import { judgeAgain } from './judge';
import { knownGoodRuns } from './known-good';
import { importRun, samplesOf } from './runs';

let db: Database;
let drop: () => Promise<void>;
const { write, vehicleWithJob } = recordBench(() => db);

beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

function importOf(jobId: string, text: string, more: Partial<Parameters<typeof importRun>[1]> = {}) {
  const bytes = new TextEncoder().encode(text);
  const read = asText(bytes);
  const layout = read.ok ? sniff(read.value) : read;
  return {
    eventId: randomUUID(),
    runId: randomUUID(),
    jobId,
    who: 'Maren Oake',
    at,
    fileName: 'log.csv',
    bytes,
    layout: (layout.ok ? layout.value : undefined) as Layout,
    options: {},
    ...more
  };
}
const ridge = readFileSync('demo/runs/qh-03-ridge-road.csv', 'utf8');

describe('a run', () => {
  it('is judged, saved whole and read back sample for sample', async () => {
    const { jobId } = await vehicleWithJob('T-10');
    const task = importOf(jobId, ridge);
    const result = await importRun(db, task);
    expect(result.ok && result.value).toEqual({ runId: task.runId, isNew: true });
    const run = (await db.runs.findByPk(task.runId))!;
    expect(run.analysis.verdict).toBe('thermostat-stuck-open');
    const log = await samplesOf(db, run);
    const lines = ridge
      .trim()
      .split('\r\n')
      .slice(1)
      .map((l) => Number(l.split(',')[1]));
    expect([...log.channels.ect_c!]).toEqual(lines);
    expect(log.t.length).toBe(run.sampleCount);
  });

  it('opens a closed job again where it was taken later and says so, and not where it was taken before', async () => {
    const close = async (jobId: string) => {
      const payload = { outcome: 'no fault found', cause: 'none' } as const;
      expect((await write(`job:${jobId}`, { kind: 'job.closed', payload })).ok).toBe(true);
    };
    const stateOf = async (jobId: string) => (await db.jobs.findByPk(jobId))!.state;
    const later = await vehicleWithJob('T-92');
    await close(later.jobId);
    await importRun(db, importOf(later.jobId, ridge, { at: '2026-11-27T09:00:00Z' }));
    expect(await stateOf(later.jobId)).toBe('open');
    const [why] = (await eventsOf(db, `job:${later.jobId}`)).filter((e) => e.kind === 'job.reopened');
    expect(why.payload).toEqual({ why: 'A log that came in later says: thermostat stuck open' });

    const before = await vehicleWithJob('T-93');
    await close(before.jobId);
    await importRun(db, importOf(before.jobId, ridge, { at: '2026-11-23T09:00:00Z' }));
    expect(await stateOf(before.jobId)).toBe('closed');
  });

  it('keeps samples over many chunks, and gives a stretch of them', async () => {
    const { jobId } = await vehicleWithJob('T-11');
    const n = 50_000;
    const text = `t_s,ect_c,rpm\n${Array.from({ length: n }, (_, i) => `${(i / 10).toFixed(1)},${20 + (i % 60)},${800 + (i % 7)}`).join('\n')}\n`;
    const task = importOf(jobId, text);
    await importRun(db, task);
    const run = (await db.runs.findByPk(task.runId))!;
    expect(await db.runChunks.count({ where: { runId: run.id } })).toBe(4);
    const all = await samplesOf(db, run);
    expect([all.t.length, all.t[n - 1], all.channels.rpm![12_345]]).toEqual([
      n,
      (n - 1) / 10,
      800 + (12_345 % 7)
    ]);
    const part = await samplesOf(db, run, 2000, 2100);
    expect(part.t.length).toBeLessThan(n / 2);
    expect(part.t[0]).toBeLessThanOrEqual(2000);
    expect(part.t.at(-1)).toBeGreaterThanOrEqual(2100);
  });

  it('that cannot be read leaves nothing behind', async () => {
    const { jobId } = await vehicleWithJob('T-12');
    const before = await Promise.all([db.runs.count(), db.runChunks.count(), db.events.count()]);
    const result = await importRun(db, importOf(jobId, 't_s,ect_c\n0,20\n1,warm\n2,21\n'));
    expect(!result.ok && result.problems[0]).toMatchObject({ line: 3, field: 'ect_c' });
    expect(await Promise.all([db.runs.count(), db.runChunks.count(), db.events.count()])).toEqual(before);
  });

  it('sent twice is one run, and undone it is gone from the job but not from the record', async () => {
    const { jobId } = await vehicleWithJob('T-13');
    const task = importOf(jobId, ridge);
    await importRun(db, task);
    const again = await importRun(db, task);
    expect(again.ok && again.value.isNew).toBe(false);
    const [{ number }] = await db.jobs.findAll({ where: { id: jobId } });
    expect((await jobView(db, String(number), null)).known.runs).toHaveLength(1);
    await write(`job:${jobId}`, { kind: 'undo', payload: { of: task.eventId } });
    expect((await jobView(db, String(number), null)).known.runs).toHaveLength(0);
    expect((await eventsOf(db, `job:${jobId}`)).map((e) => e.kind)).toEqual([
      'job.opened',
      'run.imported',
      'undo'
    ]);
  });

  it('is judged anew when its sheet has changed', async () => {
    const { jobId, vehicleId } = await vehicleWithJob('T-14');
    const task = importOf(jobId, ridge);
    await importRun(db, task);
    const run = (await db.runs.findByPk(task.runId))!;
    const job = (await db.jobs.findByPk(jobId))!;
    const outdated = async () => (await jobView(db, String(job.number), run.id)).run?.outdated;
    expect(await outdated()).toBeNull();
    await write(`vehicle:${vehicleId}`, {
      kind: 'spec.saved',
      payload: {
        sheet: {
          ...sheet,
          thermostat: { ...sheet.thermostat, startOpenC: 60, fullOpenC: 72, closedByC: 55 },
          regulating: { lowC: 56, highC: 74 }
        }
      }
    });
    expect(await outdated()).toBe('sheet');
    await judgeAgain(db, run.id);
    await run.reload();
    expect(run.analysis.evidence.map((e) => e.text).join()).toContain('should be 56 to 74\u00a0°C');
    expect(await outdated()).toBeNull();
  });

  it('narrows the bands of its vehicle’s later runs where it was healthy, and never its own', async () => {
    const { jobId, vehicleId } = await vehicleWithJob('T-16');
    const [sound, ill] = [
      importOf(jobId, readFileSync('demo/runs/qh-03-proof.csv', 'utf8')),
      importOf(jobId, ridge)
    ];
    await importRun(db, sound);
    await importRun(db, ill);
    expect(await knownGoodRuns(db, vehicleId, sound.runId)).toEqual([]);
    const known = await knownGoodRuns(db, vehicleId);
    expect(known).toHaveLength(1);
    expect(Math.abs(known[0].openC!)).toBeLessThan(4);
    const bandOf = async (runId: string) => (await db.runs.findByPk(runId))!.band!.knownGood;
    expect([await bandOf(sound.runId), await bandOf(ill.runId)]).toEqual([0, 1]);
  });

  it('of a vehicle without a sheet is judged as a typical engine’s, and anew when there is a sheet', async () => {
    const [vehicleId, jobId] = [randomUUID(), randomUUID()];
    await write(`vehicle:${vehicleId}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'T-15', name: 'Kvesta Scoot', note: '' }
    });
    await write(`job:${jobId}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Runs hot' } });
    const task = importOf(jobId, ridge);
    expect(await importRun(db, task)).toMatchObject({ ok: true });
    const { number } = (await db.jobs.findByPk(jobId))!;
    const run = async () => (await jobView(db, String(number), task.runId)).run!;
    expect((await run()).sheet).toEqual({ format: 'pyrethos.spec-sheet', version: 1, name: 'Kvesta Scoot' });
    expect((await run()).outdated).toBeNull();
    await write(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet } });
    expect((await run()).outdated).toBe('sheet');
  });
});
