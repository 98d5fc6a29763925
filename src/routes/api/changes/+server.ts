import { database } from '$lib/server/db/database';
import { changeStream, EVENT_STREAM } from '$lib/server/record/changes';

/** Names of record streams as they change, for pages that are open; `since` is when the page was drawn, ISO 8601. */
export const GET = ({ url }) => {
  const since = new Date(url.searchParams.get('since') ?? NaN);
  return new Response(changeStream(database(), Number.isNaN(since.getTime()) ? null : since), {
    headers: EVENT_STREAM
  });
};
