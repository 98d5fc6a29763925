import { circuitOf } from '$core/checks/sensor/ect-ladder';
import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { Curve } from '$core/vehicle/sensor-curve';

type Fuel = NonNullable<NonNullable<SpecSheet['engine']>['fuel']>;

/** The sheet as the form holds it: every field there, empty where nothing is known. */
export interface Draft {
  name: string;
  fuel: Fuel | '';
  displacementL: number | null;
  coolantL: number | null;
  startOpenC: number | null;
  fullOpenC: number | null;
  closedByC: number | null;
  minLiftMm: number | null;
  heaterOhm: number | null;
  side: 'outlet' | 'inlet' | '';
  lowC: number | null;
  highC: number | null;
  hotC: number | null;
  stopC: number | null;
  openCapC: number | null;
  capKPa: number | null;
  drive: 'relay' | 'controller' | 'none';
  stages: { name: string; onC: number | null; offC: number | null }[];
  onWithAc: boolean;
  failsafeFull: boolean;
  clutch: 'none' | 'thermal' | 'fixed' | 'electronic';
  r25Ohm: number | null;
  betaK: number | null;
  tolerancePct: number | null;
  referenceV: number | null;
  pullUpOhm: number | null;
  secondOhm: number | null;
  secondInC: number | null;
  secondOutC: number | null;
  /** A curve that is not of β, which the form shows and does not edit. */
  otherCurve: Curve | null;
}

export function draftOf(sheet: SpecSheet | null, name: string): Draft {
  const curve = sheet?.ect?.curve?.kind === 'beta' ? sheet.ect.curve : null;
  const warm = circuitOf(sheet)?.warm;
  return {
    name: sheet?.name ?? name,
    fuel: sheet?.engine?.fuel ?? '',
    displacementL: sheet?.engine?.displacementL ?? null,
    coolantL: sheet?.engine?.coolantL ?? null,
    startOpenC: sheet?.thermostat.startOpenC ?? null,
    fullOpenC: sheet?.thermostat.fullOpenC ?? null,
    closedByC: sheet?.thermostat.closedByC ?? null,
    minLiftMm: sheet?.thermostat.minLiftMm ?? null,
    heaterOhm: sheet?.thermostat.heaterOhm ?? null,
    side: sheet?.thermostat.side ?? '',
    lowC: sheet?.regulating?.lowC ?? null,
    highC: sheet?.regulating?.highC ?? null,
    hotC: sheet?.limits?.hotC ?? null,
    stopC: sheet?.limits?.stopC ?? null,
    openCapC: sheet?.limits?.openCapC ?? null,
    capKPa: sheet?.cap?.kPa ?? null,
    drive: sheet?.fan?.drive ?? 'none',
    stages: (sheet?.fan?.stages ?? []).map(({ name: n, onC, offC }) => ({ name: n, onC, offC })),
    onWithAc: sheet?.fan?.onWithAc ?? false,
    failsafeFull: sheet?.fan?.failsafeFull ?? true,
    clutch: sheet?.clutch?.kind ?? 'none',
    r25Ohm: curve?.r25Ohm ?? null,
    betaK: curve?.betaK ?? null,
    tolerancePct: sheet?.ect?.tolerancePct ?? null,
    referenceV: sheet?.ect?.referenceV ?? null,
    pullUpOhm: sheet?.ect?.pullUpOhm ?? null,
    secondOhm: warm?.pullUpOhm ?? null,
    secondInC: warm?.toWarmC ?? null,
    secondOutC: warm?.toColdC ?? null,
    otherCurve: curve ? null : (sheet?.ect?.curve ?? null)
  };
}

/** The sheet a draft stands for, laid over the one before so that fields the form does not know are kept. */
export function sheetOf(draft: Draft, before: SpecSheet | null): unknown {
  const curve =
    draft.r25Ohm !== null || draft.betaK !== null
      ? { kind: 'beta', r25Ohm: draft.r25Ohm, betaK: draft.betaK }
      : draft.otherCurve;
  const { secondOhm, secondInC, secondOutC } = draft;
  return {
    ...before,
    format: 'pyrethos.spec-sheet',
    version: 1,
    name: draft.name,
    engine: {
      ...before?.engine,
      fuel: draft.fuel || null,
      displacementL: draft.displacementL,
      coolantL: draft.coolantL
    },
    thermostat: {
      ...before?.thermostat,
      startOpenC: draft.startOpenC ?? undefined,
      fullOpenC: draft.fullOpenC ?? undefined,
      closedByC: draft.closedByC,
      minLiftMm: draft.minLiftMm,
      side: draft.side || null,
      heaterOhm: draft.heaterOhm
    },
    regulating: { ...before?.regulating, lowC: draft.lowC, highC: draft.highC },
    limits: { ...before?.limits, hotC: draft.hotC, stopC: draft.stopC, openCapC: draft.openCapC },
    cap: { ...before?.cap, kPa: draft.capKPa },
    fan: {
      ...before?.fan,
      drive: draft.drive,
      stages: draft.drive === 'none' ? [] : draft.stages,
      onWithAc: draft.onWithAc,
      failsafeFull: draft.failsafeFull
    },
    clutch:
      draft.clutch === 'none'
        ? null
        : before?.clutch?.kind === draft.clutch
          ? before.clutch
          : { kind: draft.clutch },
    ect: {
      ...before?.ect,
      curve,
      tolerancePct: draft.tolerancePct,
      referenceV: draft.referenceV,
      pullUpOhm: draft.pullUpOhm,
      switchedPullUp:
        secondOhm !== null && secondInC !== null
          ? {
              ...before?.ect?.switchedPullUp,
              pullUpOhm: secondOhm,
              toWarmC: secondInC,
              toColdC: secondOutC ?? secondInC - 5
            }
          : null
    }
  };
}
