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

/** The engine after a task that ended then. */
export const after = (engine: EngineHeat, ran: boolean, end: Minute): EngineHeat =>
  ran ? { ...engine, at: end, overC: engine.warmOverC, safeFrom: end + engine.coolMin } : engine;
