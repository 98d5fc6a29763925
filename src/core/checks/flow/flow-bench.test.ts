import { describe, expect, it } from 'vitest';
import { context, curlew, fathom, faults, judge, stopped } from '../../../../tests/support/check-bench';
import { plantFor } from '../../physics/plant/params';
import { expectedEffectiveness } from '../../physics/plant/effectiveness';
import { effectiveness, readFace } from '../../physics/flow/face';
import { thermostatAt } from '../../physics/flow/map';
import { checkOf } from '../registry';
import { instrumentOf } from '../../measure/instruments';

const minibus = context([stopped(14)], curlew);
const ambulance = context([stopped(14)], fathom);

describe('a temperature map', () => {
  const map = (points: Record<string, number>, more: object = {}, c = minibus) =>
    judge(
      'temperature-map',
      { points, instrument: instrumentOf('contact'), thermostat: null, ambientC: 12, ...more },
      c
    );
  it('tells the thermostat’s state by the sheet', () => {
    expect([70, 90, 99].map((c) => thermostatAt(c, curlew))).toEqual(['shut', 'opening', 'open']);
  });
  it.each<[string, Record<string, number>, object, string[]]>([
    [
      'a sensor branch without flow',
      { outlet: 92, sensor: 61, scan: 62, upperHose: 88 },
      {},
      ['sensor-branch-restricted']
    ],
    [
      'a sensor that reads cold',
      { outlet: 92, sensor: 91, scan: 74 },
      {},
      ['ect-reads-cold', 'ect-wrong-part', 'ect-wiring']
    ],
    [
      'a thermostat that leaks',
      { outlet: 66, upperHose: 60 },
      {},
      ['thermostat-stuck-open', 'thermostat-low-rating']
    ],
    [
      'one that does not open',
      { outlet: 106, upperHose: 41, lowerHose: 30 },
      {},
      ['thermostat-stuck-closed', 'thermostat-sluggish', 'coolant-low']
    ],
    [
      'little flow',
      { outlet: 104, upperHose: 102, radiatorIn: 101, radiatorOut: 55, lowerHose: 54 },
      { thermostat: 'open' },
      ['pump-flow-low', 'radiator-clogged', 'coolant-low', 'thermostat-stuck-closed', 'thermostat-sluggish']
    ],
    [
      'little air',
      { outlet: 105, upperHose: 104, lowerHose: 104 },
      { thermostat: 'open' },
      ['airflow-restricted', 'fan-motor-dead', 'fan-motor-weak']
    ],
    [
      'a heater without flow',
      { outlet: 92, heaterIn: 55, heaterOut: 50 },
      {},
      ['coolant-low', 'pump-flow-low']
    ]
  ])('%s', (_, points, more, suspects) => {
    const o = map(points, more);
    expect([o.result, faults(o, 'for')]).toEqual(['fail', suspects]);
  });
  it('a drop of the radiator is no finding while nothing should drive the air, nor while the wax holds back', () => {
    // The minibus switches its fan at 101 °C.
    expect(faults(map({ outlet: 100, upperHose: 99, lowerHose: 98 }, { thermostat: 'open' }), 'for')).toEqual(
      []
    );
    expect(faults(map({ outlet: 92, upperHose: 70, lowerHose: 4 }), 'for')).toEqual([]);
  });
  it('passes a sound loop, open and shut, on either side', () => {
    expect(
      map(
        { outlet: 100, sensor: 99, scan: 100, upperHose: 98, radiatorIn: 97, radiatorOut: 84, lowerHose: 83 },
        { thermostat: 'open' }
      ).result
    ).toBe('pass');
    const shut = map({ outlet: 60, sensor: 59, scan: 61, upperHose: 58, lowerHose: 17 }, {}, ambulance);
    expect(shut.result).toBe('pass');
    expect(faults(shut, 'against')).toContain('thermostat-stuck-open');
  });
  it('a coarse thermometer calls less a finding', () => {
    const points = { outlet: 92, sensor: 83, scan: 84 };
    expect(map(points).result).toBe('fail');
    expect(map(points, { instrument: instrumentOf('infrared-bright') }).result).not.toBe('fail');
  });
});

describe('a radiator’s face', () => {
  const even = (rows: number, columns: number, inC: number, outC: number, airC: number) =>
    Array.from({ length: rows }, (_, r) =>
      Array.from(
        { length: columns },
        () => airC + (inC - airC) * ((outC - airC) / (inC - airC)) ** ((r + 0.5) / rows)
      )
    );
  it('is even in a clean core, whatever the gun reads low by', () => {
    for (const gun of [1, 0.85])
      expect(
        readFace(
          even(5, 5, 96, 80, 15).map((row) => row.map((c) => 15 + gun * (c - 15))),
          'down',
          96,
          80,
          15
        ).cold
      ).toEqual([]);
  });
  it('shows tubes that are closed, as columns', () => {
    const face = even(5, 6, 96, 80, 15).map((row) => row.map((c, i) => (i === 2 ? 40 : c)));
    const read = readFace(face, 'down', 96, 80, 15);
    expect([read.shape, read.cold.length]).toEqual(['columns', 5]);
  });
  it('effectiveness is what page and hand make of it', () => {
    expect(effectiveness(95, 80, 20)).toBeCloseTo(0.2, 9);
    expect(() => effectiveness(22, 21, 20)).toThrow(RangeError);
  });
  it('the model’s effectiveness grows with air and falls with flow', () => {
    const p = plantFor(curlew);
    const at = (rpm: number, fan: number) => expectedEffectiveness(p, { rpm, fan, speedKmh: 0, ac: false });
    expect(at(900, 1)).toBeGreaterThan(at(900, 0.5));
    expect(at(900, 1)).toBeGreaterThan(at(2500, 1));
    expect(at(900, 0)).toBeLessThan(0.2);
  });
  const face = (inC: number, outC: number) =>
    judge(
      'radiator-face',
      { face: even(4, 5, inC, outC, 15), flows: 'down', inC, outC, airC: 15, rpm: 900, fan: 1 },
      minibus
    );
  it('holds what it takes off against the model', () => {
    const due = expectedEffectiveness(plantFor(curlew), { rpm: 900, fan: 1, speedKmh: 0, ac: false });
    expect(face(96, 96 - 81 * due).result).toBe('pass');
    expect(faults(face(96, 96 - 81 * due * 0.3), 'for')).toEqual(['airflow-restricted']);
  });
});

