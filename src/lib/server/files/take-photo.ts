import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { PHOTO_MAX_BYTES } from '../../../core/record/photo';
import { moment } from '../../../core/record/moment';
import { saidBy } from '../access/actor';
import { refusalStatus } from '../answers';
import { database } from '../db/database';
import { attachPhoto } from './photos';

const querySchema = z.object({
  event: z.uuid(),
  photo: z.uuid(),
  at: moment,
  who: z.string().trim().max(60).optional(),
  caption: z.string().trim().max(200).default('')
});

/** One photo as the body of a request, its entry's ids in the query: sent twice it is one photo of its record. */
export async function takePhoto(
  { request, url, locals }: { request: Request; url: URL; locals: App.Locals },
  record: 'job' | 'vehicle',
  id: string
): Promise<Response> {
  const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
  if (!query.success || !z.uuid().safeParse(id).success)
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
    stream: `${record}:${id}`,
    who: saidBy(locals, who),
    at,
    caption,
    bytes: new Uint8Array(await request.arrayBuffer())
  });
  return json(result.ok ? { ok: true } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}
