import { createHash } from 'node:crypto';
import { configure, Uint8ArrayReader, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { z } from 'zod';
import { jsonIn } from '../../core/base/json-in';
import { readFormat, type OpenFormat } from '../../core/base/open-format';
import { bad, good, type Problem, type Result } from '../../core/base/result';
import { readJobFile, readPhotoFile, type JobFile, type PhotoFile } from '../../core/handover/job-file';
import { readWorkshopFile, type WorkshopFile } from '../../core/handover/workshop-file';

configure({ useWebWorkers: false });

const MOST_FILES = 20_000;
/** Of one file, and of all of them: a workshop of years is far below. */
const MOST_FILE_BYTES = 384 * 1024 * 1024;
const MOST_BYTES = 1024 * 1024 * 1024;
/** Problems beyond this are the same story again. */
const NAMED = 30;

export interface Opened {
  readonly jobs: readonly JobFile[];
  readonly shop?: WorkshopFile;
  readonly photos?: readonly PhotoFile[];
}

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * Reads what a browser sent: one job file, or a zip of a whole workshop with its check sums. Every problem names its
 * file. Runs in a worker thread with limits of memory and time: what comes from outside may be made to take both.
 */
export default async function openFiles(bytes: Uint8Array): Promise<Result<Opened>> {
  const opened = isZip(bytes) ? await openZip(bytes) : openOne(bytes);
  return opened.ok ? opened : bad(...opened.problems.slice(0, NAMED));
}

function openOne(bytes: Uint8Array): Result<Opened> {
  const job = jobIn(bytes, '');
  return job.ok ? good({ jobs: [job.value] }, job.warnings) : job;
}

class TooMuch extends Error {}

/** The bytes of one entry, checked against its check sum; throws {@link TooMuch} as soon as it is more than is left. */
async function bytesOf(entry: FileEntry, left: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  await entry.getData(
    new WritableStream<Uint8Array>({
      write(chunk) {
        size += chunk.length;
        if (size > Math.min(left, MOST_FILE_BYTES)) throw new TooMuch();
        chunks.push(chunk.slice());
      }
    }),
    { checkSignature: true, checkOverlappingEntry: true }
  );
  return Buffer.concat(chunks);
}

async function openZip(bytes: Uint8Array): Promise<Result<Opened>> {
  const tooMuch = () =>
    bad<Opened>({
      message: `the zip unpacks to more than a workshop holds (${MOST_FILES} files, ${MOST_FILE_BYTES / 1024 ** 2} MB each, ${MOST_BYTES / 1024 ** 2} MB in all)`
    });
  const files = new Map<string, Uint8Array>();
  let total = 0;
  let at = '';
  try {
    const reader = new ZipReader(new Uint8ArrayReader(bytes));
    let count = 0;
    for await (const entry of reader.getEntriesGenerator()) {
      if (++count > MOST_FILES) return tooMuch();
      if (entry.directory || !/\.json$/i.test(entry.filename)) continue;
      at = entry.filename;
      const data = await bytesOf(entry, MOST_BYTES - total);
      total += data.length;
      files.set(entry.filename, data);
    }
  } catch (error) {
    if (error instanceof TooMuch) return tooMuch();
    return bad({
      field: at || undefined,
      message: 'is damaged: it does not unpack to what was packed. Export the workshop again'
    });
  }
  const broken = brokenBy(files);
  return broken.length > 0 ? bad(...broken) : openEntries(files);
}

const MANIFEST: OpenFormat = { format: 'pyrethos.manifest', version: 1, what: 'the list of check sums' };
const manifestSchema = z.looseObject({
  format: z.literal('pyrethos.manifest'),
  version: z.literal(1),
  sha256: z.record(z.string(), z.string())
});

/** Files that are not what the list of check sums says, that it lacks, or that are lacking; older exports have no list. */
function brokenBy(files: Map<string, Uint8Array>): Problem[] {
  const name = [...files.keys()].find((n) => /(^|\/)manifest\.json$/.test(n));
  if (name === undefined) return [];
  const read = parsed(files.get(name)!, name, (json) => readFormat(MANIFEST, manifestSchema, json));
  if (!read.ok) return [...read.problems];
  files.delete(name);
  const within = name.slice(0, -'manifest.json'.length);
  const listed = new Map(Object.entries(read.value.sha256).map(([file, sum]) => [within + file, sum]));
  const changed = [...files].flatMap(([file, data]): Problem[] => {
    const sum = listed.get(file);
    listed.delete(file);
    if (sum === undefined) return [{ field: file, message: 'is not in the list of check sums' }];
    return createHash('sha256').update(data).digest('hex') === sum
      ? []
      : [{ field: file, message: 'is not what was exported: its check sum differs' }];
  });
  return [...changed, ...[...listed.keys()].map((file) => ({ field: file, message: 'is missing' }))];
}

function openEntries(files: ReadonlyMap<string, Uint8Array>): Result<Opened> {
  const problems: Problem[] = [];
  const warnings: Problem[] = [];
  const jobs: JobFile[] = [];
  const photos: PhotoFile[] = [];
  let shop: WorkshopFile | undefined;
  for (const [name, data] of files) {
    if (problems.length >= NAMED) break;
    if (/(^|\/)workshop\.json$/.test(name)) {
      const read = parsed(data, name, readWorkshopFile);
      if (read.ok) shop = read.value;
      else problems.push(...read.problems);
    } else if (/\.photo\.json$/.test(name)) {
      const read = parsed(data, name, readPhotoFile);
      if (read.ok) photos.push(read.value);
      else problems.push(...read.problems);
    } else if (/\.job\.json$/.test(name)) {
      const read = jobIn(data, name);
      if (read.ok) jobs.push(read.value);
      else problems.push(...read.problems);
      if (read.ok) warnings.push(...read.warnings);
    }
  }
  const missing = (shop?.jobs ?? []).filter((name) => ![...files.keys()].some((e) => e.endsWith(name)));
  if (missing.length > 0)
    problems.push({
      field: 'workshop.json, jobs',
      message: `names ${missing.length} files that are not there: ${missing.slice(0, 3).join(', ')}`
    });
  if (!shop && jobs.length === 0 && problems.length === 0)
    problems.push({ message: 'the zip holds neither workshop.json nor a *.job.json' });
  return problems.length > 0 ? bad(...problems) : good({ jobs, photos, ...(shop ? { shop } : {}) }, warnings);
}

const jobIn = (data: Uint8Array, name: string): Result<JobFile> => parsed(data, name, readJobFile);

function parsed<T>(data: Uint8Array, name: string, read: (json: unknown) => Result<T>): Result<T> {
  const placed = (p: Problem): Problem => ({
    ...p,
    field: [name, p.field].filter(Boolean).join(', ') || undefined
  });
  let json: unknown;
  try {
    json = jsonIn(new TextDecoder('utf-8', { fatal: true }).decode(data));
  } catch {
    return bad(placed({ message: 'is not JSON; a job file or a zip of a workshop would be right' }));
  }
  const result = read(json);
  return result.ok ? good(result.value, result.warnings.map(placed)) : bad(...result.problems.map(placed));
}
