import { normalDraw, type Random } from '../../core/base/random';
import { LOOP_PLACES, type InstrumentName, type LoopPlace, type Place } from '../../core/checks/hands';
import { loopC } from './loop';
import type { SimulatedVehicle } from './vehicle';

const isLoop = (place: Place): place is LoopPlace => (LOOP_PLACES as readonly string[]).includes(place);

/** A reading in °C, Ω or rpm by the instrument; null where it measures nothing at that place. */
export function readInstrument(
  vehicle: SimulatedVehicle,
  name: InstrumentName,
  place: Place,
  random: Random
): number | null {
  const truth = vehicle.truth();
  const atC = isLoop(place) ? loopC(vehicle, place) : null;
  switch (name) {
    case 'multimeter':
      return place === 'sensor'
        ? Number((truth.sensorOhm * (1 + 0.004 * normalDraw(random))).toPrecision(4))
        : null;
    // A surface is a little cooler than what flows behind it; a gun is off by a degree or so either way.
    case 'infrared':
      return atC === null ? null : Math.round((atC - 1 + 1.2 * normalDraw(random)) * 10) / 10;
    case 'probe':
      if (place === 'scan') return atC;
      return atC === null ? null : Math.round((atC - 0.4 + 0.6 * normalDraw(random)) * 10) / 10;
    case 'tachometer': {
      const rpm = place === 'fan' ? truth.fanRpm : place === 'engine' ? truth.engineRpm : null;
      return rpm === null ? null : Math.max(0, Math.round(rpm * (1 + 0.003 * normalDraw(random))));
    }
  }
}
