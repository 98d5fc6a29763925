import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readJobFile } from '../../../core/handover/job-file';
import { deriveJob } from '../../../core/record/derive';
import type { EventInput } from '../../../core/record/events';
import type { Database } from '../db/database';
import { cardView } from './card';
import { find } from './find';
import { exportJob } from '../files/job-export';
import { migrate, MIGRATION_NAMES } from '../db/migrate';
import sharp from 'sharp';
import { attachPhoto, pictureType } from '../files/photos';
import { append } from '../record/record';
import { testDatabase } from '../db/test-database';
import { openLines } from './lists';

let db: Database;
let drop: () => Promise<void>;
const sheet = JSON.parse(readFileSync('demo/specs/qh-11-fathom.spec.json', 'utf8'));
const hoursAgo = (h: number) => new Date(Date.now() - h * 3_600_000).toISOString();
const PNG = new Uint8Array(readFileSync('docs/screenshots/vehicle.png'));

beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

const write = (stream: string, body: EventInput, at = hoursAgo(0), id: string = randomUUID()) =>
  append(db, { id, stream, who: 'Maren Oake', at, ...body });

async function job(fleetNo: string): Promise<string> {
  const [vehicleId, jobId] = [randomUUID(), randomUUID()];
  await write(`vehicle:${vehicleId}`, {
    kind: 'vehicle.entered',
    payload: { fleetNo, name: 'Ostrelle Fathom 2.2 diesel', note: 'Ambulance' }
  });
  await write(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet } });
  await write(`job:${jobId}`, {
    kind: 'job.opened',
    payload: { vehicleId, complaint: 'Hot in the queue', symptoms: [{ what: 'ac-off', when: ['crawl'] }] }
  });
  return jobId;
}
const soak = (hoursStood: number): EventInput => ({
  kind: 'check.recorded',
  payload: { check: 'soak', readings: { hoursStood, lastC: 90, ambientC: 5 } }
});
const play: EventInput = {
  kind: 'check.recorded',
  payload: { check: 'clutch-play', readings: { tipMm: 9, moves: 'pump', feels: 'rough' } }
};
const lineOf = async (fleetNo: string) => (await openLines(db)).find((l) => l.fleetNo === fleetNo)!;

describe('the migration to intake and checks', () => {
  it('derives search and heat of jobs that were there before, and leaves the record as it was', async () => {
    const old = await testDatabase('0001-ground');
    const [vehicleId, jobId] = [randomUUID(), randomUUID()];
    const insert = (stream: string, kind: string, payload: object) =>
      old.db.sequelize.query(
        'INSERT INTO events (id, stream, kind, payload, who, at) VALUES ($1, $2, $3, $4, $5, $6)',
        { bind: [randomUUID(), stream, kind, JSON.stringify(payload), 'Tobin Skarre', hoursAgo(3)] }
      );
    await insert(`vehicle:${vehicleId}`, 'vehicle.entered', {
      fleetNo: 'M-01',
      name: 'Tarrock Heron 3.0',
      note: ''
    });
    await insert(`job:${jobId}`, 'job.opened', { vehicleId, complaint: 'Climbs on the hill' });
    await insert(`job:${jobId}`, 'job.noted', { text: 'Resistor taped to the loom' });
    await old.db.sequelize.query('INSERT INTO vehicles (id, fleet_no, name) VALUES ($1, $2, $3)', {
      bind: [vehicleId, 'M-01', 'Tarrock Heron 3.0']
    });
    await old.db.sequelize.query(
      'INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at) VALUES ($1, $2, $3, $4, $5, $5)',
      { bind: [jobId, vehicleId, 'Climbs on the hill', 'open', hoursAgo(3)] }
    );
    expect(await migrate(old.db)).toEqual(MIGRATION_NAMES.slice(1));
    expect((await find(old.db, 'resistor loom')).jobs.map((j) => j.fleetNo)).toEqual(['M-01']);
    const [line] = await openLines(old.db);
    expect([line.complaint, line.results, line.heat.phase]).toEqual(['Climbs on the hill', [], 'unknown']);
    expect(await old.db.events.count()).toBe(3);
    await old.drop();
  });
});

describe('the migration to live runs', () => {
  it('leaves jobs, runs and the record as they were, and is ready to record', async () => {
    const old = await testDatabase('0002-intake');
    const [vehicleId, jobId] = [randomUUID(), randomUUID()];
    const { sequelize } = old.db;
    await sequelize.query('INSERT INTO vehicles (id, fleet_no, name) VALUES ($1, $2, $3)', {
      bind: [vehicleId, 'M-02', 'Kvesta Scoot 1.2']
    });
    await sequelize.query(
      "INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at, words) VALUES ($1, $2, 'Codes', 'open', now(), now(), 'codes')",
      { bind: [jobId, vehicleId] }
    );
    expect(await migrate(old.db, '0003-live')).toEqual(['0003-live']);
    const jobs = await old.db.jobs.findAll({ attributes: ['complaint'] });
    expect(jobs.map((j) => j.complaint)).toEqual(['Codes']);
    const record = () =>
      sequelize.query(
        'INSERT INTO recordings (run_id, job_id, vehicle_id, started_at) VALUES ($1, $2, $3, now())',
        {
          bind: [randomUUID(), jobId, vehicleId]
        }
      );
    await record();
    await expect(record()).rejects.toThrow();
    await old.drop();
  });
});

