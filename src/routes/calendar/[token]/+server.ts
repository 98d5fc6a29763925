import { error } from '@sveltejs/kit';
import { calendarAnswer } from '$lib/server/board/calendar';
import { feedOf } from '$lib/server/board/feed';
import { database } from '$lib/server/db/database';

/** The tasks of whoever the address was made for, for programs that cannot sign in. */
export async function GET({ params }) {
  const who = await feedOf(database(), params.token);
  const answer = who && (await calendarAnswer(database(), who));
  return answer || error(404, 'This address was ended, or another was made since');
}
