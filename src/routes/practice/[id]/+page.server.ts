import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { packed } from '$lib/packed';
import { atLeast } from '$core/record/roles';
import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { othersIn } from '$lib/server/practice/home';
import { practiceNow } from '$lib/server/practice/practice';

/** One's own practice; a lead sees those of others. */
export const load = async ({ params, locals }) => {
  const now = z.uuid().safeParse(params.id).success ? await practiceNow(database(), params.id) : null;
  const who = saidBy(locals, undefined);
  const may = now && (now.who === who || !locals.session || atLeast(locals.session.role, 'lead'));
  if (!may) error(404, 'There is no such practice');
  const others = now.review ? await othersIn(database(), now.caseId, now.who) : [];
  return { practice: packed({ ...now, own: now.who === who, others }) };
};
