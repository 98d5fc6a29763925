import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/database';

/** A photo. It was checked to be a picture when it came in, and is served as nothing else. */
export async function GET({ params }) {
  const photo = z.uuid().safeParse(params.id).success ? await database().photos.findByPk(params.id) : null;
  if (!photo) error(404, 'There is no such photo');
  return new Response(new Uint8Array(photo.data), {
    headers: {
      'Content-Type': photo.mime,
      'Content-Security-Policy': "default-src 'none'"
    }
  });
}
