import { QueryTypes, type Transaction } from 'sequelize';
import { readLog } from '../../../core/logs/csv-import';
import type { JobFile, PhotoFile } from '../../../core/handover/job-file';
import { brokenIn, sameEntry } from '../../../core/handover/integrity';
import type { WorkshopFile } from '../../../core/handover/workshop-file';
import { deriveVehicle } from '../../../core/record/derive';
import { streamOf, type RecordEvent } from '../../../core/record/events';
import { bad, good, type Problem, type Result } from '../../../core/base/result';
import { MODEL_VERSION, type Analysis } from '../../../core/runs/analyse';
import type { Judged } from '../../workers/import';
import type { Database } from '../db/database';
import { judgeInWorker } from '../runs/import-pool';
import { asWrittenHere, pictureType } from './photos';
import { appendMany } from '../record/record';
import { eventsOf } from '../record/events';
import { storeRun, type StoredRun } from '../runs/runs';

export interface BroughtIn {
  /** Numbers of the jobs, in the order of the files. */
  readonly jobs: readonly { readonly id: string; readonly number: number; readonly isNew: boolean }[];
  readonly entries: number;
}

export interface Bringing {
  readonly jobs: readonly JobFile[];
  readonly shop?: WorkshopFile;
  /** Photos of vehicles; those of jobs lie in their files. */
  readonly photos?: readonly PhotoFile[];
  /** Our own files: what stands in them of their runs is taken as judged by this very model. */
  readonly trusted?: boolean;
}

/**
 * Brings job files into the workshop, and the rest of a workshop with them: all of it or nothing. What is here
 * already is left alone; entries that are new are added; an entry that is here with other contents refuses the whole,
 * each named. Runs are judged anew.
 */
export async function bringIn(
  db: Database,
  { jobs, shop, photos = [], trusted = false }: Bringing
): Promise<Result<BroughtIn>> {
  const problems = jobs.flatMap((file) => named(file, jobs.length, brokenIn(file)));
  if (problems.length > 0) return bad(...problems);
  const streams = streamsOf(jobs, shop);
  const warnings: Problem[] = [];
  const fleet = await fleetConflicts(db, streams);
  const fresh: RecordEvent[] = [];
  const conflicts: Problem[] = [...fleet];
  for (const [stream, events] of streams) {
    const here = new Map((await eventsOf(db, stream)).map((e) => [e.id, e]));
    for (const event of events) {
      const known = here.get(event.id);
      if (!known) fresh.push(event);
      else if (!sameEntry(known, event))
        conflicts.push({
          field: event.id,
          message: `${event.kind} of ${event.who}, ${event.at}, is here with other contents (of ${known.who}, ${known.at}). Nothing was brought in`
        });
    }
  }
  if (conflicts.length > 0) return bad(...conflicts);
  const strange = await elsewhere(db, fresh);
  if (strange.length > 0) return bad(...strange);

  const runs = await judgedRuns(db, jobs, trusted);
  if (!runs.ok) return runs;
  const pictures = await photosOf(jobs, shop, photos, trusted);
  if (!pictures.ok) return pictures;

  const brought = await db.sequelize.transaction(async (transaction) => {
    await appendMany(db, fresh, transaction, async (stream) => {
      const ownRuns = runs.value.filter((r) => stream === streamOf('job', r.jobId));
      const ownPhotos = pictures.value.filter((p) => stream === p.stream);
      for (const run of ownRuns) await storeRun(db, run, transaction);
      for (const photo of ownPhotos)
        await db.photos.findOrCreate({ where: { id: photo.id }, defaults: photo, transaction });
      return ownRuns.length + ownPhotos.length > 0;
    });
    const numbers = [];
    for (const file of jobs) numbers.push(await numbered(db, file, fresh, warnings, transaction));
    return numbers;
  });
  return good({ jobs: brought, entries: fresh.length }, warnings);
}

const named = (file: JobFile, of: number, problems: readonly Problem[]): Problem[] =>
  of === 1
    ? [...problems]
    : problems.map((p) => ({ ...p, field: `job ${file.number} of ${file.vehicle.fleetNo}, ${p.field}` }));

const jobIdOf = (file: JobFile): string => file.events[0].stream.slice('job:'.length);

/** Every record in the files by stream, vehicles before their jobs; each entry once. */
function streamsOf(jobs: readonly JobFile[], shop: WorkshopFile | undefined): Map<string, RecordEvent[]> {
  const streams = new Map<string, Map<string, RecordEvent>>();
  const add = (events: readonly RecordEvent[]) => {
    for (const event of events) {
      const there = streams.get(event.stream) ?? new Map<string, RecordEvent>();
      if (!there.has(event.id)) there.set(event.id, event);
      streams.set(event.stream, there);
    }
  };
  for (const events of [...(shop?.vehicles ?? []), ...(shop?.curves ?? []), shop?.shop ?? []]) add(events);
  for (const file of jobs) add(file.vehicle.events);
  for (const file of jobs) add(file.events);
  return new Map([...streams].map(([stream, events]) => [stream, [...events.values()]]));
}

/** A fleet number that another vehicle of this workshop has. */
async function fleetConflicts(
  db: Database,
  streams: ReadonlyMap<string, readonly RecordEvent[]>
): Promise<Problem[]> {
  const problems: Problem[] = [];
  for (const [stream, events] of streams) {
    const state = stream.startsWith('vehicle:') ? deriveVehicle(events) : null;
    if (!state) continue;
    const [other] = await db.sequelize.query<{ id: string; name: string }>(
      'SELECT id, name FROM vehicles WHERE active AND lower(fleet_no) = lower($1) AND id <> $2',
      { bind: [state.fleetNo, stream.slice('vehicle:'.length)], type: QueryTypes.SELECT }
    );
    if (other)
      problems.push({
        field: 'vehicle.fleetNo',
        message: `${state.fleetNo} is another vehicle here (${other.name}); give one of the two another number first`
      });
  }
  return problems;
}

