import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { asked, refused } from '$lib/server/access/asked';
import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { makeMove } from '$lib/server/practice/practice';

const shape = z.object({ id: z.uuid(), move: z.unknown() });

/** Makes a move in one's own practice. */
export async function POST({ params, request, locals }) {
  if (!z.uuid().safeParse(params.id).success) return refused([{ message: 'there is no such practice' }], 404);
  const read = await asked(request, shape);
  if (!read.ok) return read.response;
  const { id, move } = read.value;
  const made = await makeMove(database(), { practice: params.id, id, who: saidBy(locals, undefined), move });
  return made.ok ? json({ ok: true }) : refused(made.problems);
}
