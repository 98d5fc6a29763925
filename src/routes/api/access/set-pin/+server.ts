import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { asked, refused } from '$lib/server/access/asked';
import { setPin } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

const shape = z.object({ pin: z.string().max(8) });

/** Gives whoever is signed in a PIN on this device. */
export async function POST({ request, locals }) {
  const read = await asked(request, shape);
  if (!read.ok) return read.response;
  if (!locals.session) return refused([{ message: 'nobody signs in here: this is an open house' }]);
  const done = await setPin(database(), locals.session, read.value.pin);
  return done.ok ? json({ ok: true }) : refused(done.problems);
}
