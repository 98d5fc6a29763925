import { json } from '@sveltejs/kit';
import { takePlan } from '$lib/server/board/board';
import { database } from '$lib/server/db/database';

/** A plan that a page searched for longer. */
export async function POST({ request }) {
  const body = await request.json().catch(() => null);
  const taken = await takePlan(database(), body, new Date());
  return json(taken, { status: taken.ok ? 200 : 422 });
}
