/** Dates in the shop's time zone. The zone comes from the server, so that every tablet agrees. */
export function when(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit'
  }).format(new Date(iso));
}

export function day(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'long',
    day: 'numeric',
    month: 'long'
  }).format(new Date(iso));
}

/** Minutes and seconds of a run. */
export const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** An hour of today, or with its weekday where it is another day's. */
export function hour(iso: string, zone: string, now: string): string {
  const part = (of: string, options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options }).format(new Date(of));
  const date: Intl.DateTimeFormatOptions = { year: 'numeric', month: 'numeric', day: 'numeric' };
  const time = part(iso, { hour: '2-digit', minute: '2-digit' });
  return part(iso, date) === part(now, date) ? time : `${part(iso, { weekday: 'short' })} ${time}`;
}
