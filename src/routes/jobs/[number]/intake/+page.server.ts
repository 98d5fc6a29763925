import { deriveJob } from '$core/record/derive';
import { database } from '$lib/server/db/database';
import { intakeView } from '$lib/server/views/intake';
import { jobOr404 } from '$lib/server/views/job';
import { eventsOf } from '$lib/server/record/events';

export const load = async ({ params }) => {
  const { id, number, vehicle } = await jobOr404(database(), params.number);
  const vehicleId = vehicle.id;
  const [view, events] = await Promise.all([
    intakeView(database(), vehicleId),
    eventsOf(database(), `job:${id}`)
  ]);
  return { ...view, amends: { id, number, vehicleId, intake: deriveJob(events)!.intake } };
};
