import { limitsOf, USUAL_FAN_PLAY_C, type Limits } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import type { Curve } from '../../vehicle/sensor-curve';

/** How the fan is driven, from the spec sheet. Percent is of full airflow. */
interface FanStage {
  readonly onC: number;
  readonly offC: number;
  readonly pct: number;
}

type FanDrive =
  | {
      readonly kind: 'stages' | 'proportional';
      readonly stages: readonly FanStage[];
      readonly onWithAc: boolean;
      readonly failsafeFull: boolean;
      /** Nobody said how the fan is driven: a usual one is supposed. */
      readonly supposed: boolean;
      /** Nobody said where it switches: usual points are supposed. */
      readonly pointsSupposed: boolean;
    }
  | { readonly kind: 'none' };

type Clutch =
  | {
      readonly kind: 'thermal';
      readonly engageAirC: number;
      readonly releaseAirC: number;
      readonly maxRpm: number;
      readonly cutOutEngineRpm: number;
    }
  | { readonly kind: 'fixed'; readonly ratio: number }
  | { readonly kind: 'electronic' }
  | { readonly kind: 'none' };

/** What stands between the sensor's temperature and the number the control unit reads. */
export type SensorError =
  | { readonly kind: 'none' }
  | { readonly kind: 'shift'; readonly celsius: number }
  | { readonly kind: 'series'; readonly ohm: number }
  | { readonly kind: 'parallel'; readonly ohm: number }
  | { readonly kind: 'fixed'; readonly readsC: number }
  /** Another sensor than the control unit was made for. */
  | { readonly kind: 'curve'; readonly curve: Curve }
  | {
      readonly kind: 'dropouts';
      readonly perMinute: number;
      readonly meanS: number;
      readonly readsC: number;
    };

/**
 * Every number of the cooling plant. A fault is a change to these and nothing else (faults.ts).
 * Heat capacities in kJ/K, conductances in kW/K, flow in kg/s, temperatures in °C.
 */
export interface PlantParams {
  readonly displacementL: number;
  readonly coolantL: number;
  /** What the sheet told of the engine; the rest was assumed, and is known less well (priors.ts). */
  readonly known: { readonly displacement: boolean; readonly coolant: boolean; readonly diesel: boolean };
  /** Heat to metal and coolant: kW = displacement · krpm · (heatIdle + heatLoad·load) · heatScale. */
  readonly heatIdle: number;
  readonly heatLoad: number;
  readonly heatScale: number;
  /** Extra share of heat while the metal is cold, falling to nothing at 80 °C. */
  readonly coldGain: number;
  readonly metal: number;
  readonly jacket: number;
  readonly hose: number;
  readonly cell: number;
  readonly returnHose: number;
  readonly metalToJacket: number;
  /** Pump flow at 1000 rpm. */
  readonly pumpKgS: number;
  readonly flowFactor: number;
  /** It is driven by a motor of its own, and its flow does not follow the engine. */
  readonly pumpElectric: boolean;
  readonly radiatorMax: number;
  readonly radiatorNatural: number;
  readonly airFactor: number;
  /** 1 clean inside, towards 0 clogged. */
  readonly coreFactor: number;
  readonly heater: number;
  readonly surface: number;
  readonly startOpenC: number;
  /** Nobody said where it opens: a usual one is supposed. */
  readonly openingSupposed: boolean;
  readonly fullOpenC: number;
  readonly hysteresisC: number;
  readonly waxTauS: number;
  /** Lift that remains when shut, as a share of full lift. */
  readonly leak: number;
  readonly liftMax: number;
  readonly inletSide: boolean;
  /** How far the electric heater lowers the opening, °C; 0 where there is none or it has failed. */
  readonly heaterDropC: number;
  readonly sensorTauS: number;
  /** 1 where coolant flows past the sensor; less where its branch stands still and it sees the bay. */
  readonly branchShare: number;
  readonly curve: Curve;
  readonly sensorError: SensorError;
  readonly openReadsC: number;
  readonly shortReadsC: number;
  readonly fan: FanDrive;
  /** For how long the fan's rule goes on after key-off, s; 0 where it stops with the key. */
  readonly fanAfterRunS: number;
  readonly fanShiftC: number;
  /** Share of its airflow the fan gives when driven. */
  readonly fanStrength: number;
  readonly fanCommandWorks: boolean;
  /** Whether the log's fan drive shows a fan that stands still: false where the drive is sensed at the fan. */
  readonly fanDriveShown: boolean;
  /** Drive that is there without command, percent. */
  readonly fanStuckPct: number;
  readonly fanStuckWanders: boolean;
  readonly clutch: Clutch;
  readonly clutchGrip: number;
  readonly clutchLocked: boolean;
  /** The sensor sits where air gathers first, as most do at the outlet. */
  readonly sensorHigh: boolean;
  /** Share of its filling that is there at the start, 0 to 1. */
  readonly filling: number;
  /** Share of glycol by volume. */
  readonly glycolShare: number;
  /** Pressure the cap was made to hold, above the air's, and the share of it that it holds. */
  readonly capKPa: number;
  readonly capHold: number;
  /** How fast combustion gas would lift the pressure at full load with the system shut, kPa a minute. */
  readonly gasKPaMin: number;
  readonly seed: number;
}

