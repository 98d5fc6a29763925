import { json } from '@sveltejs/kit';
import { thin } from '$core/runs/thin';
import { database } from '$lib/server/db/database';
import { runOr404 } from '$lib/server/runs/lookup';
import { samplesOf } from '$lib/server/runs/runs';

/** Samples for drawing, thinned to about `points`, between `from` and `to` seconds. */
export async function GET({ params, url }) {
  const run = await runOr404(params.id);
  const number = (name: string, fallback: number) => {
    const value = Number(url.searchParams.get(name) ?? NaN);
    return Number.isFinite(value) ? value : fallback;
  };
  const from = number('from', -Infinity);
  const to = number('to', Infinity);
  const points = Math.min(6000, Math.max(50, number('points', 1800)));
  return json(thin(await samplesOf(database(), run, from, to), points, from, to));
}
