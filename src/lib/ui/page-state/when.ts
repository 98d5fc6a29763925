/** Making a formatter takes a hundred times as long as using it, and a list asks for dozens of dates. */
const formatters = new Map<string, Intl.DateTimeFormat>();

const SHAPES = {
  moment: { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  day: { weekday: 'long', day: 'numeric', month: 'long' },
  date: { year: 'numeric', month: 'numeric', day: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
  weekday: { weekday: 'short' }
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;

function written(iso: string, zone: string, shape: keyof typeof SHAPES): string {
  const key = `${zone} ${shape}`;
  const format =
    formatters.get(key) ?? new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...SHAPES[shape] });
  formatters.set(key, format);
  return format.format(new Date(iso));
}

/** Dates in the shop's time zone. The zone comes from the server, so that every tablet agrees. */
export const when = (iso: string, zone: string): string => written(iso, zone, 'moment');

export const day = (iso: string, zone: string): string => written(iso, zone, 'day');

/** Minutes and seconds of a run. */
export const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** An hour of today, or with its weekday where it is another day's. */
export function hour(iso: string, zone: string, now: string): string {
  const time = written(iso, zone, 'time');
  const today = written(iso, zone, 'date') === written(now, zone, 'date');
  return today ? time : `${written(iso, zone, 'weekday')} ${time}`;
}
