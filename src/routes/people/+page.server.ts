import { redirect } from '@sveltejs/kit';
import { deviceLines, peopleLines } from '$lib/server/access/people';
import { securityLines } from '$lib/server/access/security-log';
import { database } from '$lib/server/db/database';

/** Who is here, on which devices, and what happened at the door. */
export const load = async ({ locals }) => {
  if (locals.openHouse) redirect(303, '/');
  const db = database();
  const [people, devices, lines] = await Promise.all([peopleLines(db), deviceLines(db), securityLines(db)]);
  return { people, devices, lines, device: locals.session?.device ?? null };
};
