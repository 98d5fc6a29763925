import { atLeast } from '$core/record/roles';
import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { practiceHome, practised } from '$lib/server/practice/home';

/** One's own; a lead sees that of others too: `?who=NAME`. */
export const load = async ({ locals, url }) => {
  const me = saidBy(locals, undefined);
  const people = !locals.session || atLeast(locals.session.role, 'lead') ? await practised(database()) : [];
  const asked = url.searchParams.get('who');
  const who = asked && people.includes(asked) ? asked : me;
  return { home: await practiceHome(database(), who, new Date()), people, me };
};
