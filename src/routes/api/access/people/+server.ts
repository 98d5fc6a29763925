import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { ROLES } from '$core/record/roles';
import { addressOf } from '$lib/server/access/access';
import { asked, refused } from '$lib/server/access/asked';
import { changePerson, invite, revokeDevice } from '$lib/server/access/people';
import { database } from '$lib/server/db/database';

const shape = z.discriminatedUnion('deed', [
  z.object({ deed: z.literal('invite'), role: z.enum(ROLES), person: z.uuid().nullable() }),
  z.object({ deed: z.literal('change'), person: z.uuid(), role: z.enum(ROLES).nullable() }),
  z.object({ deed: z.literal('revoke'), device: z.uuid() })
]);

/** What an owner does with people and devices. */
export async function POST(event) {
  const { request, locals, url } = event;
  const read = await asked(request, shape);
  if (!read.ok) return read.response;
  const { session } = locals;
  if (!session) return refused([{ message: 'nobody signs in here: this is an open house' }]);
  const by = { ...session, address: addressOf(event) };
  const db = database();
  const { value } = read;
  if (value.deed === 'invite') {
    const token = await invite(db, value.role, value.person, by);
    return json({ ok: true, link: `${process.env.PYRETHOS_ADDRESS ?? url.origin}/join/${token}` });
  }
  if (value.deed === 'revoke') {
    await revokeDevice(db, value.device, by);
    return json({ ok: true });
  }
  const done = await changePerson(db, value.person, value.role, by);
  return done.ok ? json({ ok: true }) : refused(done.problems);
}
