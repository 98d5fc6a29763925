import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { browserOf, giveKeys, tooOften } from '$lib/server/access/access';
import { asked, refused } from '$lib/server/access/asked';
import { peopleHere, signInByPin } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

const shape = z.object({ person: z.uuid(), pin: z.string().max(8) });

/** Signs in by the PIN a person has on this device. */
export async function POST(event) {
  const late = await tooOften('pin', event);
  if (late) return late;
  const read = await asked(event.request, shape);
  if (!read.ok) return read.response;
  const done = await signInByPin(database(), browserOf(event), read.value);
  if (!done.ok) return refused(done.problems);
  giveKeys(event.cookies, event.url, done.value);
  return json({ ok: true });
}

/** Who has a PIN on this device. */
export const GET = async (event) => json(await peopleHere(database(), browserOf(event)));
