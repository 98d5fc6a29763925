import { strToU8, unzipSync, Zip, ZipDeflate } from 'fflate';
import { jsonIn } from '../../../core/base/json-in';
import { readJobFile, type JobFile } from '../../../core/handover/job-file';
import { readWorkshopFile, type WorkshopFile } from '../../../core/handover/workshop-file';
import { bad, good, type Problem, type Result } from '../../../core/base/result';

const MOST_FILES = 20_000;
const MOST_BYTES = 1024 * 1024 * 1024;
const LEVEL = 6;

/** Files as they come, zipped as they come: nothing is held whole. */
export function zipStream(
  files: AsyncIterable<{ readonly name: string; readonly json: unknown }>
): ReadableStream<Uint8Array> {
  return new ReadableStream({
    async start(controller) {
      const zip = new Zip((error, chunk, final) => {
        if (error) return controller.error(error);
        controller.enqueue(chunk);
        if (final) controller.close();
      });
      try {
        for await (const { name, json } of files) {
          const entry = new ZipDeflate(name, { level: LEVEL });
          zip.add(entry);
          entry.push(strToU8(JSON.stringify(json)), true);
        }
        zip.end();
      } catch (error) {
        controller.error(error);
      }
    }
  });
}

export interface Opened {
  readonly jobs: readonly JobFile[];
  readonly shop?: WorkshopFile;
}

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads what a browser sent: one job file, or a zip of a whole workshop. Every problem names its file. */
export function openFiles(bytes: Uint8Array): Result<Opened> {
  if (!isZip(bytes)) {
    const job = jobIn(bytes, '');
    return job.ok ? good({ jobs: [job.value] }, job.warnings) : job;
  }
  let total = 0;
  let count = 0;
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize;
        count++;
        return /\.json$/i.test(name) && total <= MOST_BYTES && count <= MOST_FILES;
      }
    });
  } catch {
    return bad({ message: 'the file is no zip that can be read; export the workshop again' });
  }
  if (total > MOST_BYTES || count > MOST_FILES)
    return bad({
      message: `the zip unpacks to more than a workshop holds (${MOST_FILES} files, ${MOST_BYTES / 1024 ** 2} MB)`
    });
  return openEntries(entries);
}

function openEntries(entries: Readonly<Record<string, Uint8Array>>): Result<Opened> {
  const problems: Problem[] = [];
  const warnings: Problem[] = [];
  const jobs: JobFile[] = [];
  let shop: WorkshopFile | undefined;
  for (const [name, data] of Object.entries(entries)) {
    if (/(^|\/)workshop\.json$/.test(name)) {
      const read = parsed(data, name, readWorkshopFile);
      if (read.ok) shop = read.value;
      else problems.push(...read.problems);
    } else if (/\.job\.json$/.test(name)) {
      const read = jobIn(data, name);
      if (read.ok) jobs.push(read.value);
      else problems.push(...read.problems);
      if (read.ok) warnings.push(...read.warnings);
    }
  }
  const missing = (shop?.jobs ?? []).filter((name) => !Object.keys(entries).some((e) => e.endsWith(name)));
  if (missing.length > 0)
    problems.push({
      field: 'workshop.json, jobs',
      message: `names ${missing.length} files that are not there: ${missing.slice(0, 3).join(', ')}`
    });
  if (!shop && jobs.length === 0 && problems.length === 0)
    problems.push({ message: 'the zip holds neither workshop.json nor a *.job.json' });
  return problems.length > 0 ? bad(...problems) : good({ jobs, ...(shop ? { shop } : {}) }, warnings);
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
