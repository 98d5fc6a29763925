import { json } from '@sveltejs/kit';
import { browserOf, tooOften } from '$lib/server/access/access';
import { asked, refused } from '$lib/server/access/asked';
import { comingIn, keepSignedIn } from '$lib/server/access/keep';
import { signIn } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

/** Signs in by passphrase, and by code too where the person has a second factor. */
export async function POST(event) {
  const late = await tooOften('signIn', event);
  if (late) return late;
  const read = await asked(event.request, comingIn);
  if (!read.ok) return read.response;
  const done = await signIn(database(), browserOf(event), read.value);
  if (!done.ok) return refused(done.problems);
  await keepSignedIn(event, done.value, read.value.pin);
  return json({ ok: true });
}
