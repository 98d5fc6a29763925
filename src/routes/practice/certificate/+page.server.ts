import { atLeast } from '$core/record/roles';
import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { practiceHome, practised } from '$lib/server/practice/home';

/** What somebody practised, for print; a lead may print that of others. */
export const load = async ({ locals, url }) => {
  const me = saidBy(locals, undefined);
  const asked = url.searchParams.get('who');
  const lead = !locals.session || atLeast(locals.session.role, 'lead');
  const who = asked && lead && (await practised(database())).includes(asked) ? asked : me;
  const now = new Date();
  return { home: await practiceHome(database(), who, now), now: now.toISOString() };
};
