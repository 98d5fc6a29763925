import { contentKey, Recent } from '../base/content-key';
import { assembleCase, USUAL_SHOP, type Case } from '../diagnosis/case';
import { bad, good, type Result } from '../base/result';
import { readLog } from '../logs/csv-import';
import { deriveVehicle } from '../record/derive';
import { analyse } from '../runs/analyse';
import { summaryOfRun, type RunSummary } from '../runs/run-summary';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { brokenIn } from './integrity';
import type { JobFile } from './job-file';

/** So many runs are kept: a program that plays thousands of jobs shows the same one again at every step. */
const summaries = new Recent<Result<RunSummary>>(500);

/**
 * The case of a job file, with no database: the record, runs read and analysed from their csv (once for the same
 * content in one process), and what the file says of the shop and the vehicle's other jobs. `at` is the present
 * moment for an open job, by default when the file was written. Refuses a file that is not whole.
 */
export function caseOfFile(file: JobFile, at: string = file.exportedAt): Result<Case> {
  const broken = brokenIn(file);
  if (broken.length > 0) return bad(...broken);
  const sheet = file.sheet ?? deriveVehicle(file.vehicle.events)?.sheet?.sheet ?? null;
  const runs: RunSummary[] = [];
  for (const run of file.runs) {
    const read = summaryOf(file, run, sheet);
    if (!read.ok) return bad(...read.problems.map((p) => ({ ...p, field: `runs, ${run.fileName}` })));
    runs.push(read.value);
  }
  const known = file.known;
  const job = assembleCase({
    events: file.events,
    vehicleFacts: known?.vehicleFacts ?? [],
    runs,
    sheet,
    shop: known?.shop ?? USUAL_SHOP,
    causes: known?.causes ?? {},
    at
  });
  return job ? good(job) : bad({ field: 'events', message: 'open no job: its opening was undone' });
}

function summaryOf(
  file: JobFile,
  run: JobFile['runs'][number],
  present: SpecSheet | null
): Result<RunSummary> {
  const entry = file.vehicle.events.find((e) => e.id === run.specSheetId);
  const sheet = entry?.kind === 'spec.saved' ? entry.payload.sheet : present;
  if (!sheet) return bad({ message: 'has no spec sheet to be judged against' });
  const { id, fileName, importedAt, startedAt, csv, marks, readWith } = run;
  const key = contentKey([csv, sheet, marks ?? null, readWith ?? null, startedAt, importedAt]);
  const read = summaries.of(key, () => {
    const log = readLog(new TextEncoder().encode(csv), { asItIs: true });
    if (!log.ok) return log;
    const { t, channels } = log.value.log;
    const whole = { t, channels, events: marks ?? log.value.log.events, startedAt: startedAt ?? undefined };
    return good(
      summaryOfRun({
        id,
        fileName,
        importedAt,
        startedAt,
        durationS: t[t.length - 1],
        endC: lastOf(channels.ect_c),
        analysis: analyse(whole, sheet, readWith)
      })
    );
  });
  if (!read.ok) return read;
  return good({ ...read.value, id, fileName });
}

/** The last reading, to the hundredth that lists of curves keep. */
function lastOf(values: ArrayLike<number> | undefined): number | null {
  const last = Array.from(values ?? []).findLast((v) => !Number.isNaN(v));
  return last === undefined ? null : Math.round(last * 100) / 100;
}
