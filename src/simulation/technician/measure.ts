import { limitsOf } from '../../core/vehicle/limits';
import { instrumentOf } from '../../core/measure/instruments';
import type { Leg } from '../../core/physics/plant/drive';
import type { Random } from '../../core/base/random';
import { SimulatedVehicle } from '../vehicle/vehicle';
import type { CheckId } from '../../core/checks/registry';
import type { Case } from '../cases/hidden-case';

/** Measures what a check asks for on the vehicle of a case; null where it cannot be measured there. */
type Measure = (c: Case, random: Random) => unknown;

/** How the checks of a part are measured. */
export type Measures = Readonly<Partial<Record<CheckId, Measure>>>;

/** A temperature as it is written down, with what it was read with. */
export const taken = (celsius: number, kind: 'scan' | 'contact' | 'glass' | 'weather') => ({
  celsius: Math.round(10 * celsius) / 10,
  instrument: instrumentOf(kind)
});

/** The vehicle of a case as it came in, cold. */
export function vehicleOf(c: Case): SimulatedVehicle {
  return new SimulatedVehicle({ ...c, startC: c.ambientC, drive: 'mixed', codes: c.codes });
}
/** The vehicle after its drive, idling hot; stopped from where it became too hot to go on. */
export function hotVehicle(c: Case, minutes = 31): SimulatedVehicle {
  const v = vehicleOf(c);
  v.start();
  for (let s = 10; s <= 60 * minutes; s += 10) {
    v.advanceTo(s);
    if (v.truth().outletC > limitsOf(c.spec).stopC.value) break;
  }
  return v;
}
/** Hotter, at a fast idle, until something drives the air or it becomes too hot to go on. */
export function workedVehicle(c: Case): SimulatedVehicle {
  const v = hotVehicle(c);
  v.hold(FAST_IDLE[0]);
  for (let s = v.now; s < 55 * 60; s += 10) {
    v.advanceTo(s);
    if (v.fanShare > 0.6 || v.truth().outletC > limitsOf(c.spec).hotC.value - 2) break;
  }
  return v;
}
export const FAST_IDLE: readonly Leg[] = [{ minutes: 40, speedKmh: 0, load: 0.3, rpm: 1800 }];
export const scanOf = (v: SimulatedVehicle) => v.identifier(0x05)!;
