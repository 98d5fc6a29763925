import { limitsOf } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';

/** Engine and fan speed at one moment, by optical tachometer. */
export interface SpeedPair {
  readonly engineRpm: number;
  readonly fanRpm: number;
  /** Air in front of the clutch, behind the radiator, where it is known, °C. */
  readonly airC: number | null;
  /** Since a cold start, min; null where the engine has long been running. */
  readonly sinceStartMin: number | null;
}

export type ClutchState = 'disengaged' | 'slipping' | 'engaged' | 'limited' | 'cut-out' | 'starting';

export interface ReadPair extends SpeedPair {
  /** Fan speed over the speed of its pulley. */
  readonly ratio: number;
  /** 1 − ratio. */
  readonly slip: number;
  /** Share of what an engaged clutch would add to a free one: 0 free, 1 engaged. */
  readonly grip: number;
  readonly state: ClutchState;
}

/** A free clutch drags the fan along at about this share of its pulley, an engaged one at that. */
export const FREE_RATIO = 0.25;
export const ENGAGED_RATIO = 0.86;
/** Share of an engaged clutch's pull from which it counts as engaged, and below which as free. */
const ENGAGED_GRIP = 0.7;
const FREE_GRIP = 0.3;
/** Its oil has settled while it stood: for so long it drives whatever the air says, min. */
export const SETTLING_MIN = 3;

export interface ClutchLimits {
  readonly engageAirC: number;
  readonly releaseAirC: number;
  readonly maxRpm: number;
  readonly cutOutEngineRpm: number;
  /** Which of them the sheet gives itself. */
  readonly own: boolean;
}

/** Limits of a thermal clutch: the sheet's, or usual ones. */
export function clutchLimits(sheet: SpecSheet | null): ClutchLimits {
  const { engageAirC, releaseAirC, clutchMaxRpm, cutOutEngineRpm } = limitsOf(sheet);
  return {
    engageAirC: engageAirC.value,
    releaseAirC: releaseAirC.value,
    maxRpm: clutchMaxRpm.value,
    cutOutEngineRpm: cutOutEngineRpm.value,
    own: engageAirC.origin !== 'typical'
  };
}

/** Fan speed of a free and of an engaged clutch at an engine speed, rpm. `pulley` is fan pulley over crankshaft. */
export function clutchRange(
  limits: ClutchLimits,
  engineRpm: number,
  pulley: number
): readonly [number, number] {
  const free = FREE_RATIO * engineRpm * pulley;
  if (engineRpm > limits.cutOutEngineRpm) return [free, free];
  return [free, Math.max(free, Math.min(limits.maxRpm, ENGAGED_RATIO * engineRpm * pulley))];
}

/** Reads pairs of speeds against the region of the clutch. Engine above 300 rpm; fan not above its pulley. */
export function readPairs(pairs: readonly SpeedPair[], limits: ClutchLimits, pulley = 1): ReadPair[] {
  return pairs.map((pair) => {
    const { engineRpm, fanRpm, sinceStartMin } = pair;
    const [free, engaged] = clutchRange(limits, engineRpm, pulley);
    const ratio = fanRpm / (engineRpm * pulley);
    const grip = engaged > free ? (fanRpm - free) / (engaged - free) : 0;
    const limited = ENGAGED_RATIO * engineRpm * pulley > limits.maxRpm;
    const state: ClutchState =
      sinceStartMin !== null && sinceStartMin < SETTLING_MIN
        ? 'starting'
        : engineRpm > limits.cutOutEngineRpm
          ? 'cut-out'
          : grip >= ENGAGED_GRIP
            ? limited
              ? 'limited'
              : 'engaged'
            : grip <= FREE_GRIP
              ? 'disengaged'
              : 'slipping';
    return { ...pair, ratio, slip: 1 - ratio, grip, state };
  });
}

/** Where a clutch was seen to go over, as the two temperatures it happened between, °C. */
export interface GoneOver {
  readonly fromC: number;
  readonly toC: number;
}

/** Engagement and release air temperatures from pairs in the order they were taken; null where not seen. */
export function goneOver(pairs: readonly ReadPair[]): {
  engaged: GoneOver | null;
  released: GoneOver | null;
} {
  const known = pairs.filter((p) => p.airC !== null && p.state !== 'cut-out' && p.state !== 'starting');
  const drives = (p: ReadPair) => p.state === 'engaged' || p.state === 'limited';
  let engaged: GoneOver | null = null;
  let released: GoneOver | null = null;
  for (let i = 1; i < known.length; i++) {
    const [before, now] = [known[i - 1], known[i]];
    const over = { fromC: before.airC!, toC: now.airC! };
    if (!drives(before) && drives(now) && now.airC! > before.airC!) engaged ??= over;
    if (drives(before) && !drives(now) && now.airC! < before.airC!) released ??= over;
  }
  return { engaged, released };
}
