import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { asked, refused } from '$lib/server/access/asked';
import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { beginPractice } from '$lib/server/practice/practice';

const shape = z.object({ id: z.uuid(), caseId: z.string().max(80) });

/** Begins a case. */
export async function POST({ request, locals }) {
  const read = await asked(request, shape);
  if (!read.ok) return read.response;
  const begun = await beginPractice(database(), {
    ...read.value,
    who: saidBy(locals, undefined),
    person: locals.session?.person ?? null
  });
  return begun.ok ? json({ ok: true }) : refused(begun.problems);
}
