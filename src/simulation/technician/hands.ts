import { limitsOf } from '../../core/vehicle/limits';
import { templateOf, type TemplateId } from '../../core/checks/circuit-check';
import { FAST_IDLE, type HandledEngine, type Hands } from '../../core/checks/hands';
import { normalDraw, type Random } from '../../core/base/random';
import type { PlantParams } from '../../core/physics/plant/params';
import type { Case } from '../cases/hidden-case';
import { SimulatedBath } from '../vehicle/bath';
import { seenInCircuit } from '../vehicle/circuits';
import { readInstrument } from '../vehicle/instruments';
import { loopC, scanFace } from '../vehicle/loop';
import { readPart } from '../vehicle/parts';
import { SimulatedVehicle } from '../vehicle/vehicle';

/** Hands on the vehicle of a case: every instrument, part and circuit there is, with its error. */
export function handsOn(c: Case, random: Random): Hands {
  const { spec, ambientC } = c;
  const limits = limitsOf(spec);
  const cold = (other: Partial<PlantParams> = {}) =>
    new SimulatedVehicle({ ...c, plant: { ...c.plant, ...other }, startC: ambientC, drive: 'mixed' });
  function hot(minutes = 31) {
    const engine = cold();
    engine.start();
    for (let s = 10; s <= 60 * minutes; s += 10) {
      engine.advanceTo(s);
      if (engine.truth().outletC > limits.stopC.value) break;
    }
    return engine;
  }
  function worked() {
    const engine = hot();
    engine.hold(FAST_IDLE[0]);
    for (let s = engine.now; s < 55 * 60; s += 10) {
      engine.advanceTo(s);
      if (engine.fanShare > 0.6 || engine.truth().outletC > limits.hotC.value - 2) break;
    }
    return engine;
  }
  const made = (engine: HandledEngine) => engine as SimulatedVehicle;
  return {
    ...c,
    random,
    chance: (share) => random() < share,
    noise: (sd) => sd * normalDraw(random),
    cold,
    hot,
    worked,
    reads: (engine, instrument, place) => readInstrument(made(engine), instrument, place, random),
    placeC: (engine, place) => loopC(made(engine), place),
    part: (part, min = 0) => readPart(cold(), part, min, random),
    circuit: (id, state, at) =>
      seenInCircuit(templateOf(id as TemplateId), state, at, c.fault, c.seed, random) ?? 0,
    bath: () => new SimulatedBath(c.plant, limits.minLiftMm.value),
    radiator: (engine, shape) => scanFace(made(engine), shape, random)
  };
}
