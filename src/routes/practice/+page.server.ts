import { saidBy } from '$lib/server/access/actor';
import { database } from '$lib/server/db/database';
import { practiceHome } from '$lib/server/practice/home';

export const load = async ({ locals }) => ({
  home: await practiceHome(database(), saidBy(locals, undefined), new Date())
});
