import { dayAfter, momentOf } from '../base/zone';
import type { Floor, Person } from '../record/floor';
import type { Minute, Span } from './workload';

export const minuteOf = (iso: string | Date): Minute => Math.floor(new Date(iso).getTime() / 60_000);
export const momentAt = (minute: Minute): string => new Date(minute * 60_000).toISOString();

/** When somebody works on a day, by the clock of the shop; null where they do not. */
function hoursOn(
  { hours, away }: Person,
  day: string
): { readonly from: string; readonly to: string } | null {
  if (away.some((a) => a.from <= day && day <= a.to)) return null;
  return hours[new Date(`${day}T00:00:00Z`).getUTCDay()];
}

const daysFrom = (day: string, days: number): string[] =>
  Array.from({ length: days }, (_, n) => dayAfter(day, n));

/** The shifts of a person in so many days from one on. */
export const shiftsOf = (person: Person, zone: string, from: string, days: number): Span[] =>
  daysFrom(from, days).flatMap((day) => {
    const of = hoursOn(person, day);
    if (!of) return [];
    return [{ from: minuteOf(momentOf(zone, day, of.from)), to: minuteOf(momentOf(zone, day, of.to)) }];
  });

/** The same times, in order and apart from each other. */
export function merged(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const span of spans.toSorted((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && span.from <= last.to)
      out[out.length - 1] = { from: last.from, to: Math.max(last.to, span.to) };
    else out.push(span);
  }
  return out;
}

/** When anybody of a floor works, in so many days from one on; in order and apart. */
export function openHours(
  { people }: Pick<Floor, 'people'>,
  zone: string,
  from: string,
  days: number
): Span[] {
  const ofDay = (time: string) => 60 * Number(time.slice(0, 2)) + Number(time.slice(3));
  const said = (m: number) =>
    `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
  return daysFrom(from, days).flatMap((day) =>
    // Put together by the clock on the wall first: to find a moment of it in a zone is what takes time.
    merged(
      people.flatMap((p) => {
        const of = hoursOn(p, day);
        return of ? [{ from: ofDay(of.from), to: ofDay(of.to) }] : [];
      })
    ).map((s) => ({
      from: minuteOf(momentOf(zone, day, said(s.from))),
      to: minuteOf(momentOf(zone, day, said(s.to)))
    }))
  );
}

/** Minutes between two moments that lie in some of these times, which are in order and apart. */
export function minutesWithin(open: readonly Span[], from: Minute, to: Minute): number {
  let low = 0;
  let high = open.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (open[middle].to <= from) low = middle + 1;
    else high = middle;
  }
  let minutes = 0;
  for (let i = low; i < open.length && open[i].from < to; i++)
    minutes += Math.max(0, Math.min(open[i].to, to) - Math.max(open[i].from, from));
  return minutes;
}
