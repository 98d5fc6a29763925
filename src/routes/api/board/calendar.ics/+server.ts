import { error } from '@sveltejs/kit';
import { calendarAnswer } from '$lib/server/board/calendar';
import { database } from '$lib/server/db/database';

/** What is planned for a person, as a calendar reads it: `?who=NAME`. */
export async function GET({ url }) {
  const answer = await calendarAnswer(database(), url.searchParams.get('who') ?? '');
  return answer ?? error(404, 'Nobody of that name is on the floor');
}
