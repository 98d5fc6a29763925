import { database } from '$lib/server/db/database';
import { intakeView } from '$lib/server/views/intake';

export const load = async ({ url }) => ({
  ...(await intakeView(database())),
  chosen: url.searchParams.get('vehicle')
});
