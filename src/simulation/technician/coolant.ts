import { limitsOf } from '../../core/vehicle/limits';
import { instrumentOf } from '../../core/measure/instruments';
import { MAP_POINT_IDS, PROBE_PLACES } from '../../core/physics/flow/map';
import { driveFromLegs } from '../../core/physics/plant/drive';
import { simulate } from '../../core/physics/plant/simulate';
import { normalDraw } from '../../core/base/random';
import { SimulatedBath } from '../vehicle/bath';
import { readInstrument } from '../vehicle/instruments';
import { loopC, scanFace } from '../vehicle/loop';
import { readPart } from '../vehicle/parts';
import { vehicleOf, hotVehicle, workedVehicle, FAST_IDLE, type Measures } from './measure';

/** The coolant on its way: thermostat, flow, radiator, pressure. */
export const coolantMeasures: Measures = {
  'hose-rush': (c, random) => {
    const { startOpenC, fullOpenC } = c.spec.thermostat;
    const drive = driveFromLegs(FAST_IDLE, c.ambientC, 1);
    const t = simulate({ ...c.plant, seed: c.seed }, drive, { startC: c.ambientC });
    const hose = c.plant.inletSide ? t.lowerHose : t.upperHose;
    const by = random() < 0.7 ? 'hand' : 'probe';
    const reading = (felt: string, i: number) => ({
      felt,
      coolantC: Math.round(Math.min(t.jacket[i], limitsOf(c.spec).stopC.value - 1) + normalDraw(random)),
      by,
      coolantBy: 'probe'
    });
    // What is felt is when the hose warmed fastest, and how fast; a hand is not sure of either.
    const rise = (i: number) => hose[i] - hose[i - 60];
    const last = t.jacket.findIndex((v) => v > limitsOf(c.spec).stopC.value);
    const end = last > 120 ? last : hose.length;
    let fastest = 60;
    for (let i = 60; i < end; i++) if (rise(i) > rise(fastest)) fastest = i;
    const sudden = rise(fastest) + (by === 'hand' ? 2 : 0.5) * normalDraw(random) > 7;
    if (sudden && t.jacket[fastest] > startOpenC - 30) return reading('rush', fastest - 20);
    const top = end - 1;
    const cool = (hose[top] - c.ambientC) / (t.jacket[top] - c.ambientC) < 0.6;
    return reading(cool && t.jacket[top] > fullOpenC - 12 ? 'never' : 'gradual', top);
  },
  'heater-air': (c, random) => {
    const v = hotVehicle(c, 20);
    const probe = (place: 'vent' | 'front-air' | 'outlet' | 'heater-in' | 'heater-out') =>
      readInstrument(v, 'probe', place, random)!;
    return {
      setHot: true,
      blower: 'low',
      ventC: probe('vent'),
      ambientC: probe('front-air'),
      coolantC: probe('outlet'),
      hoseInC: probe('heater-in'),
      hoseOutC: probe('heater-out')
    };
  },
  'thermostat-bath': (c, random) => {
    const bath = new SimulatedBath(c.plant, limitsOf(c.spec).minLiftMm.value);
    const points = [];
    for (let s = 0; s < 4 * 3600 && !bath.done; s += 150) {
      bath.advanceTo(s);
      const { bathC, liftMm, atMin, way } = bath.read(random);
      points.push({ bathC, liftMm, atMin, way });
    }
    const { startOpenC } = c.spec.thermostat;
    // A cooler part has another figure on it, where it can be read.
    const own = c.fault === 'thermostat-low-rating' ? startOpenC - 24 * c.severity : startOpenC;
    return { points: points.slice(0, 120), stampedC: random() < 0.5 ? Math.round(own) : null };
  },
  'thermostat-heater': (c, random) => {
    const elementOhm = readPart(vehicleOf(c), 'heater-ohm', 0, random);
    const failed = c.fault === 'thermostat-heater-failed';
    return elementOhm === null
      ? null
      : {
          elementOhm,
          powered: failed ? 'stays' : 'opens',
          afterS: failed ? null : 120,
          unpowered: failed ? null : 'closes'
        };
  },
  'temperature-map': (c, random) => {
    const v = hotVehicle(c);
    const points = Object.fromEntries(
      MAP_POINT_IDS.map((p) => [p, readInstrument(v, 'probe', PROBE_PLACES[p], random)!])
    );
    return {
      points,
      instrument: instrumentOf('contact'),
      thermostat: null,
      ambientC: Math.round(c.ambientC)
    };
  },
  'radiator-face': (c, random) => {
    const v = workedVehicle(c);
    const scan = scanFace(v, [5, 5, 5, 5], random);
    return {
      face: scan.face,
      flows: 'down',
      inC: scan.inC,
      outC: scan.outC,
      airC: scan.airC,
      rpm: Math.max(300, Math.round(scan.rpm)),
      fan: v.fanShare > 0.7 ? 1 : v.fanShare > 0.25 ? 0.5 : 0
    };
  },
  'air-rise': (c, random) => {
    const v = workedVehicle(c);
    const coolantC = loopC(v, 'radiator-in');
    if (coolantC - c.ambientC < 22) return null;
    const noise = (sd: number) => sd * normalDraw(random);
    return {
      beforeC: Math.round(c.ambientC + noise(0.8)),
      afterC: Math.round(Math.min(coolantC, v.truth().fanAirC + noise(2))),
      coolantC: Math.round(Math.min(120, coolantC + noise(0.6))),
      fan: v.fanShare > 0.3 ? 'yes' : 'no'
    };
  },
  'pressure-hold': (c, random) => {
    const v = vehicleOf(c);
    // Pumped up well below the cap, so that a rise shows as well.
    const below = 0.35 * limitsOf(c.spec).capKPa.value;
    return {
      points: [0, 1, 5, 10, 15].map((min) => ({
        min,
        kPa: Math.max(0, Math.round(readPart(v, 'pressure', min, random)! - below))
      })),
      seen: c.fault === 'coolant-low' ? (random() < 0.6 ? 'outside' : null) : 'none',
      engineRan: true
    };
  },
  'cap-test': (c, random) => {
    const opens = readPart(vehicleOf(c), 'cap-opens', 0, random);
    return opens === null
      ? null
      : {
          opensKPa: [opens, opens],
          holds: c.fault === 'pressure-cap-weak' && random() < 0.5 ? 'no' : 'yes',
          seal: random() < 0.9 ? 'good' : 'worn'
        };
  },
  'combustion-gas': (c, random) => {
    const gas = c.fault === 'combustion-leak' && random() < 0.55 + 0.43 * c.severity;
    return {
      by: 'fluid',
      seen: gas ? 'gas' : random() < 0.03 ? 'doubtful' : 'clear',
      bubbles: null,
      dry: true,
      worked: true
    };
  }
};
