import type { Database } from './database';
import { jobLines, vehicleLines } from './views';

/** What the intake needs: vehicles to pick from, with their sheets, and earlier work. */
export async function intakeView(db: Database) {
  const [vehicles, jobs] = await Promise.all([vehicleLines(db), jobLines(db)]);
  return {
    vehicles,
    jobs: jobs.map(({ number, vehicleId, complaint, state, outcome, openedAt, finding }) => ({
      number,
      vehicleId,
      complaint,
      state,
      outcome,
      openedAt,
      finding: finding?.title ?? null
    }))
  };
}
