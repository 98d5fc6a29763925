import { limitsOf } from '../../core/vehicle/limits';
import { commandedShare } from '../../core/checks/clutch/clutch-electronic';
import { instrumentOf } from '../../core/measure/instruments';
import type { CheckId } from '../../core/checks/registry';
import { clutchLimits } from '../../core/physics/clutch/speed';
import { stagesOf } from '../../core/checks/fan/fan-switching';
import { gaugeLawOf } from '../../core/checks/sensor/gauge-compare';
import { MAP_POINT_IDS, type MapPoint } from '../../core/physics/flow/map';
import { driveFromLegs, type Leg } from '../../core/physics/plant/drive';
import { simulate } from '../../core/physics/plant/simulate';
import { normalDraw, seeded, type Random } from '../../core/base/random';
import { resistanceAt } from '../../core/physics/thermistor/curve';
import { SimulatedBath } from '../vehicle/bath';
import { readInstrument } from '../vehicle/instruments';
import { loopC, scanFace, type LoopPlace } from '../vehicle/loop';
import { readPart } from '../vehicle/parts';
import { SimulatedVehicle } from '../vehicle/vehicle';
import type { Case } from '../cases/hidden-case';
import { circuitTaken, fanBy, relayFeels, sensorCircuit } from './electrics';
import { looks } from './looks';

/** Measures what a check asks for on the vehicle of a case; null where it cannot be measured there. */
export type Measure = (c: Case, random: Random) => unknown;

const taken = (celsius: number, kind: 'scan' | 'contact' | 'glass' | 'weather') => ({
  celsius: Math.round(10 * celsius) / 10,
  instrument: instrumentOf(kind)
});

function vehicleOf(c: Case): SimulatedVehicle {
  return new SimulatedVehicle({ ...c, startC: c.ambientC, drive: 'mixed', codes: c.codes });
}
/** The vehicle after its drive, idling hot; stopped from where it became too hot to go on. */
function hotVehicle(c: Case, minutes = 31): SimulatedVehicle {
  const v = vehicleOf(c);
  v.start();
  for (let s = 10; s <= 60 * minutes; s += 10) {
    v.advanceTo(s);
    if (v.truth().outletC > limitsOf(c.spec).stopC.value) break;
  }
  return v;
}
/** Hotter, at a fast idle, until something drives the air or it becomes too hot to go on. */
function workedVehicle(c: Case): SimulatedVehicle {
  const v = hotVehicle(c);
  v.hold(FAST_IDLE[0]);
  for (let s = v.now; s < 55 * 60; s += 10) {
    v.advanceTo(s);
    if (v.fanShare > 0.6 || v.truth().outletC > limitsOf(c.spec).hotC.value - 2) break;
  }
  return v;
}
const FAST_IDLE: readonly Leg[] = [{ minutes: 40, speedKmh: 0, load: 0.3, rpm: 1800 }];
const scanOf = (v: SimulatedVehicle) => v.identifier(0x05)!;

/** What an ohmmeter finds at the sensor: faults of the loom are not in it. */
function sensorOhm(c: Case, sensorC: number): number {
  const { sensorError: e, curve } = c.plant;
  const own = resistanceAt(curve, sensorC);
  if (c.fault === 'ect-wiring') return own;
  switch (e.kind) {
    case 'series':
      return own + e.ohm;
    case 'parallel':
      return (own * e.ohm) / (own + e.ohm);
    case 'shift':
      return resistanceAt(curve, sensorC + e.celsius);
    case 'curve':
      return resistanceAt(e.curve, sensorC);
    case 'fixed':
      return e.readsC < 0 ? 10e6 : 0.4;
    default:
      return own;
  }
}

