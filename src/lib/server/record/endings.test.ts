import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EventInput } from '../../../core/record/events';
import { MODEL_VERSION } from '../../../core/runs/analyse';
import type { Database } from '../db/database';
import { loadYear } from '../files/demo-year';
import { fleetView } from '../runs/memory';
import { migrate } from '../db/migrate';
import { numbersView } from '../views/numbers';
import { projectLines } from '../cases/lines';
import { append } from './record';
import { demoDatabase, testDatabase, type TestDatabase } from '../db/test-database';
import { dueLines, jobsFound } from '../views/lists';

let there: TestDatabase;
let db: Database;
const who = 'Maren Oake';
const day = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString();
const date = (n: number) => day(n).slice(0, 10);

beforeAll(async () => {
  there = await demoDatabase();
  db = there.db;
  await loadYear(db, 'demo/year', new Date());
}, 120_000);
afterAll(() => there.drop());

const write = (stream: string, body: EventInput, at = day(0)) =>
  append(db, { id: randomUUID(), stream, who, at, ...body });
async function closed(lookAgain: string | null): Promise<string> {
  const vehicle = await db.vehicles.findOne({ where: { fleetNo: 'QH-03' }, rejectOnEmpty: true });
  const stream = `job:${randomUUID()}`;
  await write(stream, {
    kind: 'job.opened',
    payload: { vehicleId: vehicle.id, complaint: 'Cold', symptoms: [] }
  });
  await write(stream, { kind: 'repair.done', payload: { repairs: ['thermostat'] } });
  await write(stream, {
    kind: 'job.closed',
    payload: { outcome: 'fixed, unproven', cause: 'thermostat-stuck-open', lookAgain }
  });
  return stream;
}

describe('the migration to endings', () => {
  it('keeps jobs and runs that were there, and derives how they ended', async () => {
    const old = await testDatabase('0005-causes');
    const [vehicle, job] = [randomUUID(), randomUUID()];
    const closedAt = day(-7);
    const { sequelize } = old.db;
    const event = (stream: string, kind: string, payload: object, at: string) =>
      sequelize.query(
        'INSERT INTO events (id, stream, kind, payload, who, at) VALUES ($1, $2, $3, $4, $5, $6)',
        { bind: [randomUUID(), stream, kind, JSON.stringify(payload), who, at] }
      );
    await sequelize.query(
      "INSERT INTO vehicles (id, fleet_no, name, note) VALUES ($1, 'QH-30', 'Kvesta Parcel', '')",
      { bind: [vehicle] }
    );
    await sequelize.query(
      "INSERT INTO jobs (id, vehicle_id, complaint, state, outcome, opened_at, last_at, words) VALUES ($1, $2, 'Hot', 'closed', 'fixed, unproven', now(), now(), '')",
      { bind: [job, vehicle] }
    );
    await event(`job:${job}`, 'job.opened', { vehicleId: vehicle, complaint: 'Hot', symptoms: [] }, day(-9));
    await event(
      `job:${job}`,
      'repair.done',
      { repairs: ['cap'], steps: [], torqueNm: {}, parts: [], why: '' },
      day(-8)
    );
    await event(
      `job:${job}`,
      'job.closed',
      { outcome: 'fixed, unproven', cause: 'pressure-cap-weak', lookAgain: '2026-12-24' },
      closedAt
    );
    expect(await migrate(old.db)).toContain('0006-endings');
    const row = await old.db.jobs.findByPk(job, { rejectOnEmpty: true });
    expect(row).toMatchObject({ state: 'closed', lookAgain: '2026-12-24' });
    expect(await projectLines(old.db)).toBe(1);
    const [rows] = await sequelize.query('SELECT ending FROM jobs');
    expect(rows).toMatchObject([{ ending: { repairs: ['cap'], goes: 1, comebacks: 0 } }]);
    expect(row.closedAt!.toISOString()).toBe(closedAt);
    await old.drop();
  });
});

