const formats = new Map<string, Intl.DateTimeFormat>();

/** A moment as a clock on the wall of a time zone shows it, as if it were one of Greenwich; ms. */
function wallMs(zone: string, at: Date): number {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric'
    });
    formats.set(zone, format);
  }
  const parts = format.formatToParts(at);
  const of = (type: string) => Number(parts.find((p) => p.type === type)?.value);
  return Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second'));
}

/** What the wall of a zone shows at a moment, less what it shows in Greenwich, ms. */
export const zoneOffsetMs = (zone: string, at: Date): number =>
  wallMs(zone, at) - Math.floor(at.getTime() / 1000) * 1000;

/** The day on the wall of a zone, YYYY-MM-DD. */
export const dayIn = (zone: string, at: Date): string =>
  new Date(wallMs(zone, at)).toISOString().slice(0, 10);

/** The time on the wall of a zone, HH:MM. */
export const timeIn = (zone: string, at: Date): string =>
  new Date(wallMs(zone, at)).toISOString().slice(11, 16);

/**
 * The moment at which the wall of a zone shows a day (YYYY-MM-DD) and time (HH:MM). An hour that a change of the clock
 * leaves out is the one after it; of one that comes twice it is the first.
 */
export function momentOf(zone: string, day: string, time: string): Date {
  const wall = Date.parse(`${day}T${time}:00Z`);
  const DAY = 86_400_000;
  // The offsets of the day before and of the day after: where they differ the clock changes in between.
  const offsets = [-DAY, DAY].map((by) => zoneOffsetMs(zone, new Date(wall + by)));
  const moments = offsets.map((o) => new Date(wall - o)).sort((a, b) => a.getTime() - b.getTime());
  return moments.find((m) => wallMs(zone, m) === wall) ?? moments[1];
}

/** A day so many days later. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
