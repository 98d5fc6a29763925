import type { SpecSheet } from '../formats/spec-sheet';
import type { RecordEvent } from './events';

/** Events that stand: those undone are left out, and an undo that was itself undone no longer counts. */
export function standing(events: readonly RecordEvent[]): RecordEvent[] {
  const undone = new Set<string>();
  for (const event of events.toReversed())
    if (event.kind === 'undo' && !undone.has(event.id)) undone.add(event.payload.of);
  return events.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
}

export interface VehicleState {
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly sheet: { readonly eventId: string; readonly revision: number; readonly sheet: SpecSheet } | null;
}

/** A vehicle as its standing events make it; null before it is entered or once that is undone. */
export function deriveVehicle(events: readonly RecordEvent[]): VehicleState | null {
  let state = null as VehicleState | null;
  let revision = 0;
  for (const event of standing(events)) {
    if (event.kind === 'vehicle.entered') state = { sheet: state?.sheet ?? null, ...event.payload };
    if (event.kind === 'spec.saved' && state)
      state = { ...state, sheet: { eventId: event.id, revision: ++revision, sheet: event.payload.sheet } };
  }
  return state;
}

export interface JobState {
  readonly vehicleId: string;
  readonly complaint: string;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  readonly runIds: readonly string[];
}

/** A job as its standing events make it; null before it is opened or once that is undone. */
export function deriveJob(events: readonly RecordEvent[]): JobState | null {
  let state = null as JobState | null;
  for (const event of standing(events)) {
    if (event.kind === 'job.opened')
      state = {
        ...event.payload,
        openedAt: event.at,
        lastAt: event.at,
        state: 'open',
        outcome: null,
        runIds: []
      };
    if (!state) continue;
    state = { ...state, lastAt: event.at };
    if (event.kind === 'run.imported') state = { ...state, runIds: [...state.runIds, event.payload.runId] };
    if (event.kind === 'job.closed') state = { ...state, state: 'closed', outcome: event.payload.outcome };
  }
  return state;
}
