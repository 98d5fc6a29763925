import { deriveJob } from '../record/derive';
import { activeEvents } from '../record/active';
import type { RecordEvent } from '../record/events';
import type { Problem } from '../base/result';
import type { JobFile } from './job-file';

/** Whether a record is whole: every entry belongs to its stream, and whatever it speaks of is there. */
function brokenStream(events: readonly RecordEvent[], stream: string, at: string): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  events.forEach((e, i) => {
    const field = `${at}.${i}`;
    if (e.stream !== stream)
      problems.push({ field: `${field}.stream`, message: `is ${e.stream}; expected ${stream}` });
    if (seen.has(e.id)) problems.push({ field: `${field}.id`, message: `${e.id} stands here twice` });
    if (e.kind === 'undo' && !seen.has(e.payload.of))
      problems.push({
        field: `${field}.payload.of`,
        message: `undoes ${e.payload.of}, which is not among the entries before it`
      });
    seen.add(e.id);
  });
  return problems;
}

/** What is wrong with a job file as a whole: entries of another record, runs or photos that are not in it. */
export function brokenIn(file: JobFile): Problem[] {
  const opening = file.events[0];
  if (opening?.kind !== 'job.opened')
    return [{ field: 'events.0', message: 'the first entry of a job is job.opened' }];
  const problems = brokenStream(file.events, opening.stream, 'events');
  if (opening.payload.vehicleId !== file.vehicle.id)
    problems.push({
      field: 'events.0.payload.vehicleId',
      message: `is ${opening.payload.vehicleId}; the vehicle of this file is ${file.vehicle.id}`
    });
  problems.push(...brokenStream(file.vehicle.events, `vehicle:${file.vehicle.id}`, 'vehicle.events'));
  const sheets = new Set(file.vehicle.events.map((e) => e.id));
  for (const [i, { specSheetId }] of file.runs.entries())
    if (specSheetId === null || !sheets.has(specSheetId))
      problems.push({
        field: `runs.${i}.specSheetId`,
        message: `is ${specSheetId}; expected the entry of a spec sheet in vehicle.events`
      });
  const state = deriveJob(file.events);
  if (state?.live)
    problems.push({
      field: 'events',
      message: 'a run is still being recorded in this job; end it and export the job again'
    });
  const runs = new Set(file.runs.map((r) => r.id));
  const photos = new Set(file.photos.map((p) => p.id));
  for (const e of activeEvents(file.events)) {
    if ((e.kind === 'run.imported' || e.kind === 'run.ended') && !runs.has(e.payload.runId))
      problems.push({ field: 'runs', message: `run ${e.payload.runId} is spoken of and is not in the file` });
    if (e.kind === 'photo.attached' && !photos.has(e.payload.photoId))
      problems.push({
        field: 'photos',
        message: `photo ${e.payload.photoId} is spoken of and is not in the file`
      });
  }
  return problems;
}

/** JSON with its keys in order, so that the same contents are the same text. */
const ordered = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(ordered)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, v]) => v !== undefined)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, ordered(v)])
        )
      : value;

const contents = ({ stream, kind, payload, who, at }: RecordEvent): string =>
  JSON.stringify(ordered({ stream, kind, payload, who, at: Date.parse(at) }));

/** Whether two entries of one id say the same. */
export const sameEntry = (a: RecordEvent, b: RecordEvent): boolean => contents(a) === contents(b);
