import { bad, good, type Result } from '../../../core/base/result';
import { analyse, bandFor } from '../../../core/runs/analyse';
import type { Database } from '../db/database';
import { knownGoodRuns } from './known-good';
import { sumUp } from './sum-up';
import { samplesOf } from './runs';

/** Judges a stored run again, against the vehicle's present sheet and by the present model. The samples stay as they are. */
export async function judgeAgain(db: Database, runId: string): Promise<Result<{ runId: string }>> {
  const run = await db.runs.findByPk(runId);
  const job = run && (await db.jobs.findByPk(run.jobId));
  const vehicle = job && (await db.vehicles.findByPk(job.vehicleId));
  const sheet = vehicle?.specSheetId ? await db.specSheets.findByPk(vehicle.specSheetId) : null;
  if (!run || !sheet) return bad({ message: 'the run or its spec sheet does not exist any more' });
  const log = await samplesOf(db, run);
  await run.update({
    specSheetId: sheet.id,
    analysis: analyse(log, sheet.sheet, run.report.instrument),
    band: bandFor(log, sheet.sheet, { knownGood: await knownGoodRuns(db, vehicle!.id, runId) })
  });
  await sumUp(db, runId);
  return good({ runId });
}
