import { gaugeLawOf } from '../../core/checks/sensor/gauge-compare';
import { normalDraw, seeded } from '../../core/base/random';
import { resistanceAt } from '../../core/physics/thermistor/curve';
import { readInstrument } from '../vehicle/instruments';
import type { Case } from '../cases/hidden-case';
import { sensorCircuit } from './electrics';
import { taken, vehicleOf, hotVehicle, scanOf, type Measures } from './measure';

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

/** The sensor, its loom and the gauge. */
export const sensorMeasures: Measures = {
  'warm-idle': (c) => {
    const v = hotVehicle(c);
    return { scanC: scanOf(v), swingC: null, warmMin: 6, acOn: false };
  },
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
  }
};
