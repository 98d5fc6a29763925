import { error, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { assembleCase } from '../../../core/diagnosis/case';
import { thin } from '../../../core/runs/thin';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import type { JobRow, RunRow } from '../db/models';
import { isOutdated, samplesOf } from '../runs/runs';

const FIRST_POINTS = 1500;

/** The job of a number in an address, unless it was undone, or a 404 in words. */
export async function jobOr404(db: Database, number: string): Promise<JobRow> {
  const job = /^\d{1,9}$/.test(number)
    ? await db.jobs.findOne({ where: { number: Number(number), active: true } })
    : null;
  if (!job) error(404, `There is no job ${number.slice(0, 20)}`);
  return job;
}

/**
 * A job with everything it rests on. The page makes the case of it itself, by the same function as everything else,
 * so that entries still waiting to be sent count too.
 */
async function jobOf(db: Database, job: JobRow) {
  const [vehicle, known] = await Promise.all([
    db.vehicles.findByPk(job.vehicleId, { raw: true }),
    loadCase(db, job, new Date().toISOString())
  ]);
  if (!vehicle) error(404, 'The vehicle of this job does not exist any more');
  const { id, fleetNo, name, note } = vehicle;
  return { job: { id: job.id, number: job.number }, vehicle: { id, fleetNo, name, note }, known };
}

/** What the job page needs: the job, and the chosen run with its samples, or the latest. */
export async function jobView(db: Database, number: string, wantedRun: string | null) {
  const job = await jobOr404(db, number);
  const [view, run] = await Promise.all([jobOf(db, job), shownRun(db, job.id, wantedRun)]);
  if (run || !wantedRun) return { ...view, run };
  // A page that shows a run while its import is undone goes on without it.
  if (isId(wantedRun) && (await db.runs.count({ where: { id: wantedRun, jobId: job.id } })))
    redirect(303, `/jobs/${job.number}`);
  error(404, 'This run is not part of the job');
}

const isId = (text: string) => z.uuid().safeParse(text).success;

async function shownRun(db: Database, jobId: string, wanted: string | null) {
  if (wanted && !isId(wanted)) return null;
  const run = await db.runs.findOne({
    where: { jobId, active: true, ...(wanted ? { id: wanted } : {}) },
    order: [
      ['importedAt', 'DESC'],
      ['id', 'DESC']
    ]
  });
  return run && runView(db, run);
}

/** What the closing page needs: the job, and the curves of the two runs that are held side by side. */
export async function finishView(db: Database, number: string) {
  const view = await jobOf(db, await jobOr404(db, number));
  const pair = assembleCase(view.known)?.pair;
  const curve = async (id: string | undefined) => {
    const run = id ? await db.runs.findByPk(id, { attributes: ['id', 'preview', 'band'] }) : null;
    return run && { id: run.id, ...run.preview, band: run.band };
  };
  return { ...view, curves: await Promise.all([curve(pair?.before?.id), curve(pair?.after?.id)]) };
}

async function runView(db: Database, run: RunRow) {
  const [sheet, outdated, samples] = await Promise.all([
    db.specSheets.findByPk(run.specSheetId, { raw: true }),
    isOutdated(db, run),
    samplesOf(db, run)
  ]);
  return {
    id: run.id,
    fileName: run.fileName,
    startedAt: run.startedAt,
    importedAt: run.importedAt.toISOString(),
    durationS: run.durationS,
    sampleCount: run.sampleCount,
    marks: run.marks,
    report: run.report,
    importWarnings: run.importWarnings,
    analysis: run.analysis,
    band: run.band,
    /** The sheet it was judged against. */
    sheet: sheet?.sheet ?? null,
    outdated,
    samples: thin(samples, FIRST_POINTS)
  };
}
