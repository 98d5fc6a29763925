import { activeEvents } from './active';
import type { ShopCurve } from './curves';
import type { RecordEvent } from './events';

/** A curve as the active events of its stream make it: what was saved last; null once it is dropped or undone. */
export function deriveCurve(id: string, events: readonly RecordEvent[]): ShopCurve | null {
  const last = activeEvents(events).at(-1);
  return last?.kind === 'curve.saved' ? { id: `shop:${id}`, ...last.payload } : null;
}
