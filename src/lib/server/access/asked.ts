import { json } from '@sveltejs/kit';
import type { z } from 'zod';
import { jsonIn } from '$core/base/json-in';
import type { Problem } from '$core/base/result';

const MOST_CHARACTERS = 10_000;

/** The body of a small request in the shape it is to have, or the refusal to answer with. */
export async function asked<T>(
  request: Request,
  shape: z.ZodType<T>
): Promise<{ ok: true; value: T } | { ok: false; response: Response }> {
  const text = await request.text();
  let body: unknown = null;
  try {
    body = text.length <= MOST_CHARACTERS ? jsonIn(text) : null;
  } catch {
    // Told below as what it is not.
  }
  const read = shape.safeParse(body);
  return read.success
    ? { ok: true, value: read.data }
    : {
        ok: false,
        response: refused(read.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message })))
      };
}

export const refused = (problems: readonly Problem[], status = 422): Response =>
  json({ ok: false, problems }, { status });
