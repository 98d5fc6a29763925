import { database } from '$lib/server/db/database';
import { jobOr404 } from '$lib/server/views/job';

export const load = async ({ params }) => {
  const { id, number, complaint, vehicle, hasSheet } = await jobOr404(database(), params.number);
  return { job: { id, number, complaint }, vehicle, hasSheet };
};
