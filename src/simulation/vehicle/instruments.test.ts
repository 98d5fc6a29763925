import { withFault } from '../../core/faults/registry';
import { describe, expect, it } from 'vitest';
import { curlew, sheetOf } from '../../../tests/support/check-bench';
import { FAN_RELAY } from '../../core/physics/circuit/fan-relay';
import { locate, type Measured } from '../../core/physics/circuit/template';
import { readFace } from '../../core/physics/flow/face';
import { readMap } from '../../core/physics/flow/map';
import type { Part, Place } from '../../core/checks/hands';
import { plantFor } from '../../core/physics/plant/params';
import { seeded } from '../../core/base/random';
import { readBath, type BathPoint } from '../../core/physics/thermostat/bath';
import { SimulatedBath } from './bath';
import { brokenElement, readCircuit } from './circuits';
import { readInstrument } from './instruments';
import { scanFace } from './loop';
import { readPart } from './parts';
import { SimulatedVehicle, type VehicleSetup } from './vehicle';

const vehicle = (more: Partial<VehicleSetup> = {}, minutes = 30) => {
  const v = new SimulatedVehicle({
    spec: curlew,
    fault: 'none',
    severity: 0.9,
    ambientC: 12,
    startC: 12,
    drive: 'idle',
    seed: 3,
    codes: [],
    ...more
  });
  v.start();
  v.advanceTo(minutes * 60);
  return v;
};

describe('the simulated bath', () => {
  const run = (bath: SimulatedBath) => {
    const random = seeded(5);
    const points: BathPoint[] = [];
    for (let s = 0; !bath.done; s += 45) {
      bath.advanceTo(s);
      points.push(bath.read(random));
    }
    return readBath(points);
  };
  it('opens where its thermostat does, though the wax lags the water', () => {
    const read = run(new SimulatedBath(plantFor(curlew), 8.5));
    expect(Math.abs(read.startC! - 86)).toBeLessThan(1.2);
    expect(read.liftMm).toBeCloseTo(8.5, 0);
    expect(read.rateCPerMin!).toBeCloseTo(1.8, 1);
    expect(read.hysteresisC!).toBeGreaterThan(1);
  });
  it('shows a cooler part and one that leaks', () => {
    const low = withFault(plantFor(curlew), 'thermostat-low-rating', 0.5);
    expect(run(new SimulatedBath(low, 8.5)).startC!).toBeLessThan(76);
    const open = withFault(plantFor(curlew), 'thermostat-stuck-open', 0.7);
    expect(run(new SimulatedBath(open, 8.5)).coldLiftMm!).toBeGreaterThan(1);
  });
});

describe('the simulated meter on a circuit', () => {
  it('leads to the element that is broken, asked as the bench asks', () => {
    const random = seeded(9);
    for (const seed of [1, 2, 3, 4]) {
      const truth = brokenElement(FAN_RELAY, 'fan-relay-contacts', seed).id;
      let taken: Measured[] = [];
      for (let i = 0; i < 8; i++) {
        const { next } = locate(FAN_RELAY, taken, 12.6);
        if (!next) break;
        const value = readCircuit('fan-relay', next.state, next.at, 'fan-relay-contacts', seed, random)!;
        taken = [...taken, { ...next, value: Math.round(100 * value) / 100 }];
      }
      expect(locate(FAN_RELAY, taken, 12.6).ranked[0].id).toBe(truth);
    }
  });
  it('shows nothing where there is no such place', () => {
    expect(readCircuit('fan-relay', 'on', 'moon', 'none', 1, seeded(1))).toBeNull();
    expect(readCircuit('moon', 'on', '30', 'none', 1, seeded(1))).toBeNull();
  });
});

describe('the simulated probe on the loop', () => {
  const map = (v: SimulatedVehicle, state: 'shut' | 'opening' | 'open') => {
    const random = seeded(4);
    const at = (place: Place) => readInstrument(v, 'probe', place, random)!;
    return readMap(
      {
        outlet: at('outlet'),
        sensor: at('sensor-housing'),
        scan: at('scan'),
        upperHose: at('upper-hose'),
        heaterIn: at('heater-in')
      },
      state,
      curlew,
      1.5,
      12
    );
  };
  it('finds nothing on a sound engine and the branch where it is closed', () => {
    expect(map(vehicle(), 'opening').findings).toEqual([]);
    const branch = map(vehicle({ fault: 'sensor-branch-restricted', spec: curlew }), 'opening');
    expect(branch.findings[0].found).toEqual(['branchCold']);
  });
  it('scans a face with as many cold columns as the core has lost', () => {
    const face = (v: SimulatedVehicle) => {
      const s = scanFace(v, [6, 6, 6, 6], seeded(2));
      return readFace(s.face, 'down', s.inC, s.outC, s.airC);
    };
    expect(face(vehicle()).cold).toEqual([]);
    expect(face(vehicle({ fault: 'radiator-clogged', drive: 'mixed' })).shape).toBe('columns');
  });
  it('air behind a choked radiator comes nearer to the coolant', () => {
    const spec = sheetOf('qh-11-fathom');
    const share = (v: SimulatedVehicle) => {
      const t = v.truth();
      return (t.fanAirC - t.ambientC) / (t.upperHoseC - t.ambientC);
    };
    const clean = share(vehicle({ spec, drive: 'mixed' }, 40));
    const choked = share(vehicle({ spec, drive: 'mixed', fault: 'airflow-restricted' }, 40));
    expect(choked).toBeGreaterThan(clean);
  });
});

describe('parts of the simulated vehicle', () => {
  const read = (part: Part, fault: VehicleSetup['fault'] = 'none', min = 0, spec = curlew) =>
    readPart(vehicle({ fault, spec }, 0), part, min, seeded(7))!;
  it('measure as sound ones do, and as broken ones', () => {
    expect(read('coil-ohm')).toBeGreaterThan(60);
    expect(read('coil-ohm', 'fan-relay-coil')).toBe(10e6);
    expect(read('contact-drop')).toBeLessThan(0.2);
    expect(read('contact-drop', 'fan-relay-contacts')).toBeGreaterThan(1);
    expect(read('rest-ohm', 'fan-relay-welded')).toBeLessThan(1);
    expect(read('fan-amps', 'fan-motor-dead')).toBe(0);
    expect(read('fan-amps', 'fan-motor-weak')).toBeLessThan(read('fan-amps') / 2);
    expect(Math.abs(read('cap-opens') - 110)).toBeLessThan(10);
    expect(read('pressure', 'coolant-low', 10)).toBeLessThan(read('pressure', 'none', 10) - 20);
  });
  it('are not there on a vehicle that has none', () => {
    expect(readPart(vehicle({}, 0), 'heater-ohm', 0, seeded(1))).toBeNull();
  });
});
