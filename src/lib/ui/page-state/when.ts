import { page } from '$app/state';
import { writtenDate, writtenHour, type DateForm } from '$core/base/dates';

/** The form this person writes dates in. */
export const dateForm = (): DateForm => (page.data.dates as DateForm | undefined) ?? 'en-GB';

/** Dates in the shop's time zone. The zone comes from the server, so that every tablet agrees. */
export const when = (iso: string, zone: string): string => writtenDate(iso, zone, 'moment', dateForm());

export const day = (iso: string, zone: string): string => writtenDate(iso, zone, 'day', dateForm());

/** A day with its year: of a moment, or of a day that has no zone. */
export const date = (iso: string, zone = 'UTC'): string => writtenDate(iso, zone, 'date', dateForm());

/** An hour of today, or with its weekday where it is another day's. */
export const hour = (iso: string, zone: string, now: string): string =>
  writtenHour(iso, zone, now, dateForm());
