import { dayAfter, dayIn, momentOf } from '../base/zone';
import type { Floor } from '../record/floor';

/** Minutes between two moments (ISO 8601) in which anybody of a floor works, by the clock of its zone. */
export function openMinutesOf(
  { people }: Pick<Floor, 'people'>,
  zone: string,
  from: string,
  to: string
): number {
  const [begin, end] = [Date.parse(from), Date.parse(to)];
  let ms = 0;
  for (
    let day = dayIn(zone, new Date(begin));
    Date.parse(`${day}T00:00:00Z`) <= end + 86_400_000;
    day = dayAfter(day, 1)
  ) {
    const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
    const hours = people
      .filter((p) => !p.away.some((a) => a.from <= day && day <= a.to))
      .flatMap((p) => p.hours[weekday] ?? [])
      .sort((a, b) => a.from.localeCompare(b.from));
    let covered = begin;
    for (const h of hours) {
      const opens = Math.max(covered, momentOf(zone, day, h.from).getTime());
      const shuts = Math.min(end, momentOf(zone, day, h.to).getTime());
      ms += Math.max(0, shuts - opens);
      covered = Math.max(covered, shuts);
    }
  }
  return ms / 60_000;
}
