import { database } from '$lib/server/db/database';
import { countJobs, jobLines } from '$lib/server/views/lists';
import { wordsOf } from '$lib/server/views/words';

const PAGE = 25;

/** Every job there ever was, by words, page by page. */
export const load = async ({ url, depends }) => {
  depends('record:any');
  const db = database();
  const asked = (url.searchParams.get('q') ?? '').slice(0, 200);
  const words = wordsOf(asked);
  const wanted = Math.max(1, Math.floor(Number(url.searchParams.get('page'))) || 1);
  const shown = (page: number) => jobLines(db, { words, limit: PAGE, offset: (page - 1) * PAGE });
  const [count, jobs] = await Promise.all([countJobs(db, { words }), shown(wanted)]);
  const pages = Math.max(1, Math.ceil(count / PAGE));
  const page = Math.min(pages, wanted);
  // An address may ask for a page that is no longer there.
  return { asked, count, page, pages, jobs: page === wanted ? jobs : await shown(page) };
};
