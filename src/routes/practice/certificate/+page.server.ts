import { database } from '$lib/server/db/database';
import { practiceHome, whosePractice } from '$lib/server/practice/home';

/** What somebody practised, for print; a lead may print that of others. */
export const load = async ({ locals, url }) => {
  const { who } = await whosePractice(database(), locals, url.searchParams.get('who'));
  const now = new Date();
  return { home: await practiceHome(database(), who, now), now: now.toISOString() };
};