/** Entries whose id is here in another record. */
async function elsewhere(db: Database, fresh: readonly RecordEvent[]): Promise<Problem[]> {
  const rows = await db.events.findAll({
    where: { id: fresh.map((e) => e.id) },
    attributes: ['id', 'stream']
  });
  return rows.map((r) => ({ field: r.id, message: `is here already, in another record (${r.stream})` }));
}

/** The runs that are not here yet, read and judged, as many at once as there are threads. */
async function judgedRuns(
  db: Database,
  jobs: readonly JobFile[],
  trusted: boolean
): Promise<Result<StoredRun[]>> {
  const wanted = jobs.flatMap((file) => file.runs.map((run) => ({ file, run })));
  const rows = await db.runs.findAll({ where: { id: wanted.map((w) => w.run.id) }, attributes: ['id'] });
  const here = new Set(rows.map((r) => r.id));
  const judged = await Promise.all(
    wanted.filter(({ run }) => !here.has(run.id)).map(({ file, run }) => judgedRun(file, run, trusted))
  );
  const problems = judged.flatMap((j) => (j.ok ? [] : j.problems));
  return problems.length > 0 ? bad(...problems) : good(judged.flatMap((j) => (j.ok ? [j.value] : [])));
}

async function judgedRun(
  file: JobFile,
  run: JobFile['runs'][number],
  trusted: boolean
): Promise<Result<StoredRun>> {
  const refused = (...problems: readonly Problem[]) =>
    bad<StoredRun>(...problems.map((p) => ({ ...p, field: `runs, ${run.fileName}` })));
  const entry = file.vehicle.events.find((e) => e.id === run.specSheetId);
  if (entry?.kind !== 'spec.saved') return refused({ message: 'has no spec sheet to be judged against' });
  const { sheet } = entry.payload;
  const read = readLog(new TextEncoder().encode(run.csv), { asItIs: true });
  if (!read.ok) return refused(...read.problems);
  const log = {
    ...read.value.log,
    events: run.marks ?? read.value.log.events,
    startedAt: run.startedAt ?? undefined
  };
  const judged =
    (trusted && asJudged(run, read.value.report)) ||
    (await judgeInWorker({ log, sheet, knownGood: [], readWith: run.readWith }));
  return good({
    runId: run.id,
    jobId: jobIdOf(file),
    specSheetId: entry.id,
    fileName: run.fileName,
    importedAt: new Date(run.importedAt),
    log,
    warnings: [],
    ...judged
  });
}

function asJudged(run: JobFile['runs'][number], report: Judged['report']): Judged | null {
  const analysis = run.analysis as Analysis | undefined;
  return analysis?.modelVersion === MODEL_VERSION
    ? { report, analysis, band: run.band as Judged['band'] }
    : null;
}

/** Every photo in the files, each once, of the record whose entry speaks of it, written anew where it says more than a picture. */
async function photosOf(
  jobs: readonly JobFile[],
  shop: WorkshopFile | undefined,
  photos: readonly PhotoFile[],
  trusted: boolean
) {
  const records = [...(shop?.vehicles ?? []), ...jobs.flatMap((f) => [f.vehicle.events, f.events])].flat();
  const streamOfPhoto = new Map(
    records.flatMap((e) => (e.kind === 'photo.attached' ? [[e.payload.photoId, e.stream] as const] : []))
  );
  const all = [...photos, ...jobs.flatMap((f) => f.photos)];
  const pictures = [];
  const wrong: Problem[] = [];
  for (const p of new Map(all.map((photo) => [photo.id, photo])).values()) {
    const stream = streamOfPhoto.get(p.id);
    if (!stream) continue;
    const sent = Buffer.from(p.base64, 'base64');
    const ours = pictureType(sent) === p.mime;
    const data = !ours ? null : trusted ? sent : await asWrittenHere(sent, p.mime);
    if (data) pictures.push({ id: p.id, stream, mime: p.mime, caption: p.caption, data, active: true });
    else wrong.push({ field: 'photos', message: `${p.id} is no picture of its kind` });
  }
  return wrong.length > 0 ? bad<typeof pictures>(...wrong) : good(pictures);
}

/** Gives a new job its number from the file where nobody has it here. */
async function numbered(
  db: Database,
  file: JobFile,
  fresh: readonly RecordEvent[],
  warnings: Problem[],
  transaction: Transaction
): Promise<BroughtIn['jobs'][number]> {
  const id = jobIdOf(file);
  const isNew = fresh.some((e) => e.id === file.events[0].id);
  const row = await db.jobs.findByPk(id, { transaction, rejectOnEmpty: true });
  if (!isNew) return { id, number: row.number, isNew };
  const taken = await db.jobs.findOne({ where: { number: file.number }, transaction });
  if (!taken) {
    await row.update({ number: file.number }, { transaction });
    await db.sequelize.query(
      "SELECT setval(pg_get_serial_sequence('jobs', 'number'), greatest((SELECT max(number) FROM jobs), 1))",
      { transaction }
    );
    return { id, number: file.number, isNew };
  }
  if (taken.id !== id)
    warnings.push({
      field: 'number',
      message: `job ${file.number} is another one here; this one is job ${row.number}`
    });
  return { id, number: row.number, isNew };
}
