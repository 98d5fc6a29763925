import { z } from 'zod';
import { database } from '$lib/server/db/database';
import { intakeView } from '$lib/server/views/intake';

export const load = async ({ url }) => {
  // An address may name a vehicle that never was: then none is chosen yet.
  const chosen = z.uuid().safeParse(url.searchParams.get('vehicle')).data ?? null;
  return { ...(await intakeView(database(), chosen)), chosen };
};
