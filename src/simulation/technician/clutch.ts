import { limitsOf } from '../../core/vehicle/limits';
import { commandedShare } from '../../core/checks/clutch/clutch-electronic';
import { clutchLimits } from '../../core/physics/clutch/speed';
import { normalDraw } from '../../core/base/random';
import { readInstrument } from '../vehicle/instruments';
import { readPart } from '../vehicle/parts';
import { vehicleOf, hotVehicle, FAST_IDLE, scanOf, type Measures } from './measure';

/** The fan clutch, by hand and by speed. */
export const clutchMeasures: Measures = {
  'clutch-cold-turn': (c, random) => {
    const grip = c.plant.clutchGrip + 0.08 * normalDraw(random);
    if (c.plant.clutchLocked) return { firstTurn: 'locked', freeTurns: 0, laterTurns: null };
    const firstTurn = grip < 0.35 ? 'none' : grip < 0.75 ? 'slight' : 'firm';
    return {
      firstTurn,
      freeTurns: Math.max(0, Math.round(9 * (1 - grip) + 0.6 * normalDraw(random))),
      laterTurns: null
    };
  },
  'clutch-play': (c, random) => {
    const worn = c.fault === 'clutch-bearing' || c.fault === 'water-pump-bearing';
    const tipMm = Math.max(
      0,
      Math.round(
        10 *
          ((worn ? limitsOf(c.spec).tipPlayMaxMm.value * (0.7 + 1.5 * c.severity) : 0.8) +
            0.5 * normalDraw(random))
      ) / 10
    );
    const moves = !worn || tipMm < 1 ? 'nothing' : c.fault === 'clutch-bearing' ? 'clutch' : 'pump';
    return { tipMm, moves, feels: worn && random() < 0.6 ? 'rough' : 'smooth' };
  },
  'clutch-hot-speed': (c, random) => {
    const v = hotVehicle(c);
    v.hold(FAST_IDLE[0]);
    const { engageAirC } = clutchLimits(c.spec);
    const limitC = limitsOf(c.spec).stopC.value - 3;
    // Once as it idles; then with card before the radiator, until the clutch must have gone over or the coolant forbids.
    const pairs = [31, 35, 39, 43, 47, 51, 55].flatMap((minutes) => {
      if (minutes === 35) v.cover(0.75);
      while (v.now < 60 * minutes && v.truth().outletC < limitC) v.advanceTo(v.now + 5);
      const { clutchAirC, outletC } = v.truth();
      if (outletC > limitC + 3 || (minutes > 35 && clutchAirC < engageAirC && outletC < limitC)) return [];
      const engineRpm = readInstrument(v, 'tachometer', 'engine', random)!;
      return [
        {
          engineRpm,
          fanRpm: Math.min(engineRpm, readInstrument(v, 'tachometer', 'fan', random)!),
          airC: Math.round(Math.min(125, clutchAirC + 1.5 * normalDraw(random))),
          sinceStartMin: minutes
        }
      ];
    });
    if (pairs.length === 0) return null;
    return { pairs, pulley: 1, coolantC: Math.min(118, scanOf(v)) };
  },
  'clutch-electronic': (c, random) => {
    const share = (pct: number) =>
      c.plant.clutchLocked ? 0.93 : commandedShare(c.spec, pct) * (0.35 + 0.65 * c.plant.clutchGrip);
    const at = (pct: number) => {
      const engineRpm = 1200;
      return {
        commandPct: pct,
        engineRpm,
        fanRpm: Math.round(engineRpm * share(pct) * (1 + 0.03 * normalDraw(random)))
      };
    };
    return {
      pairs: [10, 50, 90].map(at),
      unplugged: { engineRpm: 1200, fanRpm: Math.round(1200 * 0.92) },
      plugV: readPart(vehicleOf(c), 'clutch-plug', 0, random),
      pickup: null
    };
  }
};
