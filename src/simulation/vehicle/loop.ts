import { normalDraw, type Random } from '../../core/base/random';
import type { LoopPlace } from '../../core/checks/hands';
import type { SimulatedVehicle } from './vehicle';

/**
 * How far the heater's hose back is from the outside air to the engine: the air takes its heat from what flows, and the
 * less flows, the colder it comes back.
 */
const comesBack = ({ flow, heaterShare }: { flow: number; heaterShare: number }): number =>
  1 - Math.min(0.75, 0.06 / Math.max(0.06, flow * heaterShare));

/** The truth at a place of the loop, °C: from the plant's nodes, with the small losses along hoses and pipes. */
export function loopC(vehicle: SimulatedVehicle, place: LoopPlace): number {
  const t = vehicle.truth();
  switch (place) {
    case 'outlet':
      return t.outletC;
    case 'sensor-housing':
      return t.sensorC;
    case 'scan':
      return vehicle.identifier(0x05) ?? t.sensorC;
    case 'upper-hose':
      // On an engine with its thermostat at the inlet the upper hose is open to the engine at all times.
      return t.inletSide ? Math.max(t.upperHoseC, t.outletC - 3) : t.upperHoseC;
    case 'radiator-in':
      return (t.inletSide ? Math.max(t.upperHoseC, t.outletC - 4) : t.upperHoseC) - 1;
    case 'radiator-out':
      return t.lowerHoseC + 0.5;
    case 'lower-hose':
      return t.lowerHoseC;
    case 'heater-in':
      return t.ambientC + (t.outletC - t.ambientC) * (t.flow > 0.4 ? 0.97 : 0.35 + 1.5 * t.flow);
    case 'heater-out':
      return t.ambientC + (t.outletC - t.ambientC) * comesBack(t);
    // The blower at its lowest, the heater full on: the air takes what the core is given.
    case 'vent': {
      const hose = t.flow > 0.4 ? 0.97 : 0.35 + 1.5 * t.flow;
      return (
        t.ambientC + (t.outletC - t.ambientC) * hose * 0.76 * Math.min(1, 0.12 + 0.9 * t.heaterShare ** 0.7)
      );
    }
    case 'front-air':
      return t.ambientC;
    case 'fan-air':
      return t.fanAirC;
  }
}

/** What radiator scans give: a grid over the face by a gun that reads low on fins, and the ends by probe. */
export function scanFace(vehicle: SimulatedVehicle, shape: readonly number[], random: Random) {
  const t = vehicle.truth();
  const inC = loopC(vehicle, 'radiator-in');
  const outC = loopC(vehicle, 'radiator-out');
  const passed = Math.max(0.02, (outC - t.ambientC) / Math.max(1, inC - t.ambientC));
  // Clogged tubes stand still and are as cold as the air lets them: as many as the core has lost.
  const closed = new Set<number>();
  const columns = shape[0];
  while (closed.size < Math.round((1 - t.coreFactor) * columns * 0.8))
    closed.add(Math.floor(random() * columns));
  const face = shape.map((n, row) =>
    Array.from({ length: n }, (_, column) => {
      const along = t.ambientC + (inC - t.ambientC) * passed ** ((row + 0.5) / shape.length);
      const c = closed.has(column) ? t.ambientC + 0.3 * (along - t.ambientC) : along;
      return Math.round(10 * (t.ambientC + 0.93 * (c - t.ambientC) + 0.7 * normalDraw(random))) / 10;
    })
  );
  const probe = (c: number) => Math.round(10 * (c + 0.4 * normalDraw(random))) / 10;
  return { face, inC: probe(inC), outC: probe(outC), airC: probe(t.ambientC), rpm: t.engineRpm };
}