describe('what is due again', () => {
  it('is a closed job until it was looked at, and comes back with undo', async () => {
    const stream = await closed(date(3));
    const due = async () => (await dueLines(db, date(7))).map((d) => [d.due, d.complaint]);
    expect(await due()).toContainEqual([date(3), 'Cold']);
    expect((await dueLines(db, date(2))).map((d) => d.due)).not.toContain(date(3));
    const id = randomUUID();
    await append(db, { id, stream, who, at: day(0), kind: 'job.rechecked', payload: { holds: true } });
    expect(await due()).not.toContainEqual([date(3), 'Cold']);
    await write(stream, { kind: 'undo', payload: { of: id } });
    expect(await due()).toContainEqual([date(3), 'Cold']);
    // Looked at on the next day, it is looked at once more after the week.
    const again = { holds: true, note: 'dry', next: date(6) };
    await append(db, { id: randomUUID(), stream, who, at: day(0), kind: 'job.rechecked', payload: again });
    expect(await due()).toContainEqual([date(6), 'Cold']);
    await write(stream, { kind: 'job.reopened', payload: { why: 'Cold again' } });
    expect((await due()).filter(([, complaint]) => complaint === 'Cold')).toEqual([]);
  });
});

describe('a decision and its quotes', () => {
  it('are of the record, refused without a reason or a price', async () => {
    const stream = await closed(null);
    expect(
      await write(stream, { kind: 'repair.decided', payload: { repairs: ['thermostat'], why: ' ' } })
    ).toMatchObject({
      ok: false,
      problems: [{ field: 'why' }]
    });
    const quote = { repair: 'thermostat' as const, supplier: 'Harbour stores', days: 0 };
    expect(await write(stream, { kind: 'part.quoted', payload: { ...quote, price: -4 } })).toMatchObject({
      ok: false,
      problems: [{ field: 'price', message: 'A price is 0 or more' }]
    });
    expect(await write(stream, { kind: 'part.quoted', payload: { ...quote, price: 44 } })).toMatchObject({
      ok: true
    });
  });
});

describe('a year of the depot', () => {
  it('adds up: numbers, causes and the jobs behind them', async () => {
    const { now } = await numbersView(db, { from: date(-370), to: date(1) });
    expect(now.jobs).toBe((await jobsFound(db, { state: 'closed', limit: 1 })).count);
    expect(now.jobs).toBeGreaterThan(135);
    expect(now.causes.reduce((sum, c) => sum + c.n, 0)).toBe(now.jobs);
    expect(now.months.reduce((sum, m) => sum + m.jobs, 0)).toBe(now.jobs);
    expect(now.comebacks).toBeGreaterThan(0);
    expect(now.firstTime!).toBeGreaterThan(0.5);
    expect(now.firstTime!).toBeLessThan(1);
    const none = await numbersView(db, { from: '2001-01-01', to: '2001-02-01' });
    expect(none.now).toMatchObject({ jobs: 0, firstTime: null });
  });

  it('tells of one thermostat that opens earlier month by month, and of no healthy vehicle', async () => {
    const { fleet, drifted } = await fleetView(db);
    const warned = fleet.filter((v) => (v.memory?.warnings.length ?? 0) > 0);
    expect(drifted).toBe(1);
    expect(warned.map((v) => v.fleetNo)).toEqual(['QH-31']);
    expect(warned[0].memory!.warnings[0]).toMatch(
      /^Opens [23](\.\d)?.°C ± .* lower than in .*\. Check the thermostat/
    );
  });

  it('is found by words, page by page', async () => {
    const words = ['heater', 'QH-2'];
    const all = await jobsFound(db, { words });
    expect(all.count).toBeGreaterThan(2);
    expect(all.lines).toHaveLength(all.count);
    for (const l of all.lines) expect(l.fleetNo).toMatch(/^QH-2/);
    const second = await jobsFound(db, { words, limit: 2, offset: 2 });
    expect(second.lines.map((l) => l.id)).toEqual(all.lines.slice(2, 4).map((l) => l.id));
    expect(second.count).toBe(all.count);
    // Past the end there is nothing to show, and as many as there were.
    expect(await jobsFound(db, { words, limit: 2, offset: 900 })).toEqual({ count: all.count, lines: [] });
  });

  it('is loaded once, and was judged by the model of today', async () => {
    expect(await loadYear(db, 'demo/year', new Date(Date.now() + 3 * 86_400_000))).toBe(0);
    const versions = await db.runs.findAll({ attributes: ['analysis'] });
    // An older one would be judged anew at every load, which takes minutes: npm run demo:make.
    expect(versions.filter((r) => r.analysis.modelVersion !== MODEL_VERSION)).toEqual([]);
  });
});
