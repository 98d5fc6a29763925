import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { browserOf, tooOften } from '$lib/server/access/access';
import { asked, refused } from '$lib/server/access/asked';
import { comingIn, keepSignedIn } from '$lib/server/access/keep';
import { join } from '$lib/server/access/people';
import { openSession } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

const shape = comingIn.extend({
  token: z.string().max(100),
  /** Of a second factor, in base 32; empty for who has none. */
  secret: z
    .string()
    .regex(/^[A-Z2-7]{16,64}$|^$/)
    .default('')
});

/** Makes the person a link is for, and signs them in. */
export async function POST(event) {
  const late = await tooOften('signIn', event);
  if (late) return late;
  const read = await asked(event.request, shape);
  if (!read.ok) return read.response;
  const browser = browserOf(event);
  const done = await join(database(), read.value.token, read.value, browser.address);
  if (!done.ok) return refused(done.problems);
  const keys = await openSession(database(), browser, done.value.person, true, read.value.deviceName);
  await keepSignedIn(event, keys, read.value.pin);
  return json({ ok: true });
}
