import { json } from '@sveltejs/kit';
import { browserOf, takeSession } from '$lib/server/access/access';
import { endSession } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

/** Ends the session of this browser; its device stays one of the workshop. */
export async function POST(event) {
  const { session } = event.locals;
  if (session) await endSession(database(), browserOf(event), 'signed out', session);
  takeSession(event.cookies, event.url);
  return json({ ok: true });
}
