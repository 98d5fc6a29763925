import { z } from 'zod';

/** No entry of a workshop is older than its diagnostic sockets, or made by a clock that is a lifetime ahead. */
const FIRST = Date.parse('1990-01-01T00:00:00Z');
const LAST = Date.parse('2100-01-01T00:00:00Z');

const within = (iso: string): boolean => Date.parse(iso) >= FIRST && Date.parse(iso) < LAST;
const BETWEEN = 'A time between 1990 and 2100';

/** A moment of the record, ISO 8601 with its offset. */
export const moment = z.iso.datetime({ offset: true }).refine(within, BETWEEN);

/** A day of the record, ISO 8601. */
export const dayOf = (message: string) => z.iso.date(message).refine(within, BETWEEN);
