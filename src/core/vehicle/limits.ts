import { GENERIC_CURVE, type Curve } from './sensor-curve';
import type { SpecSheet } from './spec-sheet';

/** What is held against a typical limit weighs no more than this part of what it would. */
export const TYPICAL_WEIGHT = 1 / 3;

/** Where a limit comes from: the sheet gives it, this vehicle's good runs taught it, or it is usual for such an engine. */
type LimitOrigin = 'given' | 'learned' | 'typical';

export interface Limit<T = number> {
  readonly value: T;
  readonly origin: LimitOrigin;
}

/** Every limit and default of a vehicle, °C unless the name carries another unit. */
export interface Limits {
  readonly startOpenC: Limit;
  readonly fullOpenC: Limit;
  readonly minLiftMm: Limit;
  /** What the engine holds once warm. */
  readonly regulatingLowC: Limit;
  readonly regulatingHighC: Limit;
  readonly hotC: Limit;
  readonly stopC: Limit;
  /** Below it the cap may be opened. */
  readonly openCapC: Limit;
  /** What the control unit reads with the sensor's circuit open, and shorted. */
  readonly openReadsC: Limit;
  readonly shortReadsC: Limit;
  readonly tolerancePct: Limit;
  readonly referenceV: Limit;
  readonly pullUpOhm: Limit;
  readonly curve: Limit<Curve>;
  /** Where something must drive air through the radiator of a standing vehicle: its first stage, or beyond full open. */
  readonly fanOnC: Limit;
  /** For how long a fan may run after key-off, min. */
  readonly afterRunMaxMin: Limit;
  readonly capKPa: Limit;
  readonly displacementL: Limit;
  readonly coolantL: Limit;
  readonly engageAirC: Limit;
  readonly releaseAirC: Limit;
  readonly clutchMaxRpm: Limit;
  readonly cutOutEngineRpm: Limit;
  readonly ratioLow: Limit;
  readonly ratioHigh: Limit;
  readonly tipPlayMaxMm: Limit;
}

/** What a vehicle's own good runs taught, by the name of the limit. */
export type LearnedLimits = Readonly<Partial<Record<Exclude<keyof Limits, 'curve'>, number>>>;

/**
 * The limits of a vehicle, each with where it comes from: the only place that has a default for one. What the sheet
 * gives goes before what was learned, and that before what is usual. Typical figures are ours: round numbers of
 * ordinary passenger engines, on the safe side where they guard a person. Pure.
 */
export function limitsOf(sheet: SpecSheet | null, learned: LearnedLimits = {}): Limits {
  const limit = (name: keyof LearnedLimits, given: number | null | undefined, typical: number): Limit => {
    if (given != null) return { value: given, origin: 'given' };
    const own = learned[name];
    return own === undefined ? { value: typical, origin: 'typical' } : { value: own, origin: 'learned' };
  };
  const { thermostat, regulating, limits, ect, fan, clutch, cap, engine } = sheet ?? {};
  const thermal = clutch?.kind === 'thermal' ? clutch : null;
  const fixed = clutch?.kind === 'fixed' ? clutch : null;
  const startOpenC = limit('startOpenC', thermostat?.startOpenC, 85);
  const fullOpenC = limit('fullOpenC', thermostat?.fullOpenC, startOpenC.value + 12);
  const displacementL = limit('displacementL', engine?.displacementL, 1.8);
  const engageAirC = limit('engageAirC', thermal?.engageAirC, 65);
  return {
    startOpenC,
    fullOpenC,
    minLiftMm: limit('minLiftMm', thermostat?.minLiftMm, 7),
    regulatingLowC: limit('regulatingLowC', regulating?.lowC, startOpenC.value - 4),
    regulatingHighC: limit('regulatingHighC', regulating?.highC, fullOpenC.value),
    hotC: limit('hotC', limits?.hotC, Math.min(114, fullOpenC.value + 13)),
    stopC: limit('stopC', limits?.stopC, 118),
    openCapC: limit('openCapC', limits?.openCapC, 50),
    openReadsC: limit('openReadsC', ect?.openReadsC, -40),
    shortReadsC: limit('shortReadsC', ect?.shortReadsC, 140),
    tolerancePct: limit('tolerancePct', ect?.tolerancePct, 3),
    referenceV: limit('referenceV', ect?.referenceV, 5),
    pullUpOhm: limit('pullUpOhm', ect?.pullUpOhm, 2200),
    curve: ect?.curve ? { value: ect.curve, origin: 'given' } : { value: GENERIC_CURVE, origin: 'typical' },
    fanOnC: limit('fanOnC', fan?.stages?.[0]?.onC, fullOpenC.value + 5),
    afterRunMaxMin: limit('afterRunMaxMin', fan?.afterRunMaxMin, 0),
    capKPa: limit('capKPa', cap?.kPa, 100),
    displacementL,
    coolantL: limit('coolantL', engine?.coolantL, 3 + 2.2 * displacementL.value),
    engageAirC,
    releaseAirC: limit('releaseAirC', thermal?.releaseAirC, engageAirC.value - 14),
    clutchMaxRpm: limit('clutchMaxRpm', thermal?.maxRpm, 2600),
    cutOutEngineRpm: limit('cutOutEngineRpm', thermal?.cutOutEngineRpm, Infinity),
    ratioLow: limit('ratioLow', fixed?.ratioLow, 0.5),
    ratioHigh: limit('ratioHigh', fixed?.ratioHigh, 0.8),
    tipPlayMaxMm: limit('tipPlayMaxMm', clutch?.tipPlayMaxMm, 6)
  };
}

/** A limit as it is told: whose it is. */
export const originWords = ({ origin }: Limit<unknown>): string =>
  origin === 'given'
    ? 'by the sheet'
    : origin === 'learned'
      ? 'by its own good runs'
      : 'typical; the sheet gives none';
