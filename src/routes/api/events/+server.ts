import { json } from '@sveltejs/kit';
import { jsonIn } from '$core/base/json-in';
import { isPlainObject } from '$core/base/open-format';
import { readSpecSheet } from '$core/vehicle/read-sheet';
import { WRITTEN_BY_SERVER } from '$core/record/events';
import { tooOften } from '$lib/server/access/access';
import { saidBy } from '$lib/server/access/actor';
import { refusalStatus } from '$lib/server/answers';
import { database } from '$lib/server/db/database';
import { append } from '$lib/server/record/record';

const MAX_BYTES = 512 * 1024;
/** A tablet's clock may be ahead by a zone or by a day; beyond that it is wrong. */
const MOST_AHEAD_MS = 48 * 3_600_000;

/** The one way a browser writes to the record. Sending the same event twice is one event. */
export async function POST(event) {
  const late = await tooOften('events', event);
  if (late) return late;
  const { request, locals } = event;
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
  if (WRITTEN_BY_SERVER.includes(body.kind as string))
    return json({ ok: false, problems: [{ message: 'this entry comes in with its file' }] }, { status: 422 });
  // Entries name who made them when they were made; they may have waited in the browser since.
  const ahead = typeof body.at === 'string' ? Date.parse(body.at) - Date.now() : 0;
  if (ahead > MOST_AHEAD_MS)
    return json(
      {
        ok: false,
        problems: [
          { field: 'Time', message: `is ${body.at as string}: the clock of this device is ahead; set it` }
        ]
      },
      { status: 422 }
    );
  const entry = { ...body, who: saidBy(locals, body.who as string | undefined) };
  const result = await append(database(), entry, undefined, 'same-contents');
  return json(result.ok ? { ok: true, warnings: result.warnings } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}
