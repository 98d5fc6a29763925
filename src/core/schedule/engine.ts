import { hoursUntil, residualC, SOAKED_BELOW_C } from '../physics/coolant/cooling';
import type { EngineNeed } from '../diagnosis/work';
import type { EngineHeat, Minute } from './workload';

/** Hands-on minutes to bring a cold engine to where it regulates. */
export const WARM_UP_MIN = 14;
/** An engine that has lost less than this share of its heat is warm enough for what is checked warm. */
const STILL_WARM = 0.75;

/** °C above the air at a moment, if nobody touches it. */
export const overAt = ({ at, overC, tauMin }: EngineHeat, when: Minute): number =>
  residualC(overC, Math.max(0, when - at) / 60, tauMin / 60);

/** When it has come down to the air; the moment it was known at where it is there. */
export const soakedFrom = ({ at, overC, tauMin }: EngineHeat): Minute =>
  Math.ceil(at + 60 * hoursUntil(overC, SOAKED_BELOW_C, tauMin / 60));

/** From when on a task may begin, as far as the engine is concerned. */
export function engineAllows(engine: EngineHeat, need: EngineNeed): Minute {
  if (need === 'cold') return soakedFrom(engine);
  if (need === 'cool') return engine.safeFrom;
  return -Infinity;
}

/** Minutes of warming up that a task begins with at a moment. */
export const warmUpAt = (engine: EngineHeat, need: EngineNeed, when: Minute): number =>
  need === 'warm' && overAt(engine, when) < STILL_WARM * engine.warmOverC ? WARM_UP_MIN : 0;

/** An engine as it was at one moment of the past. */
export interface KnownHeat {
  readonly at: Minute;
  /** °C above the air. */
  readonly overC: number;
  /** It ran on from then. */
  readonly running: boolean;
}

/**
 * °C above the air at a moment of the past, from what is known in order: on a line to what was known next while it
 * ran, by its cooling law while it stood. Null before anything is known, and after a start that nobody followed up.
 */
export function overThen(past: readonly KnownHeat[], tauMin: number, when: Minute): number | null {
  const i = past.findLastIndex((p) => p.at <= when);
  if (i < 0) return null;
  const { at, overC, running } = past[i];
  if (!running) return residualC(overC, (when - at) / 60, tauMin / 60);
  const next = past[i + 1];
  return next ? overC + ((next.overC - overC) * (when - at)) / Math.max(1, next.at - at) : null;
}

/** The engine after a task that ended then. */
export const after = (engine: EngineHeat, ran: boolean, end: Minute): EngineHeat =>
  ran ? { ...engine, at: end, overC: engine.warmOverC, safeFrom: end + engine.coolMin } : engine;
