import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Database } from '../db/database';
import { boardNow, type BoardView } from './board';

/** The planned tasks of a person as an iCalendar file (RFC 5545): vehicle, task and place, and nothing of the customer. */
function calendarOf(view: BoardView, person: string): string {
  const tasks = new Map(view.workload.jobs.flatMap((j) => j.tasks.map((t) => [t.id, t] as const)));
  const calendar = ical({
    name: `Pyrethos: ${person}`,
    prodId: { company: 'Pyrethos', product: 'Board', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 15 * 60
  });
  for (const a of view.published.schedule.assigned) {
    if (a.person !== person) continue;
    const fleetNo = view.jobs.find((j) => j.number === a.job)?.fleetNo ?? '';
    calendar.createEvent({
      id: `${a.task}@pyrethos`,
      start: new Date(a.start * 60_000),
      end: new Date(a.end * 60_000),
      stamp: new Date(view.madeAt),
      summary: `${fleetNo} ${tasks.get(a.task)?.title ?? ''}`.trim(),
      location: a.place ?? 'Road'
    });
  }
  return calendar.toString();
}

/** What is planned for a person, answered as a calendar reads it; null where nobody of that name is on the floor. */
export async function calendarAnswer(db: Database, who: string): Promise<Response | null> {
  const view = await boardNow(db, new Date());
  if (!view.floor.people.some((p) => p.name === who)) return null;
  return new Response(calendarOf(view, who), {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'attachment; filename="pyrethos-board.ics"'
    }
  });
}