describe('air rise', () => {
  const rise = (beforeC: number, afterC: number, coolantC: number, fan = 'yes') =>
    judge('air-rise', { beforeC, afterC, coolantC, fan }, ambulance);
  it('much rise of little air, little rise of much', () => {
    expect(faults(rise(14, 97, 98), 'for')).toEqual(['airflow-restricted']);
    // A clutch at idle moves little air, and little air comes out hot through a clean stack too; a full fan moves its best.
    expect(rise(14, 90, 98).result).toBe('pass');
    expect(
      faults(judge('air-rise', { beforeC: 14, afterC: 96, coolantC: 98, fan: 'yes' }, minibus), 'for')
    ).toEqual(['airflow-restricted']);
    // Below its switching point the fan has no reason to turn; above it, its own drive is what is missing.
    expect(rise(14, 88, 98, 'no').result).toBe('unclear');
    expect(faults(rise(14, 94, 106, 'no'), 'for')).toEqual(['clutch-slipping', 'clutch-engages-late']);
    const minibusAir = { beforeC: 14, afterC: 94, coolantC: 106, fan: 'no' };
    expect(faults(judge('air-rise', minibusAir, minibus), 'for')).toEqual([
      'fan-motor-dead',
      'fan-feed-open',
      'fan-command-missing',
      'fan-relay-contacts',
      'fan-relay-coil'
    ]);
    expect(faults(rise(14, 28, 98), 'for')).toEqual([
      'radiator-clogged',
      'airflow-restricted',
      'thermostat-stuck-closed'
    ]);
    expect(rise(14, 58, 98).result).toBe('pass');
  });
});

describe('heater air', () => {
  const heater = (ventC: number, more: object = {}) =>
    judge('heater-air', {
      setHot: true,
      blower: 'low',
      ventC,
      ambientC: 10,
      coolantC: 90,
      hoseInC: null,
      hoseOutC: null,
      ...more
    });
  it('gives its heat, or names what holds it back by its hoses', () => {
    // 0.62 of the way from 10 to 90 °C is 59.6 °C.
    expect(heater(60).result).toBe('pass');
    expect(heater(48).result).toBe('unclear');
    expect(faults(heater(30), 'for')).toEqual(['heater-core-restricted', 'coolant-low', 'pump-flow-low']);
    expect(faults(heater(30, { hoseInC: 86, hoseOutC: 38 }), 'for')).toEqual(['heater-core-restricted']);
    const noFlow = heater(30, { hoseInC: 45, hoseOutC: 40 });
    expect([faults(noFlow, 'for'), faults(noFlow, 'against')]).toEqual([
      ['coolant-low', 'pump-flow-low'],
      ['heater-core-restricted']
    ]);
    const door = heater(30, { hoseInC: 87, hoseOutC: 83 });
    expect([door.result, faults(door, 'for')]).toEqual(['unclear', []]);
    expect(door.says).toContain('door of the air box');
  });
  it('tells by how cool its coolant comes back how little flows, though the cabin is warm', () => {
    // 80 °C over the air at the hose in: up to 7.2 °C are lost on the way, beyond 13.6 °C hardly any flows.
    const back = (hoseOutC: number, more: object = {}) => heater(64, { hoseInC: 90, hoseOutC, ...more });
    expect([back(84).result, faults(back(84), 'against')]).toEqual([
      'pass',
      ['heater-core-restricted', 'coolant-low', 'pump-flow-low']
    ]);
    expect([back(80).result, faults(back(80), 'for')]).toEqual(['unclear', ['pump-flow-low']]);
    expect([back(70).result, faults(back(70), 'for')]).toEqual(['fail', ['pump-flow-low', 'coolant-low']]);
    // A full blower takes more of the same flow.
    expect(back(80, { blower: 'full' }).result).toBe('pass');
  });
  it('asks less of a full blower, and nothing of a heater that is not on hot', () => {
    expect(heater(48, { blower: 'full' }).result).toBe('pass');
    expect(heater(30, { setHot: false }).result).toBe('unclear');
  });
  it('is refused on a cold engine', () => {
    const readings = {
      setHot: true,
      blower: 'low',
      ventC: 20,
      ambientC: 10,
      coolantC: 30,
      hoseInC: null,
      hoseOutC: null
    };
    expect(
      checkOf('heater-air')
        .refuse(readings, curlew)
        .map((p) => p.field)
    ).toEqual(['coolantC']);
  });
});
