import { deriveJob } from '$core/record/derive';
import { database } from '$lib/server/database';
import { intakeView } from '$lib/server/intake-view';
import { jobOr404 } from '$lib/server/job-view';
import { eventsOf } from '$lib/server/record';

export const load = async ({ params }) => {
  const { id, number, vehicleId } = await jobOr404(database(), params.number);
  const [view, events] = await Promise.all([intakeView(database()), eventsOf(database(), `job:${id}`)]);
  return { ...view, amends: { id, number, vehicleId, intake: deriveJob(events)!.intake } };
};
