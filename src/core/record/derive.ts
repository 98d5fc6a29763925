import type { SymptomId } from '../vehicle/symptoms';
import type { TaskSaid } from './board';
import { activeEvents } from './active';
import type { CautionId } from '../measure/cautions';
import type { CoolantService } from './coolant-service';
import type { Decision, Quote, Recheck } from './decision';
import type { CheckId } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { KnownFact } from '../physics/heat/facts';
import type { FaultId } from '../vehicle/faults';
import type { RecordEvent } from './events';
import type { Intake } from './intake';
import type { LiveRun } from './live';
import type { OwnFinding } from './own-finding';
import type { RepairDone } from './repair-done';

export interface VehicleState {
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  /** It came with the demo: what is simulated may be read on it, and is told to be so for ever. */
  readonly demo: boolean;
  readonly sheet: { readonly eventId: string; readonly revision: number; readonly sheet: SpecSheet } | null;
}

/** Who entered the vehicles of the demo, and nobody else. */
export const DEMO_WHO = 'Demo';

/** A vehicle as its standing events make it; null before it is entered or once that is undone. */
export function deriveVehicle(events: readonly RecordEvent[]): VehicleState | null {
  let state = null as VehicleState | null;
  let revision = 0;
  for (const event of activeEvents(events)) {
    if (event.kind === 'vehicle.entered')
      state = { sheet: state?.sheet ?? null, demo: event.who === DEMO_WHO, ...event.payload };
    if (event.kind === 'spec.saved' && state)
      state = { ...state, sheet: { eventId: event.id, revision: ++revision, sheet: event.payload.sheet } };
  }
  return state;
}

/** Readings of one check as they were entered. */
export interface RecordedCheck {
  readonly id: string;
  readonly check: CheckId;
  /** When they were taken: a correction keeps the time of what it corrects. */
  readonly at: string;
  readonly who: string;
  /** Whether the technician judged it: its readings are then a result and their words. */
  readonly byHand: boolean;
  readonly readings: unknown;
  readonly confirmed: readonly string[];
}

export interface PhotoLine {
  readonly id: string;
  readonly caption: string;
  readonly at: string;
  readonly who: string;
}

/** What someone entered, with its entry's id, when and by whom. */
export interface Entered<T> {
  readonly id: string;
  readonly at: string;
  readonly who: string;
  readonly done: T;
}

export interface JobState {
  readonly vehicleId: string;
  readonly intake: Intake;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly state: 'open' | 'closed';
  readonly outcome: string | null;
  /** What it was, by whoever closed it; null while open or where nobody knows. */
  readonly cause: FaultId | null;
  /** When it was closed; null while open. */
  readonly closedAt: string | null;
  /** When to look again, of a closed job. */
  readonly lookAgain: string | null;
  /** What was seen when it was looked at again since it was closed. */
  readonly recheck: Entered<Recheck> | null;
  /** How often it came back after it was closed. */
  readonly comebacks: number;
  /** What suppliers ask for parts. */
  readonly quotes: readonly Entered<Quote>[];
  /** What is decided to be done; null before anything is, and again once it came back. */
  readonly decision: Entered<Decision> | null;
  /** Repairs that were done, oldest first. */
  readonly repairs: readonly Entered<RepairDone>[];
  /** Complaints that were tried again, oldest first. */
  readonly tried: readonly {
    readonly at: string;
    readonly what: SymptomId;
    readonly gone: boolean;
    readonly how: string;
  }[];
  readonly runIds: readonly string[];
  /** Readings that stand and were not corrected, oldest first. */
  readonly checks: readonly RecordedCheck[];
  /** Checks that cannot be done where the vehicle is, and were not done since. */
  readonly skipped: readonly { readonly check: CheckId; readonly why: string }[];
  /** Stops that a person went on past, by the danger and the entry it rests on. */
  readonly overridden: readonly { readonly danger: string; readonly because: string; readonly why: string }[];
  readonly acknowledged: readonly CautionId[];
  /** What people stated about the engine's heat; checks and runs tell more (record/judged.ts). */
  readonly stated: readonly KnownFact[];
  readonly photos: readonly PhotoLine[];
  /** What the technician added to the evidence. */
  readonly own: readonly {
    readonly id: string;
    readonly at: string;
    readonly who: string;
    readonly finding: OwnFinding;
  }[];
  /** The last service of the coolant in this job; null where there was none. */
  readonly coolant: { readonly at: string; readonly service: CoolantService } | null;
  /** The run that is being recorded; null where none is. */
  readonly live: LiveRun | null;
  /** When the vehicle was promised, ISO 8601; null where it was not. */
  readonly promised: string | null;
  /** What was said of its tasks on the board, by task. */
  readonly board: Readonly<Record<string, TaskSaid>>;
}

/** A job as its standing events make it; null before it is opened or once that is undone. */
export function deriveJob(events: readonly RecordEvent[]): JobState | null {
  const stands = activeEvents(events);
  const corrected = new Set(
    stands.map((e) => (e.kind === 'check.recorded' ? e.payload.replaces : null)).filter((id) => id !== null)
  );
  const takenAt = new Map<string, string>();
  let state = null as JobState | null;
  for (const event of stands) {
    if (event.kind === 'job.opened') state = opened(event, event.payload);
    if (event.kind === 'check.recorded') {
      const first = event.payload.replaces ? takenAt.get(event.payload.replaces) : undefined;
      takenAt.set(event.id, first ?? event.at);
    }
    if (state && !corrected.has(event.id))
      state = { ...next(state, event, takenAt.get(event.id) ?? event.at), lastAt: event.at };
  }
  return state;
}

