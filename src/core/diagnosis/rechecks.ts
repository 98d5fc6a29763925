import { addDays, formatISO } from 'date-fns';

/** A joint that was opened weeps on the next day, or within the week, before it drips. */
const LEAK_DAYS = [1, 7];
/** An unproven repair is looked at soon; a proven one once it has had time to come back. */
const RETURN_DAYS: Readonly<Record<string, number>> = { 'fixed, unproven': 30, 'fixed and proven': 90 };

/**
 * When a closed job is to be looked at next, YYYY-MM-DD: a system that was opened for leaks on the next day and after a
 * week, every repair for whether the complaint came back. Null where nothing was repaired or all has been looked at.
 */
export function nextRecheck(
  outcome: string | null,
  opened: boolean,
  closedAt: Date,
  today: Date
): string | null {
  const last = outcome && RETURN_DAYS[outcome];
  if (!last) return null;
  const day = (date: Date) => formatISO(date, { representation: 'date' });
  return (
    [...(opened ? LEAK_DAYS : []), last].map((n) => day(addDays(closedAt, n))).find((d) => d > day(today)) ??
    null
  );
}
