import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { readCodes } from '../../core/logs/bus/codes';
import { REQUEST_ALL, REQUEST_ID } from '../../core/logs/bus/frame';
import { readAnswer } from '../../core/logs/bus/identifiers';
import { readReadiness } from '../../core/logs/bus/readiness';
import { Assembler, FLOW_GO_ON, toFrames } from '../../core/logs/bus/isotp';
import { seeded } from '../../core/base/random';
import { DRIVES, driveFromLegs } from '../../core/physics/plant/drive';
import { plantFor } from '../../core/physics/plant/params';
import { simulate } from '../../core/physics/plant/simulate';
import { resistanceAt } from '../../core/physics/thermistor/curve';
import { startBench, type Bench } from './bench';
import { readInstrument } from '../vehicle/instruments';
import { ControlUnit, FAN_TEST } from './scan-adapter';
import { SimulatedVehicle, type VehicleSetup } from '../vehicle/vehicle';

const spec = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const setup: VehicleSetup = {
  spec,
  fault: 'none',
  severity: 0,
  ambientC: 10,
  startC: 10,
  drive: 'mixed',
  seed: 3,
  codes: ['P0128', 'P0118']
};
const running = (more: Partial<VehicleSetup> = {}) => {
  const vehicle = new SimulatedVehicle({ ...setup, ...more });
  vehicle.start();
  return vehicle;
};

describe('the simulated vehicle', () => {
  it('is the plant of its sheet on its drive', () => {
    const vehicle = running();
    const trace = simulate({ ...plantFor(spec), seed: 4 }, driveFromLegs(DRIVES.mixed, 10, 0.5), {
      startC: 10
    });
    for (const minutes of [5, 12, 25]) {
      vehicle.advanceTo(minutes * 60);
      expect(Math.abs(vehicle.identifier(0x05)! - trace.ect[minutes * 120])).toBeLessThanOrEqual(1);
    }
  });

  it('stands still until the key is turned, and idles on at the end of its drive', () => {
    const vehicle = new SimulatedVehicle(setup);
    vehicle.advanceTo(300);
    expect([vehicle.identifier(0x05), vehicle.identifier(0x0c)]).toEqual([10, 0]);
    vehicle.start();
    vehicle.advanceTo(3 * 3600);
    expect(vehicle.identifier(0x05)).toBeGreaterThan(80);
    expect(vehicle.identifier(0x1f)).toBe(3 * 3600 - 300);
  });

  it('shows its fault: a thermostat that stays shut overheats it', () => {
    const vehicle = running({ fault: 'thermostat-stuck-closed', severity: 1 });
    const read = Array.from({ length: 50 }, (_, i) => {
      vehicle.advanceTo(30 * (i + 1));
      return vehicle.identifier(0x05)!;
    });
    expect(Math.max(...read)).toBeGreaterThan(118);
    // What boils away uncovers the sensor: it falls, and the engine is no cooler.
    expect(read[read.length - 1]).toBeLessThan(Math.max(...read) - 10);
    expect(vehicle.truth().outletC).toBeGreaterThan(118);
  });

  it('is read by instruments with errors of their own kind', () => {
    const vehicle = running();
    vehicle.advanceTo(1200);
    const random = seeded(1);
    const many = (name: 'multimeter' | 'infrared' | 'probe', place: 'sensor' | 'outlet') =>
      Array.from({ length: 200 }, () => readInstrument(vehicle, name, place, random)!);
    const mean = (v: number[]) => v.reduce((a, b) => a + b) / v.length;
    const { outletC, sensorOhm } = vehicle.truth();
    expect(sensorOhm).toBeCloseTo(resistanceAt(spec.ect.curve, outletC), -1);
    expect(mean(many('multimeter', 'sensor')) / sensorOhm).toBeCloseTo(1, 2);
    // A surface is cooler than what flows behind it; a gun is worse than a probe.
    expect(outletC - mean(many('infrared', 'outlet'))).toBeGreaterThan(
      outletC - mean(many('probe', 'outlet'))
    );
    expect(readInstrument(vehicle, 'multimeter', 'fan', random)).toBeNull();
    expect(readInstrument(vehicle, 'tachometer', 'engine', random)).toBeGreaterThan(600);
  });
});

