import { limitsOf } from '../../core/vehicle/limits';
import { COIL_OHM, MOTOR_OHM } from '../../core/physics/circuit/fan-relay';
import { normalDraw, type Random } from '../../core/base/random';
import type { Part } from '../../core/checks/hands';
import type { SimulatedVehicle } from './vehicle';

/** Over-range, as a meter shows it: ten megohms. */
const OVER_OHM = 10e6;
/** The load a workshop puts on relay contacts, A. */
const TEST_LOAD_A = 10;

/**
 * A reading on a part of the simulated vehicle: Ω, V at {@link TEST_LOAD_A} or at a plug, A, kPa; null where it has no such part.
 * `min` is for how long the pressure tester has stood.
 */
export function readPart(vehicle: SimulatedVehicle, part: Part, min: number, random: Random): number | null {
  const { spec, fault, plant } = vehicle;
  const severity = vehicle.severity;
  const about = (value: number, sd = 0.01) => value * (1 + sd * normalDraw(random));
  const figures = (value: number) => Number(value.toPrecision(3));
  switch (part) {
    case 'coil-ohm':
      return fault === 'fan-relay-coil' ? OVER_OHM : figures(about(COIL_OHM));
    case 'rest-ohm':
      return fault === 'fan-relay-welded' ? 0.1 : OVER_OHM;
    case 'contact-drop':
      return figures(
        about(TEST_LOAD_A * (fault === 'fan-relay-contacts' ? 0.05 + 0.3 * severity : 0.006), 0.03)
      );
    case 'fan-amps':
      if (spec.fan?.drive === 'none') return null;
      if (fault === 'fan-motor-dead') return 0;
      return figures(
        about(12.5 / (fault === 'fan-motor-weak' ? MOTOR_OHM * (1.5 + 4 * severity) : MOTOR_OHM), 0.03)
      );
    case 'cap-opens': {
      const due = spec.cap?.kPa;
      return due == null ? null : Math.round(about(due * plant.capHold, 0.02));
    }
    case 'pressure': {
      const from = limitsOf(spec).capKPa.value;
      const { filling, gasKPaMin } = plant;
      const perMin = (filling < 1 ? 1 + 8 * (1 - filling) : 0.15) - 0.15 * gasKPaMin;
      // Gas lifts it with the first strokes.
      const strokes = gasKPaMin > 0 ? (5 + 0.75 * gasKPaMin) * (1 - Math.exp(-2 * min)) : 0;
      return Math.max(0, Math.round(from + strokes - perMin * min + 0.5 * normalDraw(random)));
    }
    case 'clutch-plug':
      if (spec.clutch?.kind !== 'electronic') return null;
      return fault === 'clutch-circuit-open' ? 0.1 : figures(about(12.4));
    case 'heater-ohm': {
      const due = spec.thermostat?.heaterOhm;
      return due == null ? null : fault === 'thermostat-heater-failed' ? OVER_OHM : figures(about(due));
    }
  }
}
