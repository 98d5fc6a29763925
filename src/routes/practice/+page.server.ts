import { database } from '$lib/server/db/database';
import { practiceHome, whosePractice } from '$lib/server/practice/home';

/** One's own; a lead sees that of others too: `?who=NAME`. */
export const load = async ({ locals, url }) => {
  const { me, people, who } = await whosePractice(database(), locals, url.searchParams.get('who'));
  return { home: await practiceHome(database(), who, new Date()), people, me };
};
