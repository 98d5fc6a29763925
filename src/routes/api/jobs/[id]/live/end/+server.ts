import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { moment } from '$core/record/moment';
import { saidBy } from '$lib/server/access/actor';
import { refusalStatus } from '$lib/server/answers';
import { database } from '$lib/server/db/database';
import { endLive } from '$lib/server/live/runs';

const requestSchema = z.object({
  eventId: z.uuid(),
  at: moment,
  who: z.string().trim().max(60).optional()
});

/** Ends the recording of a job: its samples are judged and kept as a run. */
export async function POST({ request, params, locals }) {
  const read = requestSchema.safeParse(await request.json().catch(() => null));
  if (!read.success || !z.uuid().safeParse(params.id).success)
    return json({ ok: false, problems: [{ message: 'ending a run needs eventId and at' }] }, { status: 422 });
  const { who, ...ids } = read.data;
  const result = await endLive(database(), { ...ids, jobId: params.id, who: saidBy(locals, who) });
  return json(result.ok ? { ok: true, runId: result.value.runId } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}
