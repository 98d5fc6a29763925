import { packed } from '$lib/packed';
import { database } from '$lib/server/db/database';
import { pageAsked, pageOf } from '$lib/server/paging';
import { jobsFound } from '$lib/server/views/lists';
import { wordsOf } from '$lib/server/views/words';

const PAGE = 25;

/** Every job there ever was, by words, page by page. */
export const load = async ({ url, depends }) => {
  depends('record:any');
  const db = database();
  const asked = (url.searchParams.get('q') ?? '').slice(0, 200);
  const words = wordsOf(asked);
  const wanted = pageAsked(url);
  const shown = (page: number) => jobsFound(db, { words, limit: PAGE, offset: (page - 1) * PAGE });
  const found = await shown(wanted);
  const { page, pages } = pageOf(found.count, PAGE, wanted);
  // An address may ask for a page that is no longer there.
  const { count, lines } = page === wanted ? found : await shown(page);
  return { asked, count, page, pages, jobs: packed(lines) };
};
