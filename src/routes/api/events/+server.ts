import { json } from '@sveltejs/kit';
import { jsonIn } from '$core/base/json-in';
import { isPlainObject } from '$core/base/open-format';
import { readSpecSheet } from '$core/vehicle/spec-sheet';
import { database } from '$lib/server/db/database';
import { append } from '$lib/server/record/record';

const MAX_BYTES = 512 * 1024;

/** The one way a browser writes to the record. Sending the same event twice is one event. */
export async function POST({ request, locals }) {
  const text = await request.text();
  if (text.length > MAX_BYTES)
    return json({ ok: false, problems: [{ message: 'too much for one entry' }] }, { status: 413 });
  let body: unknown;
  try {
    body = jsonIn(text);
  } catch {
    return json({ ok: false, problems: [{ message: 'the entry is not JSON' }] }, { status: 400 });
  }
  if (!isPlainObject(body))
    return json({ ok: false, problems: [{ message: 'an entry is a JSON object' }] }, { status: 422 });
  if (body.kind === 'spec.saved') {
    const sheet = readSpecSheet((body.payload as { sheet?: unknown } | undefined)?.sheet);
    if (!sheet.ok) return json({ ok: false, problems: sheet.problems }, { status: 422 });
  }
  if (body.kind === 'run.imported' || body.kind === 'photo.attached')
    return json({ ok: false, problems: [{ message: 'this entry comes in with its file' }] }, { status: 422 });
  // Entries name who made them when they were made; they may have waited in the browser since.
  const result = await append(database(), { ...body, who: body.who || locals.who });
  return json(result.ok ? { ok: true, warnings: result.warnings } : result, {
    status: result.ok ? 200 : 422
  });
}
