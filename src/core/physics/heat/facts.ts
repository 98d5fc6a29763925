import type { CoolDown } from '../coolant/cooling';
import type { ThermalFact } from './state';

/** A fact with where it comes from. */
export interface KnownFact {
  readonly fact: ThermalFact;
  /** The id of the event that told it. */
  readonly source: string;
  /** When it was entered; a statement may speak of an earlier time. */
  readonly enteredAt: string;
  /**
   * A log without a date ended at the latest when it was imported, so that is taken as its end: the warmest the
   * engine can be. Anything that a person states afterwards knows better.
   */
  readonly soft: boolean;
}

/** The facts that hold: soft ones yield to any statement entered after them. */
export function holding(known: readonly KnownFact[]): ThermalFact[] {
  const stated = known.filter((k) => !k.soft).map((k) => Date.parse(k.enteredAt));
  const latest = Math.max(-Infinity, ...stated);
  return known.filter((k) => !k.soft || Date.parse(k.enteredAt) > latest).map((k) => k.fact);
}

/**
 * Cool-downs among the facts: a stop with its temperature, and a temperature measured before the next start. One that
 * was logged all along brings a rate of its own, and is not counted by its two ends as well.
 */
export function coolDownsOf(facts: readonly ThermalFact[]): CoolDown[] {
  const seen: CoolDown[] = [];
  let stop: (ThermalFact & { kind: 'ran-until' }) | null = null;
  for (const fact of facts.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    if (fact.kind === 'started') stop = null;
    else if (fact.kind === 'ran-until') stop = fact;
    else if (stop && stop.coolantC !== null && !fact.cooling) {
      const ambientC = fact.ambientC ?? stop.ambientC;
      if (ambientC === null) continue;
      seen.push({
        overAmbientC: stop.coolantC - ambientC,
        hours: (Date.parse(fact.at) - Date.parse(stop.at)) / 3_600_000,
        residualC: fact.coolantC - ambientC
      });
    }
  }
  return seen;
}
