import { database } from '$lib/server/db/database';
import { intakeView } from '$lib/server/views/intake';

export const load = async ({ url }) => {
  const chosen = url.searchParams.get('vehicle');
  return { ...(await intakeView(database(), chosen)), chosen };
};
