import { randomUUID } from 'node:crypto';
import { midSentence } from '../../../core/base/text';
import { verdictTitle } from '../../../core/runs/words';
import type { RunReport } from '../../../core/runs/run-report';
import { Op, type Transaction } from 'sequelize';
import { isChannelKey, type ChannelKey, type Log } from '../../../core/logs/channels';
import type { ImportOptions } from '../../../core/logs/csv-import';
import type { Band } from '../../../core/physics/plant/band';
import type { Layout } from '../../../core/logs/csv-sniff';
import { bad, good, problemText, type Result } from '../../../core/base/result';
import type { Analysis } from '../../../core/runs/analyse';
import { thin } from '../../../core/runs/thin';
import { channelsOf, fromChunks, toChunks } from './chunks';
import type { Database } from '../db/database';
import { importInWorker } from './import-pool';
import { knownGoodRuns } from './known-good';
import { sumUp } from './sum-up';
import { append } from '../record/record';
import { sheetFor } from '../record/sheet-for';
import type { JobRow, RunRow } from '../db/models';

export interface RunImport {
  readonly eventId: string;
  readonly runId: string;
  readonly jobId: string;
  readonly who: string;
  readonly at: string;
  readonly fileName: string;
  readonly bytes: Uint8Array;
  readonly layout: Layout | null;
  readonly options: ImportOptions;
}

/**
 * Imports a log into a job: parsed and judged in a worker, then samples, run and event in one transaction.
 * Nothing is saved when anything is wrong. The same event id again changes nothing.
 */
export async function importRun(
  db: Database,
  input: RunImport
): Promise<Result<{ runId: string; isNew: boolean }>> {
  const job = await db.jobs.findOne({ where: { id: input.jobId, active: true } });
  if (!job) return bad({ message: 'this job does not exist any more; open it again from the depot' });
  if (await db.events.findByPk(input.eventId)) return good({ runId: input.runId, isNew: false });
  const found = await sheetFor(db, job.vehicleId, input);
  if (!found.ok) return found;
  const sheet = found.value;

  const sizeBytes = input.bytes.length;
  const result = await importInWorker({
    bytes: input.bytes,
    layout: input.layout,
    options: input.options,
    sheet: sheet.sheet,
    knownGood: await knownGoodRuns(db, job.vehicleId, input.runId)
  });
  if (!result.ok) return result;
  const { log, report, warnings, analysis, band } = result.value;

  const event = {
    id: input.eventId,
    stream: `job:${input.jobId}`,
    who: input.who,
    at: input.at,
    kind: 'run.imported',
    payload: {
      runId: input.runId,
      fileName: input.fileName,
      sizeBytes,
      columns: (input.layout?.columns ?? []).map(({ header, use }) => ({ header, use })),
      skippedRows: report.brokenRows
    }
  };
  const appended = await append(db, event, (transaction) =>
    storeRun(
      db,
      {
        runId: input.runId,
        jobId: input.jobId,
        specSheetId: sheet.id,
        fileName: input.fileName,
        importedAt: new Date(input.at),
        log,
        report,
        warnings: warnings.map((w) => problemText(w)),
        analysis,
        band
      },
      transaction
    )
  );
  if (!appended.ok) return appended;
  if (appended.value.isNew) await reopenBy(db, job, input, analysis, log.startedAt ?? null);
  return good({ runId: input.runId, isNew: appended.value.isNew }, warnings);
}

/** A log is as good as sure of a fault from here on. */
const SAYS_SO = 0.9;

/**
 * A log that comes in later, of a vehicle that left with a logger: where it was taken after the job was closed and is as
 * good as sure of a fault, the job is opened again. A person may take that back like any entry.
 */
async function reopenBy(
  db: Database,
  job: JobRow,
  { jobId, who, at }: RunImport,
  analysis: Analysis,
  startedAt: string | null
): Promise<void> {
  const [first] = analysis.suspects;
  if (job.state !== 'closed' || !job.closedAt || analysis.verdict === 'not-enough') return;
  if (!first || first.fault === 'none' || first.probability < SAYS_SO) return;
  if (new Date(startedAt ?? at) < job.closedAt) return;
  const why = `A log that came in later says: ${midSentence(verdictTitle(analysis))}`;
  await append(db, {
    id: randomUUID(),
    stream: `job:${jobId}`,
    who,
    at,
    kind: 'job.reopened',
    payload: { why }
  });
}

export interface StoredRun {
  readonly runId: string;
  readonly jobId: string;
  readonly specSheetId: string;
  readonly fileName: string;
  readonly importedAt: Date;
  readonly log: Log;
  readonly report: RunReport;
  readonly warnings: readonly string[];
  readonly analysis: Analysis;
  readonly band: Band | null;
}

/** Writes a judged run with its samples. The event that speaks of it goes with it in one transaction. */
export async function storeRun(db: Database, run: StoredRun, transaction: Transaction): Promise<void> {
  const { log } = run;
  await db.runs.create(
    {
      id: run.runId,
      jobId: run.jobId,
      specSheetId: run.specSheetId,
      fileName: run.fileName,
      startedAt: log.startedAt ?? null,
      importedAt: run.importedAt,
      durationS: log.t[log.t.length - 1],
      sampleCount: log.t.length,
      channels: channelsOf(log),
      marks: [...log.events],
      report: run.report,
      importWarnings: [...run.warnings],
      analysis: run.analysis,
      band: run.band,
      fingerprint: null,
      summary: null,
      preview: previewOf(log),
      active: true
    },
    { transaction }
  );
  await sumUp(db, run.runId, transaction);
  for (const chunk of toChunks(log)) {
    await db.sequelize.query(
      'INSERT INTO run_chunks (run_id, seq, from_s, to_s, count, data) VALUES ($1, $2, $3, $4, $5, $6)',
      { bind: [run.runId, chunk.seq, chunk.fromS, chunk.toS, chunk.count, chunk.data], transaction }
    );
  }
}

function previewOf(log: Log): RunRow['preview'] {
  const { t, channels } = thin({ t: log.t, channels: { ect_c: log.channels.ect_c } }, 100);
  return { t, ect: channels.ect_c! };
}

/** The samples of a run between two times (whole chunks), or all of them. */
export async function samplesOf(
  db: Database,
  run: Pick<RunRow, 'id' | 'channels' | 'marks' | 'startedAt'>,
  fromS = -Infinity,
  toS = Infinity
): Promise<Log> {
  const where = {
    runId: run.id,
    ...(Number.isFinite(fromS) ? { toS: { [Op.gte]: fromS } } : {}),
    ...(Number.isFinite(toS) ? { fromS: { [Op.lte]: toS } } : {})
  };
  const chunks = await db.runChunks.findAll({ where, order: [['seq', 'ASC']], raw: true });
  return {
    ...fromChunks(
      chunks,
      run.channels.filter((c): c is ChannelKey => isChannelKey(c))
    ),
    events: run.marks,
    startedAt: run.startedAt ?? undefined
  };
}
