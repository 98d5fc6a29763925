import { checkOf } from '../checks/registry';
import { refuseHotter } from '../measure/temperature';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Problem } from '../base/result';
import type { EventBody } from '../record/events';

/** What this vehicle's own sheet rules out in an entry: each problem names its field and the limit. */
export function refusedBy(sheet: SpecSheet | null, entry: EventBody): Problem[] {
  switch (entry.kind) {
    case 'check.recorded':
      if (entry.payload.byHand) return [];
      return checkOf(entry.payload.check).refuse(entry.payload.readings, sheet);
    case 'engine.noted':
      return entry.payload.kind === 'started'
        ? []
        : [refuseHotter('coolantC', entry.payload.coolantC, sheet)].filter((p) => p !== undefined);
    default:
      return [];
  }
}
