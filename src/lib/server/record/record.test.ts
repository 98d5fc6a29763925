import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { asText, sniff, type Layout } from '../../../core/logs/csv-sniff';
import type { EventInput } from '../../../core/record/events';
import type { Database } from '../db/database';
import { loadDemo } from '../files/demo';
import { jobView } from '../views/job';
import { judgeAgain } from '../runs/judge';
import { knownGoodRuns } from '../runs/known-good';
import { migrate } from '../db/migrate';
import { append } from './record';
import { eventsOf } from './events';
import { importRun, samplesOf } from '../runs/runs';
import { testDatabase } from '../db/test-database';
import { jobLines, vehicleLines, vehiclesPage } from '../views/lists';

let db: Database;
let drop: () => Promise<void>;
const sheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const at = '2026-11-24T08:00:00.000Z';

beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

const write = (stream: string, body: EventInput, id: string = randomUUID()) =>
  append(db, { id, stream, who: 'Maren Oake', at, ...body });

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

describe('migrations', () => {
  it('run once, from nothing, and again do nothing', async () => {
    expect(await migrate(db)).toEqual([]);
    const fresh = await testDatabase('0001-ground');
    expect(await fresh.db.jobs.count()).toBe(0);
    await fresh.drop();
  });
});

describe('the record', () => {
  it('is append-only, whoever asks', async () => {
    await vehicleWithJob('T-01');
    await expect(db.sequelize.query("UPDATE events SET who = 'someone else'")).rejects.toThrow('append-only');
    await expect(db.sequelize.query('DELETE FROM events')).rejects.toThrow('append-only');
  });

  it('takes an event sent twice once, even at the same moment', async () => {
    const { jobId } = await vehicleWithJob('T-02');
    const id = randomUUID();
    const answers = await Promise.all(
      [1, 2, 3].map(() =>
        write(`job:${jobId}`, { kind: 'job.noted', payload: { text: 'Level at the mark' } }, id)
      )
    );
    expect(answers.filter((a) => a.ok && a.value.isNew)).toHaveLength(1);
    expect(answers.every((a) => a.ok)).toBe(true);
    expect((await eventsOf(db, `job:${jobId}`)).filter((e) => e.kind === 'job.noted')).toHaveLength(1);
  });

  it('takes an id once: the same entry again is fine, another one under it is refused as a conflict', async () => {
    const { jobId } = await vehicleWithJob('QH-81');
    const note = (text: string) => ({
      id,
      stream: `job:${jobId}`,
      who: 'Maren Oake',
      at,
      kind: 'job.noted',
      payload: { text }
    });
    const id = randomUUID();
    const send = (text: string) => append(db, note(text), undefined, 'same-contents');
    expect(await send('Level low')).toMatchObject({ ok: true, value: { isNew: true } });
    expect(await send('Level low')).toMatchObject({ ok: true, value: { isNew: false } });
    expect(await send('Level right')).toMatchObject({
      ok: false,
      problems: [{ field: 'id', conflict: true }]
    });
    expect((await eventsOf(db, `job:${jobId}`)).at(-1)).toMatchObject({ payload: { text: 'Level low' } });
  });

  it('refuses what speaks of nothing that is here, and an entry in the record of another kind', async () => {
    const { vehicleId, jobId } = await vehicleWithJob('QH-82');
    const before = await db.events.count();
    const nobody = randomUUID();
    const refusals = [
      await write(`job:${randomUUID()}`, {
        kind: 'job.opened',
        payload: { vehicleId: nobody, complaint: 'Hot' }
      }),
      await write(`job:${nobody}`, { kind: 'job.noted', payload: { text: 'Of no job' } }),
      await write(`vehicle:${nobody}`, { kind: 'spec.saved', payload: { sheet } }),
      await write(`vehicle:${vehicleId}`, { kind: 'job.noted', payload: { text: 'Astray' } }),
      await write(`job:${jobId}`, { kind: 'vehicle.entered', payload: { fleetNo: 'X', name: 'Y' } }),
      await append(db, {
        id: randomUUID(),
        stream: `job:${jobId}`,
        who: 'X',
        at: '9999-01-01T00:00:00Z',
        kind: 'job.noted',
        payload: { text: 'Far ahead' }
      }),
      await write(`job:${jobId}`, {
        kind: 'engine.noted',
        payload: { kind: 'started', at: '0000-01-01T00:00:00Z' }
      })
    ];
    expect(refusals.map((r) => (r.ok ? 'taken' : r.problems[0].field))).toEqual([
      'vehicleId',
      'stream',
      'stream',
      'stream',
      'stream',
      'at',
      'at'
    ]);
    expect(await db.events.count()).toBe(before);
  });

  it('goes back to the sheet before, and forward again', async () => {
    const { vehicleId, sheetEvent } = await vehicleWithJob('T-03');
    const [second, undo] = [randomUUID(), randomUUID()];
    await write(
      `vehicle:${vehicleId}`,
      { kind: 'spec.saved', payload: { sheet: { ...sheet, name: 'Changed' } } },
      second
    );
    const current = async () => (await db.vehicles.findByPk(vehicleId))!.specSheetId;
    expect(await current()).toBe(second);
    await write(`vehicle:${vehicleId}`, { kind: 'undo', payload: { of: second } }, undo);
    expect(await current()).toBe(sheetEvent);
    await write(`vehicle:${vehicleId}`, { kind: 'undo', payload: { of: undo } });
    expect(await current()).toBe(second);
  });

  it('refuses what makes no sense, naming the field, and keeps nothing of it', async () => {
    await vehicleWithJob('T-04');
    const id = randomUUID();
    const twice = await write(`vehicle:${id}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 't-04', name: 'Another', note: '' }
    });
    expect(!twice.ok && twice.problems).toEqual([
      { field: 'fleetNo', message: 'another vehicle already has this fleet number' }
    ]);
    expect(await eventsOf(db, `vehicle:${id}`)).toEqual([]);
    const empty = await append(db, {
      id: randomUUID(),
      stream: `job:${id}`,
      who: 'Maren Oake',
      at,
      kind: 'job.opened',
      payload: { vehicleId: id, complaint: ' ' }
    });
    expect(!empty.ok && empty.problems[0]).toEqual({
      field: 'complaint',
      message: 'Tap what the driver noticed, or write it down'
    });
    const nothing = await write(`job:${id}`, { kind: 'undo', payload: { of: randomUUID() } });
    expect(!nothing.ok && nothing.problems[0].message).toContain('no such entry');
  });
});

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

describe('the demo workshop', () => {
  it('loads once, shows every vehicle with a run, and leaves what was changed as it is', async () => {
    const own = await testDatabase();
    const now = new Date('2026-11-24T09:00:00Z');
    expect(await loadDemo(own.db, 'demo', now)).toBeGreaterThan(100);
    const lines = await jobLines(own.db);
    const vehicles = await vehicleLines(own.db);
    for (const fleetNo of ['QH-03', 'QH-07', 'QH-11', 'QH-14', 'QH-19', 'QH-22', 'QH-26'])
      expect(
        lines.some((l) => l.fleetNo === fleetNo && l.lastRun),
        fleetNo
      ).toBe(true);
    const checks = new Set(lines.flatMap((l) => l.results.map((r) => r.check)));
    for (const id of [
      'soak',
      'codes',
      'level-and-look',
      'cold-agreement',
      'clutch-cold-turn',
      'clutch-play'
    ] as const)
      expect(checks).toContain(id);
    expect(new Set(lines.flatMap((l) => l.results.map((r) => r.result)))).toEqual(
      new Set(['pass', 'fail', 'unclear', 'void'])
    );
    expect(lines.find((l) => l.outcome === 'fixed and proven')?.lastRun?.title).toBe('Works as designed');

    const note = {
      id: randomUUID(),
      stream: `vehicle:${vehicles[0].id}`,
      who: 'Tobin Skarre',
      at,
      kind: 'vehicle.entered',
      payload: { fleetNo: vehicles[0].fleetNo, name: 'Renamed', note: '' }
    };
    await append(own.db, note);
    expect(await loadDemo(own.db, 'demo', now)).toBe(0);
    expect((await vehicleLines(own.db, vehicles[0].id))[0].name).toBe('Renamed');
    const found = await vehiclesPage(own.db, 'renamed', 7);
    expect(found).toMatchObject({ all: vehicles.length, page: 1, pages: 1 });
    expect(found.vehicles.map((v) => v.id)).toEqual([vehicles[0].id]);
    const clutched = vehicles.filter((v) => v.sheet?.clutch).map((v) => v.id);
    expect(clutched.length).toBeGreaterThan(0);
    expect((await vehiclesPage(own.db, 'Clutch fan')).vehicles.map((v) => v.id)).toEqual(clutched);
    expect((await vehiclesPage(own.db, 'renamed nowhere')).vehicles).toEqual([]);
    await own.drop();
  });
});
