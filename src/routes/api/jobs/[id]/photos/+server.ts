import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { moment } from '$core/record/moment';
import { PHOTO_MAX_BYTES } from '$core/record/events';
import { refusalStatus } from '$lib/server/answers';
import { database } from '$lib/server/db/database';
import { attachPhoto } from '$lib/server/files/photos';

const querySchema = z.object({
  event: z.uuid(),
  photo: z.uuid(),
  at: moment,
  who: z.string().trim().max(60).optional(),
  caption: z.string().trim().max(200).default('')
});

/** One photo as the body, its entry's ids in the query: sent twice it is one photo. */
export async function POST({ request, params, url, locals }) {
  const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
  if (!query.success || !z.uuid().safeParse(params.id).success)
    return json(
      { ok: false, problems: [{ message: 'a photo needs event, photo and at in its address' }] },
      { status: 400 }
    );
  if (Number(request.headers.get('content-length') ?? 0) > PHOTO_MAX_BYTES)
    return json(
      {
        ok: false,
        problems: [{ field: 'photo', message: `is larger than ${PHOTO_MAX_BYTES / 1024 / 1024} MB` }]
      },
      { status: 413 }
    );
  const { event, photo, at, who, caption } = query.data;
  const result = await attachPhoto(database(), {
    eventId: event,
    photoId: photo,
    jobId: params.id,
    who: who || locals.who,
    at,
    caption,
    bytes: new Uint8Array(await request.arrayBuffer())
  });
  return json(result.ok ? { ok: true } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}
