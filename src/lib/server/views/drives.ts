import { assembleCase } from '../../../core/diagnosis/case';
import { drivesOf } from '../../../core/diagnosis/drives';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import { backCode } from './back-code';
import { jobOr404 } from './job';

/** What a vehicle that leaves with a logger is to be driven like, on paper, with the code that leads back. */
export async function drivesView(db: Database, number: string, origin: string) {
  const { id, vehicle, complaint, ...job } = await jobOr404(db, number);
  const now = new Date().toISOString();
  const known = assembleCase(await loadCase(db, id, now))!;
  const back = `${origin}/jobs/${job.number}/import`;
  return {
    number: job.number,
    vehicle,
    complaint,
    now,
    ...drivesOf(known),
    runs: known.runs.map((r) => ({ fileName: r.fileName, title: r.title })),
    hasFan: known.sheet?.fan?.drive === 'relay' || known.sheet?.fan?.drive === 'controller',
    back,
    code: await backCode(back)
  };
}
