import { activeEvents } from '../../../core/record/active';
import { describeEvent, ENTRY_TITLES } from '../../../core/record/describe-event';
import { streamOf } from '../../../core/record/events';
import type { Database } from '../db/database';
import { eventsOf } from '../record/events';
import { jobOr404 } from './job';

/** An entry of a job's record as a table shows it. */
export interface EntryCells {
  readonly id: string;
  /** ISO 8601. */
  readonly at: string;
  readonly who: string;
  /** What kind of entry it is, in words. */
  readonly kind: string;
  readonly says: string;
  /** False once it was undone. */
  readonly stands: boolean;
}

/** The record of a job, entry by entry, the latest first; moments that entries speak of as `written` has them. */
export async function recordView(db: Database, number: string, written: (iso: string) => string) {
  const { id, vehicle, ...job } = await jobOr404(db, number);
  const events = await eventsOf(db, streamOf('job', id));
  const stands = new Set(activeEvents(events).map((e) => e.id));
  const entries = events
    .filter((e) => e.kind !== 'undo')
    .map((e): EntryCells => ({
      id: e.id,
      at: e.at,
      who: e.who,
      kind: ENTRY_TITLES[e.kind],
      says: describeEvent(e, written),
      stands: stands.has(e.id)
    }))
    .toReversed();
  return { number: job.number, vehicle, entries };
}
