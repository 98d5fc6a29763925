import { valueAt } from '../units/field';
import { GENERIC_CURVE, type Curve } from './sensor-curve';
import type { SpecSheet } from './spec-sheet';

/** What is held against a typical limit weighs no more than this part of what it would. */
export const TYPICAL_WEIGHT = 1 / 3;

/** Where a limit comes from: the sheet gives it, this vehicle's good runs taught it, or it is usual for such an engine. */
type LimitOrigin = 'given' | 'learned' | 'typical';

export interface Limit<T = number> {
  readonly value: T;
  readonly origin: LimitOrigin;
  /** Where the sheet would give it; empty where this vehicle has no such field. */
  readonly field: string;
}

/** The fields of the sheet that would decide: of those limits that are only typical. */
export const notGiven = (...limits: readonly Limit<unknown>[]): string[] =>
  limits.flatMap((l) => (l.origin === 'typical' ? [l.field] : []));

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

/**
 * The limits of a vehicle, each with where it comes from: the only place that has a default for one. What the sheet
 * gives goes before what its own good runs taught it, and that before what is usual. Typical figures are ours: round
 * numbers of ordinary passenger engines, on the safe side where they guard a person. Pure.
 */
export function limitsOf(sheet: SpecSheet | null): Limits {
  const { learned } = sheet ?? {};
  const limit = (field: string, typical: number, own?: number | null): Limit => {
    const given = valueAt(sheet, field) as number | null | undefined;
    if (given != null) return { value: given, origin: 'given', field };
    return own == null
      ? { value: typical, origin: 'typical', field }
      : { value: own, origin: 'learned', field };
  };
  const clutchIs = (kind: string, field: string) => (sheet?.clutch?.kind === kind ? `clutch.${field}` : '');
  const curve = sheet?.ect?.curve;
  const startOpenC = limit('thermostat.startOpenC', 85, learned?.startOpenC);
  const fullOpenC = limit('thermostat.fullOpenC', startOpenC.value + 12);
  const displacementL = limit('engine.displacementL', 1.8);
  const engageAirC = limit(clutchIs('thermal', 'engageAirC'), 65);
  return {
    startOpenC,
    fullOpenC,
    minLiftMm: limit('thermostat.minLiftMm', 7),
    regulatingLowC: limit('regulating.lowC', startOpenC.value - 4),
    regulatingHighC: limit('regulating.highC', fullOpenC.value),
    hotC: limit('limits.hotC', Math.min(114, fullOpenC.value + 13)),
    stopC: limit('limits.stopC', 118),
    openCapC: limit('limits.openCapC', 50),
    openReadsC: limit('ect.openReadsC', -40),
    shortReadsC: limit('ect.shortReadsC', 140),
    tolerancePct: limit('ect.tolerancePct', 3),
    referenceV: limit('ect.referenceV', 5),
    pullUpOhm: limit('ect.pullUpOhm', 2200),
    curve: {
      value: curve ?? GENERIC_CURVE,
      origin: curve ? 'given' : 'typical',
      field: 'ect.curve'
    },
    fanOnC: limit('fan.stages.0.onC', fullOpenC.value + 5, learned?.fanOnC),
    afterRunMaxMin: limit('fan.afterRunMaxMin', 0),
    capKPa: limit('cap.kPa', 100),
    displacementL,
    coolantL: limit('engine.coolantL', 3 + 2.2 * displacementL.value),
    engageAirC,
    releaseAirC: limit(clutchIs('thermal', 'releaseAirC'), engageAirC.value - 14),
    clutchMaxRpm: limit(clutchIs('thermal', 'maxRpm'), 2600),
    cutOutEngineRpm: limit(clutchIs('thermal', 'cutOutEngineRpm'), Infinity),
    ratioLow: limit(clutchIs('fixed', 'ratioLow'), 0.5),
    ratioHigh: limit(clutchIs('fixed', 'ratioHigh'), 0.8),
    tipPlayMaxMm: limit('clutch.tipPlayMaxMm', 6)
  };
}

/** Between on and off of a fan of which only one of the two is known, °C. */
export const USUAL_FAN_PLAY_C = 5;

/** Where the stages of the fan switch: as the sheet gives them, or the one that good runs taught; none where nobody knows. */
export function fanStages(sheet: SpecSheet | null): NonNullable<NonNullable<SpecSheet['fan']>['stages']> {
  const given = sheet?.fan?.stages ?? [];
  if (given.length > 0 || sheet?.fan?.drive === 'none') return given;
  const { value: onC, origin } = limitsOf(sheet).fanOnC;
  return origin === 'typical' ? [] : [{ name: 'low', onC, offC: onC - USUAL_FAN_PLAY_C }];
}

/** A limit as it is told: whose it is. */
export const originWords = ({ origin }: Limit<unknown>): string =>
  origin === 'given'
    ? 'by the sheet'
    : origin === 'learned'
      ? 'by its own good runs'
      : 'typical; the sheet gives none';
