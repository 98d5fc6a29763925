import { error, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { thin } from '../../../core/runs/thin';
import { verdictTitle } from '../../../core/runs/words';
import type { Database } from '../db/database';
import type { RunRow } from '../db/models';
import { HEAT_COLUMNS, proofRun, runHeat } from '../record/project';
import { eventsOf } from '../record/record';
import { isOutdated, samplesOf } from '../runs/runs';
import { shopCauses, shopChecks, shopCosts } from '../record/shop';
import { heatByVehicle } from '../record/vehicle-heat';
import { sparse } from './lists';

const FIRST_POINTS = 1500;

/** The standing job of a number in an address, or a 404 in words. */
export async function jobOr404(db: Database, number: string) {
  const job = /^\d{1,9}$/.test(number)
    ? await db.jobs.findOne({ where: { number: Number(number), standing: true } })
    : null;
  if (!job) error(404, `There is no job ${number.slice(0, 20)}`);
  return job;
}

/**
 * What the job page needs: the record as it is (the page derives the state itself, so that entries still waiting
 * to be sent count too), the vehicle's heat from its other jobs, and the chosen run with its samples.
 */
export async function jobView(db: Database, number: string, wantedRun: string | null) {
  const job = await jobOr404(db, number);
  const [vehicle, runs, events, heat, costs, causes, shop] = await Promise.all([
    db.vehicles.findByPk(job.vehicleId),
    db.runs.findAll({
      where: { jobId: job.id, standing: true },
      attributes: ['fileName', 'band', ...HEAT_COLUMNS],
      order: [['importedAt', 'ASC']]
    }),
    eventsOf(db, `job:${job.id}`),
    heatByVehicle(db, [job.vehicleId], job.id),
    shopCosts(db),
    shopCauses(db, job.id),
    shopChecks(db)
  ]);
  if (!vehicle) error(404, 'The vehicle of this job does not exist any more');
  const chosen = wantedRun ? runs.find((r) => r.id === wantedRun) : runs.at(-1);
  if (wantedRun && !chosen) {
    // A page that shows a run while its import is undone goes on without it.
    if (
      z.uuid().safeParse(wantedRun).success &&
      (await db.runs.count({ where: { id: wantedRun, jobId: job.id } }))
    )
      redirect(303, `/jobs/${job.number}`);
    error(404, 'This run is not part of the job');
  }
  const sheet = vehicle.specSheetId ? await db.specSheets.findByPk(vehicle.specSheetId) : null;
  const run = chosen ? await db.runs.findByPk(chosen.id) : null;
  return {
    job: { id: job.id, number: job.number },
    vehicle: { id: vehicle.id, fleetNo: vehicle.fleetNo, name: vehicle.name, note: vehicle.note },
    sheet: sheet?.sheet ?? null,
    events,
    otherHeat: heat.get(job.vehicleId) ?? [],
    costs,
    causes,
    shop,
    runs: runs.map((r) => ({
      id: r.id,
      fileName: r.fileName,
      importedAt: r.importedAt.toISOString(),
      title: verdictTitle(r.analysis),
      verdict: r.analysis.verdict,
      suspects: r.analysis.suspects,
      blind: r.analysis.couldNotShow.map((b) => b.fault),
      heat: runHeat(r),
      proof: proofRun(r),
      spark: { ...r.preview, band: sparse(r.band) },
      road: { segments: r.analysis.features.segments, perLoadC: r.analysis.features.perLoadC ?? null }
    })),
    run: run ? await runView(db, run) : null,
    now: new Date().toISOString()
  };
}

async function runView(db: Database, run: RunRow) {
  const sheet = await db.specSheets.findByPk(run.specSheetId);
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
    sheet: sheet?.sheet ?? null,
    outdated: await isOutdated(db, run),
    samples: thin(await samplesOf(db, run), FIRST_POINTS)
  };
}
