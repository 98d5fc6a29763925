import { bad, good, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { judgeInWorker } from './import-pool';
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
  // In a thread: no other request waits for it, nor does a connection.
  const { analysis, band } = await judgeInWorker({
    log: await samplesOf(db, run),
    sheet: sheet.sheet,
    knownGood: await knownGoodRuns(db, vehicle!.id, runId),
    readWith: run.report.instrument
  });
  await run.update({ specSheetId: sheet.id, analysis, band });
  await sumUp(db, runId);
  return good({ runId });
}