describe('the control unit behind the adapter', () => {
  const ask = (unit: ControlUnit, ...request: number[]) => {
    const assembler = new Assembler();
    let frames = toFrames(Uint8Array.from(request)).flatMap((data) => unit.take({ id: REQUEST_ALL, data }));
    for (let n = 0; n < 2; n++) {
      for (const f of frames) {
        const message = assembler.take(f.data);
        if (message) return [...message];
      }
      frames = unit.take({ id: REQUEST_ID, data: FLOW_GO_ON });
    }
    return null;
  };

  it('answers several identifiers in one long message, and leaves out what it does not have', () => {
    const vehicle = running();
    vehicle.advanceTo(600);
    const answer = ask(new ControlUnit(vehicle), 1, 5, 0x0c, 0x0d, 4, 0x0f, 0x46)!;
    expect(answer[0]).toBe(0x41);
    const values = readAnswer(Uint8Array.from(answer.slice(1)));
    expect(values.map((v) => v.identifier.id)).toEqual([5, 0x0c, 0x0d, 4, 0x0f, 0x46]);
    expect(values[0].value).toBe(vehicle.identifier(5));
    expect(ask(new ControlUnit(vehicle), 1, 0x5c)).toBeNull();
  });

  it('tells what it supports', () => {
    // 04, 05, 0C, 0D, 0F, 1F and the next group: bits 4, 5, 12, 13, 15, 31, 32 from the left.
    expect(ask(new ControlUnit(running()), 1, 0)).toEqual([0x41, 0, 0x18, 0x1a, 0x00, 0x03]);
  });

  it('gives its codes and forgets them when told', () => {
    const unit = new ControlUnit(running());
    expect(readCodes(Uint8Array.from(ask(unit, 3)!.slice(1)))).toEqual(['P0128', 'P0118']);
    expect(ask(unit, 7)).toEqual([0x47, 0]);
    expect(ask(unit, 4)).toEqual([0x44]);
    expect(ask(unit, 3)).toEqual([0x43, 0]);
  });

  it('says of its own tests what they have shown, and begins anew once codes are cleared', () => {
    const unit = new ControlUnit(running());
    const says = () => readReadiness(Uint8Array.from(ask(unit, 1, 1)!.slice(2)))!;
    expect(says()).toMatchObject({ lamp: true, codes: 2, incomplete: [] });
    expect(ask(unit, 2, 2, 0)).toEqual([0x42, 2, 0, 0x01, 0x28]);
    ask(unit, 4);
    expect(says()).toMatchObject({
      lamp: false,
      codes: 0,
      complete: ['Misfire', 'Fuel system', 'Components']
    });
    expect(says().incomplete).toContain('Catalyst');
    expect(ask(unit, 2, 2, 0)).toEqual([0x42, 2, 0, 0, 0]);
  });

  it('runs the fan when commanded, unless its motor is dead', () => {
    const good = running();
    ask(new ControlUnit(good), FAN_TEST, 100);
    expect(good.fanPct).toBe(100);
    const dead = running({ fault: 'fan-motor-dead', severity: 1 });
    ask(new ControlUnit(dead), FAN_TEST, 100);
    expect(dead.fanPct).toBe(0);
    ask(new ControlUnit(good), FAN_TEST, 0xff);
    expect(good.fanPct).toBe(0);
  });
});

describe('the bench on its port', () => {
  let bench: Bench | undefined;
  afterEach(() => bench?.close());

  it('takes a vehicle, refuses what makes no sense, and reads instruments', async () => {
    const { tellBench } = await import('../../lib/server/live/bench');
    bench = await startBench({ port: 0 });
    const say = async (said: object) => {
      const result = await tellBench(`127.0.0.1:${bench!.port}`, said);
      return result.ok ? result.value : result.problems[0].message;
    };
    expect(await say({ do: 'read', instrument: 'probe', place: 'outlet' })).toContain(
      'no vehicle plugged in'
    );
    expect(await say({ do: 'plug', spec, fault: 'clutch-slipping' })).toContain(
      'cannot happen on this vehicle'
    );
    expect(await say({ do: 'plug', spec: {} })).toContain('expected "pyrethos.spec-sheet"');
    expect(await say({ do: 'plug', spec, fault: 'none', ambientC: 9 })).toMatchObject({ ok: true });
    const reading = (await say({ do: 'read', instrument: 'probe', place: 'outlet' })) as { value: number };
    expect(reading.value).toBeGreaterThan(5);
    expect(reading.value).toBeLessThan(13);
    expect(await say({ do: 'dance' })).toContain('say plug');
  });
});
