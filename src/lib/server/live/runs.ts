import { randomUUID } from 'node:crypto';
import { QueryTypes, UniqueConstraintError, type Transaction } from 'sequelize';
import { deriveJob } from '../../../core/record/derive';
import { markText, type LiveRun, type RunSource } from '../../../core/record/live';
import { bad, good, type Result } from '../../../core/base/result';
import type { Log } from '../../../core/logs/channels';
import type { Database } from '../db/database';
import { judgeInWorker } from '../runs/import-pool';
import { knownGoodRuns } from '../runs/known-good';
import { log as logger } from '../log';
import { append, Refusal } from '../record/record';
import { sheetFor } from '../record/sheet-for';
import { eventsOf } from '../record/events';
import { storeRun } from '../runs/runs';
import { blocksAfter, logOfBlocks } from './samples';

export interface LiveStart {
  readonly eventId: string;
  readonly runId: string;
  readonly jobId: string;
  readonly who: string;
  readonly at: string;
  readonly source: RunSource;
}

/** Opens a recording: one for each vehicle at a time. The same event id again changes nothing. */
export async function startLive(db: Database, input: LiveStart): Promise<Result<{ runId: string }>> {
  const job = await db.jobs.findOne({ where: { id: input.jobId, active: true } });
  if (!job) return bad({ message: 'this job does not exist any more' });
  const event = {
    id: input.eventId,
    stream: `job:${input.jobId}`,
    who: input.who,
    at: input.at,
    kind: 'run.started',
    payload: { runId: input.runId, source: input.source }
  };
  const result = await append(db, event, async (transaction) => {
    await db.sequelize
      .query(
        'INSERT INTO recordings (run_id, job_id, vehicle_id, address, started_at) VALUES ($1, $2, $3, $4, $5)',
        {
          bind: [
            input.runId,
            input.jobId,
            job.vehicleId,
            input.source.kind === 'adapter' ? input.source.address : null,
            input.at
          ],
          transaction
        }
      )
      .catch((error: unknown) => {
        if (!(error instanceof UniqueConstraintError) || 'run_id' in (error.fields ?? {})) throw error;
        throw new Refusal({
          message:
            'address' in (error.fields ?? {})
              ? 'this adapter is recording another vehicle; end that run first'
              : 'this vehicle is being recorded already; end that run first'
        });
      });
  });
  return result.ok ? good({ runId: input.runId }) : result;
}

/** The live run of a job with all its samples so far. */
async function liveLog(db: Database, jobId: string): Promise<{ live: LiveRun; log: Log } | null> {
  const live = deriveJob(await eventsOf(db, `job:${jobId}`))?.live;
  if (!live) return null;
  const marks = live.marks.map((m) => ({ t: m.t, text: markText(m) }));
  const typed = live.readings.map(({ t, celsius }) => ({ t: [t], channels: { ect_c: [celsius] } }));
  const blocks = [...(await blocksAfter(db, live.runId, 0)), ...typed];
  return { live, log: logOfBlocks(blocks, marks) };
}

const FEWEST_SAMPLES = 2;

/**
 * Ends a recording: its samples become a run like an imported one, judged in a worker thread and kept with the
 * event in one transaction. A recording that is too short to be one is ended and leaves only its events.
 */
