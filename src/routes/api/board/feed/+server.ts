import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { atLeast } from '$core/record/roles';
import { asked, refused } from '$lib/server/access/asked';
import { endFeed, newFeed } from '$lib/server/board/feed';
import { database } from '$lib/server/db/database';
import { shopNow } from '$lib/server/record/shop';

const shape = z.object({ who: z.string().max(80), deed: z.enum(['make', 'end']) });

/** Makes an address that a calendar program follows, or ends it: for oneself; a lead for anybody. */
export async function POST({ request, locals, url }) {
  const read = await asked(request, shape);
  if (!read.ok) return read.response;
  const { who, deed } = read.value;
  const { session } = locals;
  if (session && session.name !== who && !atLeast(session.role, 'lead'))
    return refused([{ field: 'who', message: 'a calendar address of somebody else is for a lead' }], 403);
  const { floor } = await shopNow(database());
  if (!floor.people.some((p) => p.name === who))
    return refused([{ field: 'who', message: 'nobody of that name is on the floor' }]);
  if (deed === 'end') return json({ ok: true, ended: await endFeed(database(), who) });
  const token = await newFeed(database(), who, session?.person ?? null);
  return json({ ok: true, address: `${url.origin}/calendar/${token}` });
}