/**
 * The same plant with its fields in one order. Faults and draws spread plants in many ways, and a step that meets
 * objects of many shapes takes twice as long as one that meets a single one.
 */
export const ofOneShape = (p: PlantParams, heatScale = p.heatScale): PlantParams => ({
  displacementL: p.displacementL,
  coolantL: p.coolantL,
  known: p.known,
  heatIdle: p.heatIdle,
  heatLoad: p.heatLoad,
  heatScale,
  coldGain: p.coldGain,
  metal: p.metal,
  jacket: p.jacket,
  hose: p.hose,
  cell: p.cell,
  returnHose: p.returnHose,
  metalToJacket: p.metalToJacket,
  pumpKgS: p.pumpKgS,
  flowFactor: p.flowFactor,
  pumpElectric: p.pumpElectric,
  radiatorMax: p.radiatorMax,
  radiatorNatural: p.radiatorNatural,
  airFactor: p.airFactor,
  coreFactor: p.coreFactor,
  heater: p.heater,
  surface: p.surface,
  startOpenC: p.startOpenC,
  openingSupposed: p.openingSupposed,
  fullOpenC: p.fullOpenC,
  hysteresisC: p.hysteresisC,
  waxTauS: p.waxTauS,
  leak: p.leak,
  liftMax: p.liftMax,
  inletSide: p.inletSide,
  heaterDropC: p.heaterDropC,
  sensorTauS: p.sensorTauS,
  branchShare: p.branchShare,
  curve: p.curve,
  sensorError: p.sensorError,
  openReadsC: p.openReadsC,
  shortReadsC: p.shortReadsC,
  fan: p.fan,
  fanAfterRunS: p.fanAfterRunS,
  fanShiftC: p.fanShiftC,
  fanStrength: p.fanStrength,
  fanCommandWorks: p.fanCommandWorks,
  fanDriveShown: p.fanDriveShown,
  fanStuckPct: p.fanStuckPct,
  fanStuckWanders: p.fanStuckWanders,
  clutch: p.clutch,
  clutchGrip: p.clutchGrip,
  clutchLocked: p.clutchLocked,
  sensorHigh: p.sensorHigh,
  filling: p.filling,
  glycolShare: p.glycolShare,
  capKPa: p.capKPa,
  capHold: p.capHold,
  gasKPaMin: p.gasKPaMin,
  seed: p.seed
});

/** Water and glycol, half and half, near 80 °C, in kJ/(kg·K). */
export const COOLANT_CP = 3.6;

/**
 * The healthy plant of a spec sheet. What the sheet leaves out follows from displacement and fuel by scaling
 * laws chosen so that warm-up, regulation and fan switching come out as in ordinary engines; the band spreads
 * them (band.ts) because no sheet knows them exactly.
 */
