import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Database } from '../db/database';
import { loadDemo } from '../files/demo';
import { migrate } from '../db/migrate';
import { append } from './record';
import { eventsOf } from './events';
import { at, recordBench, sheet } from '../../../../tests/support/record-bench';
import { testDatabase } from '../db/test-database';
import { jobLines, vehicleLines, vehiclesPage } from '../views/lists';

let db: Database;
let drop: () => Promise<void>;
const { write, vehicleWithJob } = recordBench(() => db);

beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

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
      message: 'Tap what the driver noticed, or type it'
    });
    const nothing = await write(`job:${id}`, { kind: 'undo', payload: { of: randomUUID() } });
    expect(!nothing.ok && nothing.problems[0].message).toContain('no such entry');
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
