import { redirect } from '@sveltejs/kit';
import { browserOf } from '$lib/server/access/access';
import { peopleHere } from '$lib/server/access/sessions';
import { database } from '$lib/server/db/database';

/** Who can sign in here by PIN. Whoever is signed in already, or needs not be, goes on. */
export const load = async (event) => {
  const asked = event.url.searchParams.get('back') ?? '/';
  // Only a place of ours: two strokes would be another host.
  const back = /^\/(?![/\\])/.test(asked) ? asked : '/';
  if (event.locals.openHouse || event.locals.session) redirect(303, back);
  return { back, people: await peopleHere(database(), browserOf(event)) };
};
