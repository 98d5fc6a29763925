import { limitsOf } from '../../core/vehicle/limits';
import type { Log } from '../../core/logs/channels';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { driveFromLegs, DRIVES, type DriveName } from '../../core/physics/plant/drive';
import type { FaultId } from '../../core/vehicle/faults';
import { logFrom } from '../../core/runs/log-from';
import { plantFor, type PlantParams } from '../../core/physics/plant/params';
import { simulate } from '../../core/physics/plant/simulate';
import { normalDraw, type Random } from '../../core/base/random';

/**
 * A vehicle the model does not know: every law of the plant bent further than the band spreads it, so that the
 * verdict is tried against engines that are not quite like its own idea of them.
 */
export function strangeVehicle(spec: SpecSheet, random: Random): PlantParams {
  for (;;) {
    const vehicle = bent(plantFor(spec), random);
    if (couldBeSold(vehicle, spec)) return vehicle;
  }
}

const HOT_DAY_C = 35;

/** No maker lets a healthy engine pass its own hot limit on a grade in summer, however far its laws are bent. */
function couldBeSold(vehicle: PlantParams, spec: SpecSheet): boolean {
  const drive = driveFromLegs(DRIVES.ridge, HOT_DAY_C, 1);
  const top = simulate(vehicle, drive, { startC: HOT_DAY_C }).ect.reduce((a, b) => Math.max(a, b), 0);
  return top <= limitsOf(spec).hotC.value;
}

function bent(p: PlantParams, random: Random): PlantParams {
  const f = (sd: number) => Math.exp(sd * normalDraw(random));
  const open = 1.5 * normalDraw(random);
  return {
    ...p,
    heatIdle: p.heatIdle * f(0.2),
    heatLoad: p.heatLoad * f(0.2),
    coldGain: p.coldGain * f(0.4),
    metal: p.metal * f(0.18),
    jacket: p.jacket * f(0.12),
    metalToJacket: p.metalToJacket * f(0.3),
    cell: p.cell * f(0.3),
    pumpKgS: p.pumpKgS * f(0.25),
    radiatorMax: p.radiatorMax * f(0.15),
    radiatorNatural: p.radiatorNatural * f(0.3),
    heater: p.heater * f(0.4),
    surface: p.surface * f(0.3),
    waxTauS: p.waxTauS * f(0.4),
    hysteresisC: p.hysteresisC * f(0.3),
    startOpenC: p.startOpenC + open,
    fullOpenC: p.fullOpenC + open,
    sensorTauS: p.sensorTauS * f(0.3)
  };
}

export interface MadeRun {
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  readonly severity: number;
  readonly drive: DriveName;
  readonly ambientC: number;
  readonly columns: 'all' | 'scan' | 'bare';
  readonly seed: number;
}

/** A log from a strange vehicle with a fault. */
export function makeLog(run: MadeRun, random: Random, variant?: string): Log {
  return logFrom({
    ...run,
    legs: DRIVES[run.drive],
    variant,
    startC: run.ambientC + 0.6 * normalDraw(random),
    plant: strangeVehicle(run.spec, random)
  });
}
