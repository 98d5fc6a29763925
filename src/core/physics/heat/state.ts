import { limitsOf } from '../../vehicle/limits';
import {
  DEFAULT_TAU_H,
  type CoolingFit,
  hoursUntil,
  LONG_TAU_H,
  residualC,
  SOAKED_BELOW_C
} from '../coolant/cooling';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import type { ThermalPhase } from './phases';
import { toldOf, type ToldBySensor } from './sensor-told';

/** Something known about the engine's heat at a moment. Times are ISO 8601; the latest that is not after "now" counts. */
export type ThermalFact =
  | {
      readonly kind: 'ran-until';
      readonly at: string;
      readonly coolantC: number | null;
      readonly ambientC: number | null;
      /** Where the engine’s own sensor told it, and no person. */
      readonly bySensor?: ToldBySensor;
    }
  | { readonly kind: 'started'; readonly at: string }
  | {
      readonly kind: 'measured';
      readonly at: string;
      readonly coolantC: number;
      readonly ambientC: number | null;
      readonly bySensor?: ToldBySensor;
      /** How fast it was seen to cool, where a log went on after key-off. */
      readonly cooling?: CoolingFit | null;
    };

export interface ThermalState {
  readonly phase: ThermalPhase | 'unknown';
  readonly running: boolean;
  /** Best guess of the coolant now; null while it runs unmeasured, or where nothing is known. */
  readonly coolantC: number | null;
  readonly ambientC: number | null;
  /** What is left above ambient by the cooling law. */
  readonly residualC: number | null;
  /** Residual below 2 °C; null where it is not known when the engine last ran. */
  readonly soaked: boolean | null;
  readonly soakedFrom: string | null;
  /** From when the cap is cool enough, told by the long end of τ; null while running or unknown. */
  readonly safeToOpenFrom: string | null;
  readonly safeToOpen: boolean | null;
  /** What this rests on. */
  readonly basis: ThermalFact | null;
}

/** How fast a vehicle cools, and from how many of its own cool-downs that is known. */
export interface CoolingOf {
  readonly tauH: number;
  readonly longH: number;
  readonly n: number;
}
export const DEFAULT_COOLING: CoolingOf = { tauH: DEFAULT_TAU_H, longH: LONG_TAU_H, n: 0 };

/** The engine that the default is of, L. */
const DEFAULT_OF_L = 1.6;
/** What an engine keeps grows with its volume, what it loses with its surface: τ with the cube root of its size, or nearly. */
const GROWS = 0.3;

/** How a vehicle cools before any of its own cool-downs is known: a larger engine stays hot for longer. */
export function usualCooling(sheet: SpecSheet | null): CoolingOf {
  const litres = sheet?.engine?.displacementL;
  const by = litres ? Math.max(0.8, (litres / DEFAULT_OF_L) ** GROWS) : 1;
  return { tauH: DEFAULT_TAU_H * by, longH: LONG_TAU_H * by, n: 0 };
}

/** Where neither log nor person told the ambient: a usual day. */
export const USUAL_AMBIENT_C = 15;
/** A stopped engine within this of start-to-open still counts as hot: thermostat, fan rule and drops can be checked. */
const HOT_WITHIN_C = 20;
/** Minutes after which an engine that nobody measured is taken to be regulating. */
const WARM_UP_MIN = 15;
/** Hours after which a start that nobody followed up says nothing any more: it will have been stopped since. */
const RUN_FORGOTTEN_H = 8;
const HOUR_MS = 3_600_000;

const UNKNOWN: ThermalState = {
  phase: 'unknown',
  running: false,
  coolantC: null,
  ambientC: null,
  residualC: null,
  soaked: null,
  soakedFrom: null,
  safeToOpenFrom: null,
  safeToOpen: null,
  basis: null
};

/**
 * The state at a time, from what is known and the cooling law. Facts after `at` are left out. Without any fact the
 * phase is `unknown`: nothing is assumed to be cold.
 */
