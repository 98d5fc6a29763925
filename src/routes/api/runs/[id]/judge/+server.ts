import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';
import { judgeAgain } from '$lib/server/runs/judge';
import { runOr404 } from '$lib/server/runs/lookup';

/** Judges a run again by the present sheet and model. */
export async function POST({ params }) {
  const run = await runOr404(params.id);
  const result = await judgeAgain(database(), run.id);
  return json(result, { status: result.ok ? 200 : 422 });
}
