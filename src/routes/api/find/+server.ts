import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';
import { find } from '$lib/server/views/find';

export const GET = async ({ url }) =>
  json(await find(database(), (url.searchParams.get('q') ?? '').slice(0, 100)));
