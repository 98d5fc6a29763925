import type { EngineNeed, WorkTask } from '../diagnosis/work';
import type { PlaceKind, Skill } from '../record/floor';

/**
 * What a board plans, in one unit of time: whole minutes since 1970, on the clock of the world, so that a clock that is
 * changed in the night changes nothing here.
 */
export type Minute = number;

/** From `from` to before `to`. */
export interface Span {
  readonly from: Minute;
  readonly to: Minute;
}

export interface Worker {
  readonly name: string;
  readonly skills: readonly Skill[];
  /** When they work, in order and apart from each other. */
  readonly shifts: readonly Span[];
}

export interface Site {
  readonly name: string;
  readonly kind: PlaceKind;
  readonly room: number;
}

/** What is known of an engine, and how it cools: Newton’s law above the air. */
export interface EngineHeat {
  /** When it was so. */
  readonly at: Minute;
  /** °C above the air then. */
  readonly overC: number;
  /** Of a warm engine. */
  readonly warmOverC: number;
  readonly tauMin: number;
  /** From when the cap may be opened, by the clock that guards whoever opens it. */
  readonly safeFrom: Minute;
  /** Minutes for which it stays shut after a run, by the same clock. */
  readonly coolMin: number;
}

export interface ToDo extends Pick<WorkTask, 'title' | 'kind' | 'minutes' | 'chance' | 'runs' | 'skill'> {
  /** Told apart on the whole board. */
  readonly id: string;
  readonly engine: EngineNeed;
  /** Kinds of places it can be done at; empty on the road. */
  readonly places: readonly PlaceKind[];
  readonly tools: readonly string[];
  /** Not before; a part comes, or a recheck is due. */
  readonly from: Minute | null;
}

/** A job with what is to be done on it, in the order that hands need. */
export interface JobToDo {
  readonly job: number;
  /** Jobs of one vehicle share its engine, and only one is worked on at a time. */
  readonly vehicle: string;
  readonly fleetNo: string;
  /** When it was promised; null where nobody promised. */
  readonly promised: Minute | null;
  readonly opened: Minute;
  readonly engine: EngineHeat;
  readonly tasks: readonly ToDo[];
  /** Minutes kept free behind its tasks for what may follow. */
  readonly roomMin: number;
}

/** What a person wants to stay: any part of it may be left open. */
export interface Pin {
  readonly task: string;
  readonly person: string | null;
  readonly place: string | null;
  readonly start: Minute | null;
}

export interface Workload {
  readonly now: Minute;
  readonly jobs: readonly JobToDo[];
  readonly people: readonly Worker[];
  readonly sites: readonly Site[];
  /** How many there are; a tool that is not named is never waited for. */
  readonly tools: Readonly<Record<string, number>>;
  readonly pins: readonly Pin[];
  /** The plan that people know: a new one changes as little of it as it can. */
  readonly previous: readonly Assigned[];
}

/** A task with its person, place and time. */
export interface Assigned {
  readonly task: string;
  readonly job: number;
  readonly person: string;
  /** Null on the road. */
  readonly place: string | null;
  readonly start: Minute;
  /** Hands are free again. */
  readonly end: Minute;
  /** Minutes of it that first warm the engine. */
  readonly warmUpMin: number;
}

export interface Schedule {
  readonly assigned: readonly Assigned[];
  /** Time kept free behind a job for what may follow. */
  readonly room: readonly {
    readonly job: number;
    readonly person: string;
    readonly from: Minute;
    readonly to: Minute;
  }[];
  /** What could not be planned, each with the reason in words. */
  readonly left: readonly { readonly task: string; readonly job: number; readonly because: string }[];
  /** Pins that could not be kept, each with the reason in words. */
  readonly loose: readonly { readonly task: string; readonly because: string }[];
}