/** Every check with a sheet of its own; runs are read elsewhere. */
export const MEASURES: Readonly<Partial<Record<CheckId, Measure>>> = {
  soak: (c) => ({ hoursStood: 14, lastC: 88, ambientC: Math.round(c.ambientC) }),
  codes: (c) => ({ codes: c.codes.map((code) => ({ code, state: 'stored' })) }),
  'level-and-look': looks,

  'cold-agreement': (c, random) => {
    const v = vehicleOf(c);
    return {
      ect: taken(scanOf(v), 'scan'),
      iat: taken(Math.round(c.ambientC + 0.5 * normalDraw(random)), 'scan'),
      ambient: taken(c.ambientC + 0.8 * normalDraw(random), 'weather'),
      housing: taken(c.ambientC + 0.7 * normalDraw(random), 'contact')
    };
  },

  'ect-ladder': (c, random) => {
    const v = vehicleOf(c);
    const points = [0, 5, 9, 14, 20].map((minutes) => {
      if (minutes > 0) v.start();
      v.advanceTo(60 * minutes);
      const { sensorC } = v.truth();
      return {
        ...taken(sensorC + 0.7 * normalDraw(random), 'contact'),
        ohm: Number((sensorOhm(c, sensorC) * (1 + 0.004 * normalDraw(random))).toPrecision(4)),
        volts: null
      };
    });
    return { points };
  },
  'ect-circuit': sensorCircuit,
  'ect-substitute': (c, random) => {
    const sound =
      c.fault === 'ect-wiring' ? c : { ...c, plant: { ...c.plant, sensorError: { kind: 'none' } as const } };
    const reads = scanOf(vehicleOf(sound));
    return {
      substituteC: reads,
      air: taken(c.ambientC + 0.4 * normalDraw(random), 'glass'),
      oldOffC: scanOf(vehicleOf(c)) - Math.round(c.ambientC)
    };
  },
  wiggle: (c, random) => {
    const answers = (share: number) => (random() < share ? 'follows' : 'steady');
    // A contact that comes and goes lies at the plug more often than on the way.
    const atPlug = seeded(c.seed * 5 + 1)() < 0.65;
    const comes = c.fault === 'ect-intermittent';
    const plug = comes && atPlug ? 0.85 : 0.01;
    const loom = comes && !atPlug ? 0.85 : c.fault === 'ect-wiring' ? 0.3 : 0.01;
    const fan = c.fault === 'fan-controller-shorted' ? 0.5 : 0.01;
    return {
      sensorPlug: answers(plug),
      loom: answers(loom),
      unitPlug: 'steady',
      ground: 'steady',
      fanPlug: c.plant.fan.kind === 'none' ? null : answers(fan),
      jumpC: null
    };
  },

  'gauge-compare': (c, random) => {
    const v = hotVehicle(c);
    const reads = scanOf(v);
    const law = gaugeLawOf(c.spec).points;
    const shown =
      c.fault === 'gauge-fault' ? reads + (seeded(c.seed)() < 0.5 ? -1 : 1) * (15 + 40 * c.severity) : reads;
    const k = Math.max(
      1,
      law.findIndex(([, t]) => t >= shown) === -1 ? law.length - 1 : law.findIndex(([, t]) => t >= shown)
    );
    const [[p0, c0], [p1, c1]] = [law[k - 1], law[k]];
    const needle = p0 + ((p1 - p0) * (shown - c0)) / (c1 - c0) + 2 * normalDraw(random);
    return {
      needlePct: Math.round(Math.min(100, Math.max(0, needle))),
      scanC: reads,
      thermometer: taken(readInstrument(v, 'probe', 'sensor-housing', random)!, 'contact'),
      sender: null
    };
  },

  'hose-rush': (c, random) => {
    const { startOpenC, fullOpenC } = c.spec.thermostat;
    const drive = driveFromLegs(FAST_IDLE, c.ambientC, 1);
    const t = simulate({ ...c.plant, seed: c.seed }, drive, { startC: c.ambientC });
    const hose = c.plant.inletSide ? t.lowerHose : t.upperHose;
    const by = random() < 0.7 ? 'hand' : 'probe';
    const reading = (felt: string, i: number) => ({
      felt,
      coolantC: Math.round(Math.min(t.jacket[i], limitsOf(c.spec).stopC.value - 1) + normalDraw(random)),
      by
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

  'fan-switching': (c) => {
    const due = stagesOf(c.spec);
    const v = hotVehicle(c, 25);
    v.hold(FAST_IDLE[0]);
    const stages = due.map((s) => ({
      name: s.name,
      onC: null as number | null,
      offC: null as number | null
    }));
    const levels = due.map((_, i) =>
      c.plant.fan.kind === 'proportional' ? 15 + 40 * i : due.length === 1 ? 50 : 25 + 45 * i
    );
    const on = stages.map((_, i) => v.fanPct > levels[i]);
    let hottestC = scanOf(v);
    for (let s = 25 * 60; s < 60 * 60; s += 2) {
      v.advanceTo(s);
      const reads = scanOf(v);
      hottestC = Math.max(hottestC, reads);
      stages.forEach((stage, i) => {
        const turns = v.fanPct > levels[i];
        if (turns && !on[i]) stage.onC ??= reads;
        if (!turns && on[i] && stage.onC !== null) stage.offC ??= reads;
        on[i] = turns;
      });
      // Over the stop limit the engine is switched off, whatever was to be seen.
      if (v.truth().outletC > limitsOf(c.spec).stopC.value) break;
    }
    // A fan that ran when the watch began and never stopped is told by the temperature it began at.
    if (stages[0]?.onC === null && on[0]) stages[0].onC = scanOf(hotVehicle(c, 25));
    for (const s of stages) if (s.offC !== null && s.onC !== null && s.offC >= s.onC) s.offC = null;
    return { stages, hottestC, by: 'scan', acOn: false, moving: false };
  },
  'fan-command': (c, random) => ({ ...fanBy(c, random), commandedPct: 100 }),
  'fan-direct-feed': (c, random) => {
    const amps = readPart(deviceOf(c), 'fan-amps', 0, random);
    if (amps === null) return null;
    const turns =
      c.fault === 'fan-motor-dead'
        ? 'no'
        : c.fault === 'fan-motor-weak'
          ? c.severity > 0.5 || random() < 0.6
            ? 'slow'
            : 'full'
          : 'full';
    return { at: 'plug', turns, amps, feedV: 12.5 };
  },
  'key-off-fan': (c) => {
    const v = hotVehicle(c);
    const atC = Math.round(scanOf(v));
    v.stop();
    let minutes = 0;
    for (; minutes < 20 && v.fanPct > 10; minutes++) v.advanceTo(v.now + 60);
    return { ranMin: minutes, stillRunning: minutes >= 20, coolantC: Math.min(atC, 118) };
  },
  'relay-bench': (c, random) => {
    const v = deviceOf(c);
    return {
      coilOhm: readPart(v, 'coil-ohm', 0, random),
      clicks: c.fault === 'fan-relay-coil' ? 'no' : 'yes',
      dropV: c.fault === 'fan-relay-coil' ? null : readPart(v, 'contact-drop', 0, random),
      loadA: c.fault === 'fan-relay-coil' ? null : 10,
      restOhm: readPart(v, 'rest-ohm', 0, random)
    };
  },
  'relay-swap': (c) => ({
    identical: true,
    donor: 'horn',
    donorSafe: true,
    putBack: true,
    then: relayFeels(c)
  }),
  'relay-socket': circuitTaken,
  'controller-in-out': circuitTaken,

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
      plugV: readPart(deviceOf(c), 'clutch-plug', 0, random),
      pickup: null
    };
  },

  'temperature-map': (c, random) => {
    const v = hotVehicle(c);
    const place: Record<MapPoint, LoopPlace> = {
      outlet: 'outlet',
      sensor: 'sensor-housing',
      scan: 'scan',
      upperHose: 'upper-hose',
      radiatorIn: 'radiator-in',
      radiatorOut: 'radiator-out',
      lowerHose: 'lower-hose',
      heaterIn: 'heater-in',
      heaterOut: 'heater-out'
    };
    const points = Object.fromEntries(
      MAP_POINT_IDS.map((p) => [p, readInstrument(v, 'probe', place[p], random)!])
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
    const v = deviceOf(c);
    // Pumped up well below the cap, so that a rise shows as well.
    const below = 0.35 * limitsOf(c.spec).capKPa.value;
    return {
      points: [0, 5, 10, 15].map((min) => ({
        min,
        kPa: Math.max(0, Math.round(readPart(v, 'pressure', min, random)! - below))
      })),
      seen: c.fault === 'coolant-low' ? (random() < 0.6 ? 'outside' : null) : 'none',
      engineRan: true
    };
  },
  'cap-test': (c, random) => {
    const opens = readPart(deviceOf(c), 'cap-opens', 0, random);
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
    const elementOhm = readPart(deviceOf(c), 'heater-ohm', 0, random);
    const failed = c.fault === 'thermostat-heater-failed';
    return elementOhm === null
      ? null
      : {
          elementOhm,
          powered: failed ? 'stays' : 'opens',
          afterS: failed ? null : 120,
          unpowered: failed ? null : 'closes'
        };
  }
};

/** Parts are measured on the vehicle as it stands. */
const deviceOf = (c: Case) => vehicleOf(c);
