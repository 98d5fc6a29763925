import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { counts } from '../../../../tests/support/record-bench';
import { readJobFile, type JobFile } from '../../../core/handover/job-file';
import type { RecordEvent } from '../../../core/record/events';
import openFiles from '../../workers/open-files';
import { openInWorker, zipStream } from './archive';
import { bringIn } from './bring-in';
import type { Database } from '../db/database';
import { exportJob, exportWorkshop } from './job-export';
import { append } from '../record/record';
import { vehiclePhotos } from '../views/vehicle';
import { attachPhoto } from './photos';
import { seeded } from '../../../core/base/random';
import { demoDatabase, testDatabase } from '../db/test-database';

type Made = Awaited<ReturnType<typeof testDatabase>>;
let home: Made;
let away: Made;
let file: JobFile;

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
/** What a file says apart from the hour it was written. */
const told = (f: JobFile | null) => plain({ ...f!, exportedAt: '' });
const exported = async (db: Database, id: string): Promise<JobFile> => {
  const read = readJobFile(plain(await exportJob(db, id)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};
const problemsOf = async (db: Database, f: JobFile) => {
  const result = await bringIn(db, { jobs: [f] });
  return result.ok ? [] : result.problems.map((p) => `${p.field}: ${p.message}`);
};
/** What a workshop says of itself, without its jobs. */
async function workshop(): Promise<object> {
  for await (const { name, json } of exportWorkshop(home.db, { number: -1 }))
    if (name === 'workshop.json') return json as object;
  throw new Error('no workshop.json');
}
beforeAll(async () => {
  home = await demoDatabase();
  away = await testDatabase();
  const done = await home.db.jobs.findOne({ where: { outcome: 'fixed and proven' }, rejectOnEmpty: true });
  file = await exported(home.db, done.id);
}, 120_000);
afterAll(async () => {
  await home?.drop();
  await away?.drop();
});

describe('a job file', () => {
  it('brought into an empty workshop is the job again, entry for entry and sample for sample', async () => {
    const result = await bringIn(away.db, { jobs: [file] });
    expect(result).toMatchObject({ ok: true, value: { jobs: [{ number: file.number, isNew: true }] } });
    const again = await exportJob(away.db, file.events[0].stream.slice(4));
    expect(file.runs.length).toBeGreaterThan(1);
    expect(told(again).events).toEqual(told(file).events);
    expect(told(again).runs.map((r) => r.csv)).toEqual(told(file).runs.map((r) => r.csv));
    expect(told(again).checks).toEqual(told(file).checks);
    // The verdict is this workshop's own and the same; only the band, and the case that reads what else
    // the workshop knew, know no other jobs of the vehicle.
    const bare = ({ known: _known, case: _case, ...f }: JobFile) => ({
      ...f,
      runs: f.runs.map((r) => ({ ...r, band: null }))
    });
    expect(bare(told(again))).toEqual(bare(told(file)));
    expect(await away.db.jobs.findOne({ where: { number: file.number } })).toMatchObject({
      state: 'closed',
      outcome: 'fixed and proven',
      cause: 'thermostat-stuck-open'
    });
  });

  it('brought in twice changes nothing; with more entries it adds them', async () => {
    const before = await counts(away.db);
    expect(await bringIn(away.db, { jobs: [file] })).toMatchObject({
      ok: true,
      value: { entries: 0, jobs: [{ isNew: false }] }
    });
    expect(await counts(away.db)).toEqual(before);
    const stream = file.events[0].stream;
    const note = { id: randomUUID(), stream, who: 'Maren Oake', at: new Date().toISOString() };
    const more = {
      ...note,
      kind: 'job.noted',
      payload: { text: 'Seen in the yard, runs well' }
    } as RecordEvent;
    expect(await bringIn(away.db, { jobs: [{ ...file, events: [...file.events, more] }] })).toMatchObject({
      ok: true,
      value: { entries: 1 }
    });
  });

  it('brings a picture in without the place and the device that a phone wrote into it', async () => {
    const spoken = (bytes: Buffer, photoId = randomUUID()) => {
      const more = plain(file);
      const stream = more.events[0].stream;
      const entry = { id: randomUUID(), stream, who: 'Maren Oake', at: new Date().toISOString(), version: 1 };
      more.events.push({
        ...entry,
        kind: 'photo.attached',
        payload: { photoId, caption: '', mime: 'image/jpeg', sizeBytes: bytes.length }
      } as RecordEvent);
      more.photos.push({ id: photoId, mime: 'image/jpeg', caption: '', base64: bytes.toString('base64') });
      return { more, photoId };
    };
    const drawn = sharp({ create: { width: 300, height: 100, channels: 3, background: 'red' } });
    const plainly = await drawn.jpeg().toBuffer();
    const placed = await drawn
      .withExifMerge({ IFD0: { Make: 'Quillphone' }, IFD3: { GPSLatitudeRef: 'N' } })
      .jpeg()
      .toBuffer();
    for (const [bytes, asItWas] of [
      [placed, false],
      [plainly, true]
    ] as const) {
      const { more, photoId } = spoken(bytes);
      expect(await bringIn(away.db, { jobs: [more] })).toMatchObject({ ok: true });
      const { data } = (await away.db.photos.findByPk(photoId))!;
      expect((await sharp(data).metadata()).exif).toBeUndefined();
      expect(data.equals(bytes)).toBe(asItWas);
    }
    const { more } = spoken(plainly.subarray(0, 200));
    expect((await bringIn(away.db, { jobs: [more] })).ok).toBe(false);
  });

  it('with an entry that is here with other contents is refused whole, and the entry named', async () => {
    const before = await counts(away.db);
    const changed = plain(file);
    const at = changed.events.findIndex((e) => e.kind === 'repair.done');
    (changed.events[at].payload as { why: string }).why = 'Because';
    const extra = {
      id: randomUUID(),
      stream: changed.events[0].stream,
      who: 'X',
      at: new Date().toISOString()
    };
    changed.events.push({
      ...extra,
      kind: 'job.noted',
      payload: { text: 'Never to be seen' }
    } as RecordEvent);
    const [problem] = await problemsOf(away.db, changed);
    expect(problem).toContain(changed.events[at].id);
    expect(problem).toMatch(/is here with other contents .* Nothing was brought in/);
    expect(await counts(away.db)).toEqual(before);
  });

  it('gets another number where its own is taken, and says so', async () => {
    const fresh = await testDatabase();
    const vehicleId = randomUUID();
    const at = new Date().toISOString();
    const who = 'Maren Oake';
    await append(fresh.db, {
      id: randomUUID(),
      stream: `vehicle:${vehicleId}`,
      who,
      at,
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-77', name: 'Kvesta Scoot' }
    });
    for (let i = 0; i < file.number; i++)
      await append(fresh.db, {
        id: randomUUID(),
        stream: `job:${randomUUID()}`,
        who,
        at,
        kind: 'job.opened',
        payload: { vehicleId, complaint: 'Hot', symptoms: [] }
      });
    const result = await bringIn(fresh.db, { jobs: [file] });
    expect(result).toMatchObject({ ok: true, value: { jobs: [{ number: file.number + 1 }] } });
    expect(result.ok && result.warnings[0].message).toContain(`job ${file.number} is another one here`);
    await fresh.drop();
  });

  it.each<[string, (f: JobFile) => void, RegExp]>([
    [
      'an entry of another record',
      (f) => void ((f.events[1] as { stream: string }).stream = `job:${randomUUID()}`),
      /events\.1\.stream: is job:.*expected job:/
    ],
    ['a run that is not in it', (f) => void f.runs.pop(), /runs: run .* is spoken of and is not in the file/],
    [
      'an undo of nothing',
      (f) =>
        void f.events.push({
          id: randomUUID(),
          stream: f.events[0].stream,
          who: 'X',
          at: f.exportedAt,
          version: 2,
          kind: 'undo',
          payload: { of: randomUUID() }
        }),
      /undoes .* not among the entries before/
    ],
    [
      'a run without its sheet',
      (f) => void (f.runs[0].specSheetId = null),
      /runs\.0\.specSheetId: is null; expected the entry of a spec sheet/
    ],
    ['a log that is none', (f) => void (f.runs[0].csv = 'hello'), /runs, qh-03.*: /],
    [
      'another vehicle',
      (f) => void (f.vehicle.id = randomUUID()),
      /vehicleId: is .*; the vehicle of this file is/
    ]
  ])('with %s is refused, and nothing is brought in', async (_, spoil, expected) => {
    const empty = await testDatabase();
    const spoilt = plain(file);
    spoil(spoilt);
    expect((await problemsOf(empty.db, spoilt)).join('\n')).toMatch(expected);
    expect(await counts(empty.db)).toEqual([0, 0, 0]);
    await empty.drop();
  });

  it('of another format or a newer version is refused with what would be right', async () => {
    const of = async (change: object) => {
      const result = await openFiles(strToU8(JSON.stringify({ ...file, ...change })));
      return result.ok ? '' : result.problems[0].message;
    };
    expect(await of({ version: 7 })).toMatch(/is 7; this Pyrethos reads up to version 1/);
    expect(await of({ format: 'something.else' })).toMatch(/expected "pyrethos.job"/);
    expect(await openFiles(strToU8('not json'))).toMatchObject({ ok: false });
  });

  it('of a fleet number that another vehicle has here is refused', async () => {
    const other = await testDatabase();
    await append(other.db, {
      id: randomUUID(),
      stream: `vehicle:${randomUUID()}`,
      who: 'X',
      at: new Date().toISOString(),
      kind: 'vehicle.entered',
      payload: { fleetNo: 'qh-03', name: 'Kvesta Scoot' }
    });
    expect(await problemsOf(other.db, file)).toEqual([
      expect.stringMatching(/QH-03 is another vehicle here \(Kvesta Scoot\)/)
    ]);
    await other.drop();
  });
});

describe('a whole workshop', () => {
  it('goes into a zip and comes back the same in an empty one', async () => {
    // A photo of a vehicle, where a part sits, goes along.
    const { id } = (await home.db.vehicles.findOne({ where: { fleetNo: 'QH-03' }, rejectOnEmpty: true }))!;
    const attached = await attachPhoto(home.db, {
      eventId: randomUUID(),
      photoId: randomUUID(),
      stream: `vehicle:${id}`,
      who: 'X',
      at: new Date().toISOString(),
      caption: 'Where the sensor sits',
      bytes: new Uint8Array(readFileSync('docs/screenshots/vehicle.png'))
    });
    expect(attached.ok).toBe(true);
    const chunks: Uint8Array[] = [];
    for await (const chunk of zipStream(exportWorkshop(home.db)) as unknown as AsyncIterable<Uint8Array>)
      chunks.push(chunk);
    const zip = new Uint8Array(Buffer.concat(chunks));
    const opened = await openInWorker(zip.slice());
    expect(opened.ok).toBe(true);
    if (!opened.ok) return;
    const empty = await testDatabase();
    expect(await bringIn(empty.db, opened.value)).toMatchObject({ ok: true });
    const all = async (db: Database) =>
      (await db.events.findAll({ raw: true, order: [['id', 'ASC']] })).map(
        ({ id, kind, payload, stream }) => ({ id, kind, payload, stream })
      );
    expect(await all(empty.db)).toEqual(await all(home.db));
    expect(await counts(empty.db)).toEqual(await counts(home.db));
    expect(await vehiclePhotos(empty.db, id)).toEqual(await vehiclePhotos(home.db, id));
    expect(await vehiclePhotos(empty.db, id)).toMatchObject([
      { caption: 'Where the sensor sits', job: null }
    ]);
    await empty.drop();

    // A job file that the list names and the zip lacks.
    const entries = unzipSync(zip);
    const one = Object.keys(entries).find((n) => n.startsWith('jobs/'))!;
    const said = async (files: Record<string, Uint8Array>) => {
      const read = await openFiles(zipSync(files));
      return read.ok ? '' : read.problems.map((p) => `${p.field}: ${p.message}`).join('; ');
    };
    const { [one]: lost, ...torn } = entries;
    expect(await said(torn)).toBe(`${one}: is missing`);
    // An export from before there were check sums names its jobs itself.
    const { 'manifest.json': _sums, ...older } = torn;
    expect(await said(older)).toMatch(/names 1 files that are not there/);
    // A reading that was changed, in a zip that was packed anew.
    const text = new TextDecoder().decode(lost).replace(/"coolantC":(\d)/, '"coolantC":1$1');
    expect(await said({ ...entries, [one]: strToU8(text) })).toBe(
      `${one}: is not what was exported: its check sum differs`
    );
  }, 120_000);

  it('is refused with any bit of it changed, or reads as it was', async () => {
    const files = async function* () {
      yield { name: 'workshop.json', json: { ...plain(await workshop()), jobs: ['jobs/a.job.json'] } };
      yield { name: 'jobs/a.job.json', json: { ...file, runs: [], case: undefined, known: undefined } };
    };
    const chunks: Uint8Array[] = [];
    for await (const chunk of zipStream(files()) as unknown as AsyncIterable<Uint8Array>) chunks.push(chunk);
    const zip = new Uint8Array(Buffer.concat(chunks));
    const whole = await openFiles(zip);
    expect(whole.ok).toBe(true);
    const asItWas = JSON.stringify(whole.ok && whole.value);
    const random = seeded(7);
    for (let k = 0; k < 150; k++) {
      const flipped = zip.slice();
      flipped[Math.floor(random() * zip.length)] ^= 1 << Math.floor(random() * 8);
      const read = await openFiles(flipped);
      if (read.ok) expect(JSON.stringify(read.value)).toBe(asItWas);
    }
  }, 120_000);

  it('that unpacks to more than a workshop holds is given up at once, not unpacked', async () => {
    const bomb = zipSync({ 'jobs/a.job.json': new Uint8Array(400 * 1024 * 1024) });
    expect(bomb.length).toBeLessThan(1_000_000);
    const read = await openInWorker(bomb);
    expect(read.ok ? '' : read.problems[0].message).toMatch(/unpacks to more than a workshop holds/);
  }, 60_000);

  it('of thirty thousand entries is looked through without comparing each with each', async () => {
    const note = file.events.find((e) => e.kind === 'job.noted') ?? file.events[1];
    const many = plain(file);
    many.events = [
      ...many.events,
      ...Array.from({ length: 30_000 }, () => ({ ...note, id: randomUUID() }) as RecordEvent)
    ];
    // Two files of one job: every entry of the second is looked for among those of the first.
    const twice = { ...many, vehicle: { ...many.vehicle, id: randomUUID() } };
    const result = await bringIn(away.db, { jobs: [twice, many] });
    expect(result.ok).toBe(false);
  }, 20_000);
});
