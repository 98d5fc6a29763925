import { database } from '$lib/server/db/database';
import { countJobs, jobLines } from '$lib/server/views/lists';

const PAGE = 40;

/** Every job there ever was, by words, page by page. */
export const load = async ({ url, depends }) => {
  depends('record:any');
  const db = database();
  const asked = (url.searchParams.get('q') ?? '').slice(0, 200);
  const words = asked.split(/\s+/).filter(Boolean);
  const count = await countJobs(db, { words });
  const pages = Math.max(1, Math.ceil(count / PAGE));
  const page = Math.min(pages, Math.max(1, Math.floor(Number(url.searchParams.get('page'))) || 1));
  return {
    asked,
    count,
    page,
    pages,
    jobs: await jobLines(db, { words, limit: PAGE, offset: (page - 1) * PAGE })
  };
};
