import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { EVENT_STREAM } from '$lib/server/record/changes';
import { database } from '$lib/server/db/database';
import { liveStream } from '$lib/server/live/stream';

/** Samples of a live run as they come, from the block after `after`. */
export function GET({ params, url }) {
  if (!z.uuid().safeParse(params.runId).success) error(404, 'There is no such run');
  const after = Number(url.searchParams.get('after') ?? 0);
  return new Response(liveStream(database(), params.runId, Number.isSafeInteger(after) ? after : 0), {
    headers: EVENT_STREAM
  });
}