export async function endLive(
  db: Database,
  input: { readonly eventId: string; readonly jobId: string; readonly who: string; readonly at: string }
): Promise<Result<{ runId: string | null }>> {
  const known = await db.events.findByPk(input.eventId);
  if (known?.kind === 'run.ended') return good({ runId: (known.payload as { runId: string }).runId });
  const job = await db.jobs.findOne({ where: { id: input.jobId, active: true } });
  const vehicle = job && (await db.vehicles.findByPk(job.vehicleId));
  const found = await liveLog(db, input.jobId);
  if (!job || !vehicle || !found) return bad({ message: 'nothing is being recorded on this job' });
  const { live } = found;
  const { eventId, who, at } = input;
  await db.sequelize.query(
    `UPDATE recordings SET ended_at = coalesce(ended_at, now()), ending = $2, ending_until = now() + interval '${ENDS_WITHIN_S} seconds'
     WHERE run_id = $1`,
    { bind: [live.runId, JSON.stringify({ eventId, who, at })] }
  );
  // The recorder may hold a last handful of samples; it lets go within its own round.
  await lastFlush(db, live.runId);
  const { log } = (await liveLog(db, input.jobId))!;
  if (log.t.length < FEWEST_SAMPLES) {
    const undo = {
      id: input.eventId,
      stream: `job:${input.jobId}`,
      who: input.who,
      at: input.at,
      kind: 'undo',
      payload: { of: await startedBy(db, input.jobId, live.runId) }
    };
    const undone = await append(db, undo, (transaction) => ended(db, live.runId, transaction));
    return undone.ok ? good({ runId: null }) : undone;
  }
  const against = await sheetFor(db, vehicle.id, input);
  if (!against.ok) return against;
  const judged = await judgeInWorker({
    log,
    sheet: against.value.sheet,
    knownGood: await knownGoodRuns(db, vehicle.id, live.runId),
    // What a person reads off the scan tool is the sensor's own reading, as a logger's is.
    ...(live.source.kind === 'typed' && live.source.instrument.kind !== 'scan'
      ? { readWith: live.source.instrument }
      : {})
  });
  const fileName = `${vehicle.fleetNo} ${live.startedAt.slice(0, 16).replace('T', ' ')}`;
  const event = {
    id: input.eventId,
    stream: `job:${input.jobId}`,
    who: input.who,
    at: input.at,
    kind: 'run.ended',
    payload: { runId: live.runId, fileName, samples: log.t.length }
  };
  const result = await append(db, event, async (transaction) => {
    await storeRun(
      db,
      {
        runId: live.runId,
        jobId: input.jobId,
        specSheetId: against.value.id,
        fileName,
        importedAt: new Date(input.at),
        log,
        warnings: await unitSaid(db, live.runId),
        ...judged
      },
      transaction
    );
    await ended(db, live.runId, transaction);
  });
  return result.ok ? good({ runId: live.runId }) : result;
}

/** What the control unit said when the run began: it stands beside the run, as what a capture says does. */
async function unitSaid(db: Database, runId: string): Promise<string[]> {
  const [row] = await db.sequelize.query<{ says: string[] | null }>(
    'SELECT unit_says AS says FROM recordings WHERE run_id = $1',
    { bind: [runId], type: QueryTypes.SELECT }
  );
  return row?.says ?? [];
}

/** A server that works at an ending for longer than this was killed. */
const ENDS_WITHIN_S = 30;

async function ended(db: Database, runId: string, transaction: Transaction): Promise<void> {
  await db.sequelize.query('UPDATE recordings SET ending = NULL, ending_until = NULL WHERE run_id = $1', {
    bind: [runId],
    transaction
  });
}

/** Takes up the endings that a server began and did not come back to: each is ended once, by whoever takes it first. */
export async function endWhatWasLeft(db: Database): Promise<void> {
  const left = await db.sequelize.query<{
    job_id: string;
    ending: { eventId: string; who: string; at: string };
  }>(
    `UPDATE recordings SET ending_until = now() + interval '${ENDS_WITHIN_S} seconds'
     WHERE ending IS NOT NULL AND ending_until < now() RETURNING job_id, ending`,
    { type: QueryTypes.SELECT }
  );
  for (const { job_id: jobId, ending } of left) {
    const result = await endLive(db, { ...ending, jobId });
    if (!result.ok)
      logger.warn({ jobId, problems: result.problems }, 'an ending that was left cannot be done');
  }
}

async function startedBy(db: Database, jobId: string, runId: string): Promise<string> {
  const events = await eventsOf(db, `job:${jobId}`);
  return events.find((e) => e.kind === 'run.started' && e.payload.runId === runId)?.id ?? randomUUID();
}

const FLUSH_WITHIN_MS = 2500;

/** Waits until no sample has come for a moment: the recorder has seen that the run is ended. */
async function lastFlush(db: Database, runId: string): Promise<void> {
  const newest = async () => {
    const [row] = await db.sequelize.query<{ seq: string | null; leased: boolean }>(
      `SELECT (SELECT max(seq) FROM live_samples WHERE run_id = $1) AS seq, address IS NOT NULL AND lease_until > now() AS leased
       FROM recordings WHERE run_id = $1`,
      { bind: [runId], type: QueryTypes.SELECT }
    );
    return row;
  };
  const until = Date.now() + FLUSH_WITHIN_MS;
  let before = await newest();
  while (before?.leased && Date.now() < until) {
    await new Promise((resolve) => setTimeout(resolve, 900));
    const now = await newest();
    if (now?.seq === before.seq) return;
    before = now;
  }
}
