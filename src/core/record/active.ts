import type { RecordEvent } from './events';

/** Active events: those undone are left out, and an undo that was itself undone no longer counts. */
export function activeEvents(events: readonly RecordEvent[]): RecordEvent[] {
  const undone = new Set<string>();
  for (const event of events.toReversed())
    if (event.kind === 'undo' && !undone.has(event.id)) undone.add(event.payload.of);
  return events.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
}
