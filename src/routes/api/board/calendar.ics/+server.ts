import { error } from '@sveltejs/kit';
import { boardNow } from '$lib/server/board/board';
import { calendarOf } from '$lib/server/board/calendar';
import { database } from '$lib/server/db/database';

/** What is planned for a person, as a calendar reads it: `?who=NAME`. */
export async function GET({ url }) {
  const view = await boardNow(database(), new Date());
  const who = url.searchParams.get('who') ?? '';
  if (!view.floor.people.some((p) => p.name === who)) error(404, 'Nobody of that name is on the floor');
  return new Response(calendarOf(view, who), {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'attachment; filename="pyrethos-board.ics"'
    }
  });
}
