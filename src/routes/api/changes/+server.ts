import { changeStream } from '$lib/server/changes';

/** Names of record streams as they change, for pages that are open. */
export const GET = () =>
  new Response(changeStream(), {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' }
  });