describe('checks in the record', () => {
  it('show in the line of the job: results, and how the engine stands', async () => {
    const id = await job('C-01');
    await write(`job:${id}`, soak(14));
    await write(`job:${id}`, play);
    const line = await lineOf('C-01');
    expect(line.results).toEqual([
      { check: 'soak', result: 'pass' },
      { check: 'clutch-play', result: 'fail' }
    ]);
    expect(line.heat).toMatchObject({ phase: 'cold', soaked: true });
  });

  it('are judged anew when an entry before them is undone', async () => {
    const id = await job('C-02');
    const soaking = randomUUID();
    await write(`job:${id}`, soak(14), hoursAgo(1), soaking);
    await write(
      `job:${id}`,
      {
        kind: 'check.recorded',
        payload: {
          check: 'clutch-cold-turn',
          readings: { firstTurn: 'none', freeTurns: null, laterTurns: null }
        }
      },
      hoursAgo(0.9)
    );
    const result = async () =>
      (await lineOf('C-02')).results.find((r) => r.check === 'clutch-cold-turn')!.result;
    expect(await result()).toBe('fail');
    await write(`job:${id}`, { kind: 'undo', payload: { of: soaking } });
    expect(await result()).toBe('void');
  });

  it('are refused whole where the sheet rules them out, by field and limit', async () => {
    const id = await job('C-03');
    const before = await db.events.count();
    const hot = await write(`job:${id}`, {
      kind: 'engine.noted',
      payload: { kind: 'measured', at: hoursAgo(0), coolantC: 150, ambientC: null }
    });
    expect(!hot.ok && hot.problems[0]).toMatchObject({
      field: 'coolantC',
      message: expect.stringContaining('hotter than this sealed system')
    });
    const cold = await append(db, {
      id: randomUUID(),
      stream: `job:${id}`,
      who: 'x',
      at: hoursAgo(0),
      ...soak(-1)
    });
    expect(!cold.ok && cold.problems[0].field).toBe('hoursStood');
    expect(await db.events.count()).toBe(before);
  });

  it('of one vehicle tell the heat of its other jobs', async () => {
    const id = await job('C-04');
    await write(`job:${id}`, soak(2));
    const { vehicleId } = (await db.jobs.findByPk(id))!;
    await write(`job:${randomUUID()}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Another' } });
    const lines = (await openLines(db)).filter((l) => l.fleetNo === 'C-04');
    expect(lines.map((l) => l.heat.phase)).toEqual(['cooling', 'cooling']);
    expect(lines[0].heat.soakedFrom! > new Date().toISOString()).toBe(true);
  });
});

describe('photos', () => {
  const attach = (
    jobId: string,
    bytes: Uint8Array,
    eventId: string = randomUUID(),
    photoId: string = randomUUID()
  ) =>
    attachPhoto(db, {
      eventId,
      photoId,
      stream: `job:${jobId}`,
      who: 'Maren Oake',
      at: hoursAgo(0),
      caption: 'Crust below the pump',
      bytes
    });

  it('are kept once however often they are sent, and go when they are undone', async () => {
    const id = await job('P-01');
    const [event, photo] = [randomUUID(), randomUUID()];
    expect((await attach(id, PNG, event, photo)).ok).toBe(true);
    const again = await attach(id, PNG, event, photo);
    expect(again.ok && again.value.isNew).toBe(false);
    const kept = await sharp((await db.photos.findByPk(photo))!.data).metadata();
    expect([kept.format, kept.width, kept.height]).toEqual(['png', 1280, 800]);
    await write(`job:${id}`, { kind: 'undo', payload: { of: event } });
    expect((await db.photos.findByPk(photo))!.active).toBe(false);
    expect((await exportJob(db, id))!.photos).toEqual([]);
  });

  it('are drawn anew: upright, no larger than they need be, without place and device', async () => {
    const id = await job('P-03');
    const bytes = await sharp({ create: { width: 3000, height: 1000, channels: 3, background: 'red' } })
      .withMetadata({ orientation: 6 })
      .withExifMerge({ IFD0: { Make: 'Quillphone' }, IFD3: { GPSLatitudeRef: 'N' } })
      .jpeg()
      .toBuffer();
    expect((await sharp(bytes).metadata()).exif).toBeDefined();
    const photo = randomUUID();
    expect((await attach(id, bytes, randomUUID(), photo)).ok).toBe(true);
    const { data } = (await db.photos.findByPk(photo))!;
    const kept = await sharp(data).metadata();
    expect([kept.exif, kept.orientation, kept.width, kept.height]).toEqual([undefined, undefined, 800, 2400]);
    expect(Buffer.from(data).includes('Quillphone')).toBe(false);
    // A picture that breaks off is none.
    const cut = await attach(id, bytes.subarray(0, 400));
    expect(!cut.ok && cut.problems[0].message).toContain('cannot be read as a picture');
  });

  it('are forty a job, however many come at once', async () => {
    const id = await job('P-04');
    const small = await sharp({ create: { width: 2, height: 2, channels: 3, background: 'red' } })
      .png()
      .toBuffer();
    for (let n = 0; n < 39; n++) await attach(id, small);
    const answers = await Promise.all([1, 2, 3].map(() => attach(id, small)));
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
    const late = answers.find((a) => !a.ok)!;
    expect(!late.ok && late.problems[0].message).toContain('has 40 photos already');
  });

  it('are pictures by their bytes, whatever they are called, and bounded', async () => {
    const id = await job('P-02');
    const text = await attach(id, new TextEncoder().encode('<svg onload="alert(1)">'));
    expect(!text.ok && text.problems[0].message).toContain('is no picture');
    const big = new Uint8Array(6 * 1024 * 1024 + 1);
    big.set([0xff, 0xd8, 0xff]);
    const large = await attach(id, big);
    expect(!large.ok && large.problems[0].message).toContain('larger than 6 MB');
    expect(await db.photos.count({ where: { stream: `job:${id}` } })).toBe(0);
    expect([pictureType(PNG), pictureType(new Uint8Array([0x47, 0x49, 0x46]))]).toEqual(['image/png', null]);
    expect((await attach(randomUUID(), PNG)).ok).toBe(false);
  });
});

describe('a job file', () => {
  it('holds the whole record, and what was made of it for a reader without Pyrethos', async () => {
    const id = await job('F-01');
    await write(`job:${id}`, soak(14));
    await write(`job:${id}`, play);
    await attachPhoto(db, {
      eventId: randomUUID(),
      photoId: randomUUID(),
      stream: `job:${id}`,
      who: 'Maren Oake',
      at: hoursAgo(0),
      caption: 'Pulley',
      bytes: PNG
    });
    const read = readJobFile(JSON.parse(JSON.stringify(await exportJob(db, id))));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const file = read.value;
    expect(read.warnings).toEqual([]);
    expect(file.checks.map((c) => [c.check, c.result])).toEqual([
      ['soak', 'pass'],
      ['clutch-play', 'fail']
    ]);
    expect(file.checks[1].says).toContain('The pump is at fault');
    expect(deriveJob(file.events)!.checks).toHaveLength(2);
    const photo = await sharp(Buffer.from(file.photos[0].base64, 'base64')).metadata();
    expect([photo.format, photo.width]).toEqual(['png', 1280]);
    expect(file.sheet!.name).toBe('Ostrelle Fathom 2.2 diesel');
  });

  it('of a newer version is refused with both numbers', () => {
    const read = readJobFile({ format: 'pyrethos.job', version: 3 });
    expect(!read.ok && read.problems[0].message).toContain('is 3; this Pyrethos reads up to version 1');
    const broken = readJobFile({ format: 'pyrethos.job', version: 1, number: 0 });
    expect(!broken.ok && broken.problems.map((p) => p.field)).toEqual(
      expect.arrayContaining(['number', 'events', 'vehicle'])
    );
  });
});

describe('search', () => {
  it('finds jobs by every word of complaint, symptom, reading or note, and vehicles by their sheet', async () => {
    const id = await job('S-77');
    await write(`job:${id}`, {
      kind: 'job.noted',
      payload: { text: 'Pump comes with the ferry, 100% sure' }
    });
    await write(`job:${id}`, {
      kind: 'check.recorded',
      payload: { check: 'codes', readings: { codes: [{ code: 'P0217', state: 'pending' }] } }
    });
    const numbers = async (text: string) => (await find(db, text)).jobs.map((j) => j.fleetNo);
    expect(await numbers('p0217')).toEqual(['S-77']);
    expect(await numbers('FERRY pump')).toEqual(['S-77']);
    expect(await numbers('100%')).toEqual(['S-77']);
    expect(await numbers('ferry zebra')).toEqual([]);
    expect(await numbers('s-77 cuts out')).toEqual(['S-77']);
    expect((await find(db, 's-77 fathom')).vehicles.map((v) => v.fleetNo)).toEqual(['S-77']);
    expect(await find(db, "'; DROP TABLE jobs; --")).toEqual({ jobs: [], vehicles: [] });
    expect(await find(db, ' ')).toEqual({ jobs: [], vehicles: [] });
  });
});

describe('a check on paper', () => {
  it('carries the code that leads back to its sheet', async () => {
    const { number } = (await db.jobs.findByPk(await job('ZZ-77')))!;
    const card = await cardView(db, String(number), 'codes', 'https://shop.lan:5180');
    const back = `https://shop.lan:5180/jobs/${number}?check=codes`;
    expect(card).toMatchObject({ number, check: 'codes', back });
    expect(Buffer.from(card.code.split(',')[1]!, 'base64').toString()).toContain('<svg');
    const none = cardView(db, String(number), 'nothing', 'https://shop.lan');
    await expect(none).rejects.toMatchObject({ status: 404 });
  });
});
