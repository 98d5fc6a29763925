import { database } from '$lib/server/database';
import { jobLines, vehicleLines } from '$lib/server/views';

export const load = async ({ url }) => ({
  vehicles: (await vehicleLines(database())).map(({ id, fleetNo, name, note, openJobs }) => ({
    id,
    fleetNo,
    name,
    note,
    openJobs
  })),
  chosen: url.searchParams.get('vehicle'),
  jobs: (await jobLines(database())).map(({ number, vehicleId, complaint, state, openedAt, finding }) => ({
    number,
    vehicleId,
    complaint,
    state,
    openedAt,
    finding: finding?.title ?? null
  }))
});