export function plantFor(spec: SpecSheet): PlantParams {
  const limits = limitsOf(spec);
  const displacementL = limits.displacementL.value;
  const diesel = spec.engine?.fuel === 'diesel';
  const coolantL = limits.coolantL.value;
  const size = displacementL ** 0.75;
  const coolantKJK = coolantL * 3.7;
  const { closedByC, side, heaterOhm } = spec.thermostat ?? {};
  const startOpenC = limits.startOpenC.value;
  return {
    displacementL,
    coolantL,
    known: {
      displacement: spec.engine?.displacementL != null,
      coolant: spec.engine?.coolantL != null,
      diesel
    },
    heatIdle: diesel ? 0.8 : 1.3,
    heatLoad: diesel ? 3.2 : 3.6,
    heatScale: 1,
    coldGain: 0.25,
    metal: 9 + 17 * displacementL,
    jacket: coolantKJK * 0.55,
    hose: coolantKJK * 0.06 + 0.2,
    cell: coolantKJK * 0.13 + 0.8 * size,
    returnHose: coolantKJK * 0.08 + 0.2,
    metalToJacket: 0.42 * size,
    pumpKgS: 0.24 * size,
    flowFactor: 1,
    pumpElectric: spec.engine?.pump === 'electric',
    radiatorMax: 0.46 * size,
    radiatorNatural: 0.006 * Math.sqrt(displacementL),
    airFactor: 1,
    coreFactor: 1,
    heater: 0.016 * displacementL ** 0.3,
    surface: 0.004 * displacementL ** 0.6,
    startOpenC,
    openingSupposed: limits.startOpenC.origin === 'typical',
    fullOpenC: limits.fullOpenC.value,
    hysteresisC: closedByC == null ? 3 : Math.min(6, Math.max(1, startOpenC - closedByC)) * 0.6,
    waxTauS: 9,
    leak: 0.004,
    liftMax: 1,
    inletSide: side === 'inlet',
    heaterDropC: heaterOhm ? 18 : 0,
    sensorTauS: 5,
    branchShare: 1,
    curve: limits.curve.value,
    sensorError: { kind: 'none' },
    openReadsC: limits.openReadsC.value,
    shortReadsC: limits.shortReadsC.value,
    fan: fanDrive(spec, limits),
    fanAfterRunS: limits.afterRunMaxMin.value * 60,
    fanShiftC: 0,
    fanStrength: 1,
    fanCommandWorks: true,
    fanDriveShown: true,
    fanStuckPct: 0,
    fanStuckWanders: false,
    clutch: clutchOf(spec, limits),
    clutchGrip: 1,
    clutchLocked: false,
    sensorHigh: true,
    filling: 1,
    glycolShare: USUAL_GLYCOL,
    capKPa: limits.capKPa.value,
    capHold: 1,
    gasKPaMin: 0,
    seed: 1
  };
}

/** Half and half, which nearly every maker fills. */
const USUAL_GLYCOL = 0.5;

function fanDrive(spec: SpecSheet, { fanOnC }: Limits): FanDrive {
  const supposed = !spec.fan && !spec.clutch;
  const drive = supposed ? 'relay' : (spec.fan?.drive ?? 'none');
  const usual = { onC: fanOnC.value, offC: fanOnC.value - USUAL_FAN_PLAY_C };
  const given = spec.fan?.stages?.length ? spec.fan.stages : [usual];
  if (drive === 'none') return { kind: 'none' };
  const stages = given.map((s, i) => ({
    onC: s.onC,
    offC: s.offC,
    pct: given.length === 1 ? 100 : 50 + (50 * i) / (given.length - 1)
  }));
  return {
    kind: drive === 'controller' ? 'proportional' : 'stages',
    stages,
    onWithAc: spec.fan?.onWithAc ?? false,
    failsafeFull: spec.fan?.failsafeFull ?? true,
    supposed,
    pointsSupposed: fanOnC.origin === 'typical'
  };
}

function clutchOf(spec: SpecSheet, limits: Limits): Clutch {
  switch (spec.clutch?.kind) {
    case 'thermal':
      return {
        kind: 'thermal',
        engageAirC: limits.engageAirC.value,
        releaseAirC: limits.releaseAirC.value,
        maxRpm: limits.clutchMaxRpm.value,
        cutOutEngineRpm: limits.cutOutEngineRpm.value
      };
    case 'fixed':
      return { kind: 'fixed', ratio: (limits.ratioLow.value + limits.ratioHigh.value) / 2 };
    case 'electronic':
      return { kind: 'electronic' };
    default:
      return { kind: 'none' };
  }
}