const opened = (event: RecordEvent, { vehicleId, ...intake }: Intake & { vehicleId: string }): JobState => ({
  vehicleId,
  intake,
  openedAt: event.at,
  lastAt: event.at,
  state: 'open',
  outcome: null,
  cause: null,
  closedAt: null,
  lookAgain: null,
  recheck: null,
  comebacks: 0,
  quotes: [],
  decision: null,
  repairs: [],
  tried: [],
  runIds: [],
  checks: [],
  skipped: [],
  overridden: [],
  acknowledged: [],
  stated: [],
  photos: [],
  own: [],
  coolant: null,
  live: null,
  promised: null,
  board: {}
});

function next(state: JobState, event: RecordEvent, takenAt: string): JobState {
  const { id, at, who } = event;
  switch (event.kind) {
    case 'job.amended':
      return { ...state, intake: event.payload };
    case 'job.closed':
      return {
        ...state,
        state: 'closed',
        outcome: event.payload.outcome,
        cause: event.payload.cause,
        closedAt: at,
        lookAgain: event.payload.lookAgain,
        recheck: null
      };
    case 'job.reopened':
      return {
        ...state,
        state: 'open',
        outcome: null,
        cause: null,
        closedAt: null,
        lookAgain: null,
        decision: null,
        comebacks: state.comebacks + (state.state === 'closed' ? 1 : 0)
      };
    case 'job.rechecked':
      return { ...state, lookAgain: event.payload.next, recheck: { id, at, who, done: event.payload } };
    case 'part.quoted':
      return { ...state, quotes: [...state.quotes, { id, at, who, done: event.payload }] };
    case 'repair.decided':
      return { ...state, decision: { id, at, who, done: event.payload } };
    case 'repair.done':
      return { ...state, repairs: [...state.repairs, { id, at, who, done: event.payload }] };
    case 'complaint.tried':
      return { ...state, tried: [...state.tried, { at, ...event.payload }] };
    case 'job.promised':
      return { ...state, promised: event.payload.at };
    case 'task.pinned': {
      const { task, person, place, start } = event.payload;
      const pin = person === null && place === null && start === null ? null : { person, place, start };
      return { ...state, board: { ...state.board, [task]: { ...state.board[task], pin } } };
    }
    case 'task.stretched': {
      const { task, minutes } = event.payload;
      return {
        ...state,
        board: { ...state.board, [task]: { pin: state.board[task]?.pin ?? null, minutes } }
      };
    }
    case 'finding.added':
      return { ...state, own: [...state.own, { id, at, who, finding: event.payload }] };
    case 'run.imported':
      return { ...state, runIds: [...state.runIds, event.payload.runId] };
    case 'check.skipped': {
      const { check, why } = event.payload;
      return { ...state, skipped: [...state.skipped.filter((s) => s.check !== check), { check, why }] };
    }
    case 'check.recorded': {
      const { check, byHand, readings, confirmed } = event.payload;
      return {
        ...state,
        skipped: state.skipped.filter((s) => s.check !== check),
        checks: [...state.checks, { id, check, at: takenAt, who, byHand, readings, confirmed }]
      };
    }
    case 'engine.noted':
      return {
        ...state,
        stated: [...state.stated, { fact: event.payload, source: id, enteredAt: at, soft: false }]
      };
    case 'coolant.serviced':
      return { ...state, coolant: { at, service: event.payload } };
    case 'stop.overridden':
      return { ...state, overridden: [...state.overridden, event.payload] };
    case 'caution.acknowledged':
      return { ...state, acknowledged: [...new Set([...state.acknowledged, ...event.payload.cautions])] };
    case 'run.started':
      return {
        ...state,
        live: { ...event.payload, startedAt: at, marks: [], readings: [] },
        stated: [...state.stated, { fact: { kind: 'started', at }, source: id, enteredAt: at, soft: false }]
      };
    case 'run.marked':
      return withLive(state, event.payload.runId, (live) => ({
        ...live,
        marks: [...live.marks, event.payload].sort((a, b) => a.t - b.t)
      }));
    case 'run.read':
      return withLive(state, event.payload.runId, (live) => ({
        ...live,
        readings: [...live.readings, { t: event.payload.t, celsius: event.payload.coolantC }].sort(
          (a, b) => a.t - b.t
        )
      }));
    case 'run.ended':
      return { ...state, live: null, runIds: [...state.runIds, event.payload.runId] };
    case 'photo.attached':
      return {
        ...state,
        photos: [...state.photos, { id: event.payload.photoId, caption: event.payload.caption, at, who }]
      };
    default:
      return state;
  }
}

const withLive = (state: JobState, runId: string, change: (live: LiveRun) => LiveRun): JobState =>
  state.live?.runId === runId ? { ...state, live: change(state.live) } : state;
