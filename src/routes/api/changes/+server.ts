import { changeStream, EVENT_STREAM } from '$lib/server/record/changes';

/** Names of record streams as they change, for pages that are open. */
export const GET = () => new Response(changeStream(), { headers: EVENT_STREAM });
