import { database } from '$lib/server/database';
import { intakeView } from '$lib/server/intake-view';

export const load = async ({ url }) => ({
  ...(await intakeView(database())),
  chosen: url.searchParams.get('vehicle')
});