export function thermalAt(
  facts: readonly ThermalFact[],
  at: string,
  sheet: SpecSheet | null,
  cooling: CoolingOf = usualCooling(sheet)
): ThermalState {
  const now = Date.parse(at);
  const known = facts
    .filter((f) => Date.parse(f.at) <= now)
    .toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const ambientC =
    known.reduce<number | null>((last, f) => (f.kind === 'started' ? last : (f.ambientC ?? last)), null) ??
    null;
  const turned = known.findLast((f) => f.kind !== 'measured');
  const basis = known.at(-1);
  if (!basis) return UNKNOWN;
  if (turned?.kind === 'started')
    return now - Date.parse(basis.at) > RUN_FORGOTTEN_H * HOUR_MS
      ? { ...UNKNOWN, basis }
      : running(turned, basis, now, ambientC, sheet);
  return standing(basis as Exclude<ThermalFact, { kind: 'started' }>, now, ambientC, sheet, cooling);
}

function running(
  started: ThermalFact,
  basis: ThermalFact,
  now: number,
  ambientC: number | null,
  sheet: SpecSheet | null
): ThermalState {
  const openC = limitsOf(sheet).startOpenC.value;
  const coolantC = basis.kind === 'measured' ? basis.coolantC : null;
  const warm =
    coolantC !== null ? coolantC >= openC - 3 : now - Date.parse(started.at) > WARM_UP_MIN * 60_000;
  return {
    ...UNKNOWN,
    phase: warm ? 'regulating' : 'warming',
    running: true,
    coolantC,
    ambientC,
    soaked: false,
    safeToOpen: false,
    basis
  };
}

const HOT_DAY_C = 38;
const COLDEST_DAY_C = -25;
/** Nearer to the limit than this the air hardly cools it any more, °C. */
const LEAST_BELOW_C = 1;

/**
 * Hours for which a cap stays shut on an engine that stopped at `hottestC`, by the long end of τ. An air that nobody
 * measured is a hot day for who opens the cap; in air as hot as the limit no clock makes it safe: infinity.
 */
export function capShutH(
  hottestC: number,
  openCapC: number,
  knownAmbientC: number | null,
  longH: number
): number {
  const airC = knownAmbientC ?? Math.min(HOT_DAY_C, hottestC);
  if (hottestC <= openCapC) return 0;
  return openCapC - airC < LEAST_BELOW_C ? Infinity : hoursUntil(hottestC - airC, openCapC - airC, longH);
}

function standing(
  basis: Exclude<ThermalFact, { kind: 'started' }>,
  now: number,
  knownAmbientC: number | null,
  sheet: SpecSheet | null,
  { tauH, longH }: CoolingOf
): ThermalState {
  const limits = limitsOf(sheet);
  const openC = limits.startOpenC.value;
  const openCapC = limits.openCapC.value;
  const ambientC = knownAmbientC ?? USUAL_AMBIENT_C;
  const told = toldOf(basis, limits);
  // An engine of which only the stop is known is taken to have been as hot as a healthy one gets.
  const stoppedC = told.coolantC ?? limits.fullOpenC.value;
  const over = stoppedC - ambientC;
  const from = Date.parse(basis.at);
  const hours = (now - from) / HOUR_MS;
  const left = residualC(over, hours, tauH);
  const cold = left < SOAKED_BELOW_C;
  // Without the air around it an engine is soaked only where it would be on the coldest day there is.
  const coldestDay = residualC(stoppedC - COLDEST_DAY_C, hours, tauH);
  const soaked =
    knownAmbientC !== null
      ? cold
      : coldestDay < SOAKED_BELOW_C
        ? true
        : cold
          ? null
          : basis.kind === 'measured'
            ? null
            : false;
  const moment = (h: number) => new Date(from + h * HOUR_MS).toISOString();
  const safeFrom = from + capShutH(told.hottestC, openCapC, knownAmbientC, longH) * HOUR_MS;
  return {
    phase: cold ? 'cold' : ambientC + left >= openC - HOT_WITHIN_C ? 'hot' : 'cooling',
    running: false,
    coolantC: ambientC + left,
    ambientC: knownAmbientC,
    residualC: left,
    soaked,
    soakedFrom: soaked === null ? null : moment(hoursUntil(over, SOAKED_BELOW_C, tauH)),
    safeToOpenFrom: Number.isFinite(safeFrom) ? new Date(safeFrom).toISOString() : null,
    safeToOpen: now >= safeFrom,
    basis
  };
}
