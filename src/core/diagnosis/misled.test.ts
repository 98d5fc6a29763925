import { describe, expect, it } from 'vitest';
import {
  context,
  curlew,
  entry,
  fathom,
  faults,
  judge,
  sheetOf,
  soaked,
  stopped
} from '../../../tests/support/check-bench';
import { ALL_GOOD } from '../checks/coolant/looks';
import type { CheckContext } from '../checks/check';
import { checkOf, type CheckId } from '../checks/registry';
import { readBath } from '../physics/thermostat/bath';
import { cannotHave, FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { findingOf, findingsOf } from './findings';
import { posteriorOf } from './posterior';

/** Each case is named after what a technician was misled by. */
const ratio = (check: CheckId, readings: object, fault: FaultId, c: CheckContext) =>
  Math.exp(findingOf(entry(check, readings, c), c.sheet)?.llr[fault] ?? 0);
const cold = context([stopped(14)], curlew);

describe('what the numbers of a check say', () => {
  const airRise = (afterC: number, c: CheckContext) =>
    Math.log(ratio('air-rise', { beforeC: 10, afterC, coolantC: 100, fan: 'yes' }, 'airflow-restricted', c));
  it('“the air hardly moves” behind a clutch at idle, which moves little anyway', () => {
    const clutch = context([stopped(14)], fathom);
    // Of a fan with one stage it is known how far it runs.
    const oneStage = context([stopped(14)], sheetOf('qh-14-pip'));
    expect(airRise(90, clutch)).toBeLessThan(airRise(90, oneStage) - 0.4);
    expect(airRise(90, clutch)).toBeLessThan(Math.log(3));
    expect(airRise(60, cold)).toBeLessThan(0);
    // However near it comes, one thermometer behind a fan is no proof.
    expect(airRise(100, cold)).toBeLessThan(4);
  });

  const heater = (ventC: number, hoseOutC: number, fault: FaultId) =>
    Math.log(
      ratio(
        'heater-air',
        { setHot: true, blower: 'low', ventC, ambientC: 10, coolantC: 90, hoseInC: 86, hoseOutC },
        fault,
        cold
      )
    );
  it('a heater that gives its heat with little flow: the more it loses on its way, the likelier the pump', () => {
    const pump = [83, 78, 73, 66].map((back) => heater(72, back, 'pump-flow-low'));
    expect(pump.toSorted((a, b) => a - b)).toEqual(pump);
    expect(pump[0]).toBeLessThan(0);
    expect(pump[3]).toBeGreaterThan(1.6);
    // Cold air from a hot hose that comes back cold is the core, and no pump.
    expect(heater(35, 50, 'heater-core-restricted')).toBeGreaterThan(heater(35, 50, 'pump-flow-low') + 1);
  });

  it('“low level, so fill it” where a gasket, the pump or the cap lost it', () => {
    const low = { ...ALL_GOOD, level: 'low' };
    for (const fault of ['combustion-leak', 'water-pump-bearing', 'pressure-cap-weak'] as const)
      expect(ratio('level-and-look', low, fault, cold), fault).toBeGreaterThan(3);
    expect(ratio('level-and-look', { ...low, fixAnyway: ['level'] }, 'combustion-leak', cold)).toBeLessThan(
      2
    );
  });

  it('a reading that is low by its wiring, and rushes the hose “too early” as any sensor that reads cold', () => {
    const early = { felt: 'rush', coolantC: 62, by: 'hand', coolantBy: 'scan' };
    expect(ratio('hose-rush', early, 'ect-wiring', cold)).toBeCloseTo(
      ratio('hose-rush', early, 'ect-reads-cold', cold)
    );
  });
});

describe('a sheet that is wrong', () => {
  it('“the thermostat opens late” of one that does what its stamp says, in an engine that is well', () => {
    const lifts = [80, 88, 90, 92, 94, 96, 98, 100, 102, 104, 106, 108, 110].map((bathC, i) => ({
      bathC,
      liftMm: Math.min(9, Math.max(0, (9 * (bathC - 93)) / 12)),
      atMin: 2 * i,
      way: 'heating'
    }));
    const back = [106, 102, 98, 94, 90, 86].map((bathC, i) => ({
      bathC,
      liftMm: Math.min(9, Math.max(0, (9 * (bathC - 90)) / 12)),
      atMin: 26 + 2 * i,
      way: 'cooling'
    }));
    const done = [
      entry('thermostat-bath', { points: [...lifts, ...back], stampedC: 93 }, cold),
      entry('hose-rush', { felt: 'rush', coolantC: 95, by: 'probe', coolantBy: 'probe' }, cold),
      entry('codes', { codes: [] }, cold)
    ];
    const { suspects } = posteriorOf(findingsOf({ symptoms: [], done, runs: [], sheet: curlew }), curlew);
    expect(suspects[0].fault).toBe('sheet-wrong');
  });
  it('but nobody doubts the sheet of a cabin that stays cold: the part is the wrong one', () => {
    const rush = entry('hose-rush', { felt: 'rush', coolantC: 70, by: 'probe', coolantBy: 'probe' }, cold);
    const symptoms = [{ what: 'heater-weak' as const, when: [] }];
    const { suspects } = posteriorOf(findingsOf({ symptoms, done: [rush], runs: [], sheet: curlew }), curlew);
    expect(suspects[0].fault).toBe('thermostat-low-rating');
  });
});

describe('what eyes saw', () => {
  it('an empty system is no opinion: 100 to 1, a low level 15, a dried trace 3', () => {
    expect(ratio('level-and-look', { ...ALL_GOOD, level: 'empty' }, 'coolant-low', cold)).toBeGreaterThan(
      100
    );
    expect(ratio('level-and-look', { ...ALL_GOOD, level: 'low' }, 'coolant-low', cold)).toBeCloseTo(15, 0);
    expect(ratio('level-and-look', { level: null, leaks: 'trace' }, 'coolant-low', cold)).toBeLessThan(3.5);
  });

  it('a slack belt decides for the pump, whatever passed that says nothing of it', () => {
    expect(ratio('level-and-look', { ...ALL_GOOD, belt: 'slack' }, 'pump-flow-low', cold)).toBeGreaterThan(
      50
    );
  });
});

describe('the sensor that lies', () => {
  it('by scan, an early rush is a sensor that reads cold as well as a thermostat', () => {
    const rush = (coolantBy: 'scan' | 'probe') =>
      judge('hose-rush', { felt: 'rush', coolantC: 60, by: 'hand', coolantBy }, cold);
    expect(faults(rush('probe'), 'for')).toEqual(['thermostat-low-rating', 'sheet-wrong']);
    expect(faults(rush('scan'), 'for')).toEqual([
      'thermostat-low-rating',
      'sensor-branch-restricted',
      'sheet-wrong',
      'ect-reads-cold',
      'ect-wrong-part',
      'ect-wiring'
    ]);
    const groups = (['scan', 'probe'] as const).map(
      (by) =>
        findingOf(
          entry('hose-rush', { felt: 'rush', coolantC: 60, by: 'hand', coolantBy: by }, cold),
          curlew
        )!.group
    );
    expect(groups).toEqual(['scan', 'hand']);
  });

  it('a good sensor in the place of one whose error nobody measured accuses nobody', () => {
    const air = { celsius: 12, instrument: { kind: 'glass', uncertaintyC: 0.7 } };
    const swap = (oldOffC: number | null) => judge('ect-substitute', { substituteC: 12, air, oldOffC }, cold);
    expect([swap(null).result, faults(swap(null), 'for')]).toEqual(['unclear', []]);
    expect(faults(swap(null), 'against')).toEqual(['ect-wiring']);
    expect(faults(swap(-20), 'for')).toContain('ect-reads-cold');
  });

  it('the map takes a scan value of 140 °C, which is what a shorted circuit reads', () => {
    const readings = {
      points: { outlet: 90, sensor: 90, scan: 140 },
      instrument: { kind: 'contact', uncertaintyC: 1.5 },
      thermostat: 'open',
      ambientC: 10
    };
    expect(checkOf('temperature-map').readings.safeParse(readings).success).toBe(true);
    expect(checkOf('temperature-map').refuse(readings, curlew)).toEqual([]);
    expect(faults(judge('temperature-map', readings, cold), 'for')).toContain('ect-short-circuit');
  });

  it('an infrared gun on bright metal clears no sensor', () => {
    const reading = (celsius: number, kind: string, uncertaintyC: number) => ({
      celsius,
      instrument: { kind, name: '', uncertaintyC }
    });
    const cleared = (kind: string, u: number) =>
      faults(
        judge(
          'cold-agreement',
          { ect: reading(5, 'scan', 1), iat: null, ambient: null, housing: reading(5.5, kind, u) },
          soaked
        ),
        'against'
      );
    expect(cleared('infrared-bright', 8)).toEqual([]);
    expect(cleared('contact', 1.5)).toContain('ect-reads-cold');
  });
});

describe('the clutch and the fan', () => {
  it('an electronic clutch that has lost its fluid is possible', () => {
    const electronic = { ...fathom, clutch: { kind: 'electronic' as const } };
    expect(cannotHave('clutch-slipping', electronic)).toBeNull();
  });

  it('free at 71 °C and engaged at 74 °C on a sheet of 67 °C is within its play', () => {
    const sheet = {
      ...fathom,
      clutch: { ...fathom.clutch!, kind: 'thermal' as const, engageAirC: 67, releaseAirC: 53 }
    };
    const pair = (fanRpm: number, airC: number) => ({ engineRpm: 1800, fanRpm, airC, sinceStartMin: null });
    const speeds = (pairs: object[]) =>
      judge('clutch-hot-speed', { pairs, pulley: 1, coolantC: null }, context([stopped(14)], sheet));
    expect(speeds([pair(400, 71), pair(1560, 74)]).result).toBe('pass');
    expect(speeds([pair(400, 71)]).result).toBe('unclear');
    expect(speeds([pair(400, 78)]).result).toBe('fail');
  });

  it('a fan that comes on 13 °C early is a switching point, and no shorted controller', () => {
    const parcel = sheetOf('qh-07-parcel');
    const [{ onC, name }] = parcel.fan!.stages!;
    const on = (c: number) =>
      faults(
        judge(
          'fan-switching',
          { stages: [{ name, onC: c, offC: null }], hottestC: onC, by: 'scan', acOn: false, moving: false },
          context([stopped(14)], parcel)
        ),
        'for'
      );
    expect(on(onC - 13)).toEqual(['fan-setpoint-modified']);
    expect(on(onC - 60)).toContain('fan-controller-shorted');
  });
});

describe('a limit that nobody gave', () => {
  it('makes nothing of a hose, a clutch or a needle but unusual', () => {
    const sideOnly: SpecSheet = {
      format: 'pyrethos.spec-sheet',
      version: 1,
      name: 'A van',
      thermostat: { side: 'outlet' }
    };
    const bare = { ...fathom, clutch: { kind: 'thermal' as const } };
    const late = judge(
      'clutch-hot-speed',
      { pairs: [{ engineRpm: 1800, fanRpm: 400, airC: 85, sinceStartMin: null }], pulley: 1, coolantC: null },
      context([stopped(14)], bare)
    );
    expect([late.result, late.typical]).toEqual(['unclear', true]);
    expect(late.says).toContain('engagement temperature would decide');
    const rush = judge(
      'hose-rush',
      { felt: 'rush', coolantC: 60, by: 'hand', coolantBy: 'probe' },
      { ...context([]), sheet: sideOnly }
    );
    expect([rush.result, rush.typical]).toEqual(['unclear', true]);
    expect(rush.says).toContain('start-to-open would decide');
  });

  it('a hose of an engine whose thermostat may sit at either side tells nothing', () => {
    const sheet = { ...curlew, thermostat: { ...curlew.thermostat, side: null } };
    const felt = judge(
      'hose-rush',
      { felt: 'gradual', coolantC: 60, by: 'hand', coolantBy: 'probe' },
      context([], sheet)
    );
    expect([felt.result, faults(felt, 'for')]).toEqual(['unclear', []]);
  });
});

describe('the bath', () => {
  it('0.2 mm at the first reading is not “has not opened”, when it lifts 9 mm later', () => {
    const points = [
      [60, 0.2],
      [80, 0.2],
      [85, 1.5],
      [90, 5],
      [95, 8.5],
      [98, 9]
    ].map(([bathC, liftMm]) => ({ bathC, liftMm, way: 'heating' as const, atMin: null }));
    const { startC, lagC } = readBath(points);
    expect(startC).toBeGreaterThan(80);
    expect(startC).toBeLessThan(86);
    expect(lagC).toBe(0);
  });
});

describe('a sheet that says nothing of the fan', () => {
  const silent = { ...curlew, fan: null, clutch: null };

  it('rules out no fan and no clutch, and thinks the usual one likelier', () => {
    for (const f of ['fan-motor-dead', 'fan-relay-welded', 'fan-controller-dead', 'clutch-slipping'] as const)
      expect(cannotHave(f, silent), f).toBeNull();
    const { suspects } = posteriorOf([], silent);
    const chance = (f: FaultId) => suspects.find((s) => s.fault === f)!.probability / FAULTS[f].prior;
    expect(chance('fan-relay-coil')).toBeGreaterThan(chance('fan-controller-dead'));
    expect(chance('fan-controller-dead')).toBeGreaterThan(chance('clutch-slipping'));
  });

  it('lets a fan that stands still beyond any switching point be found', () => {
    const never = {
      stages: [{ name: 'low', onC: null, offC: null }],
      hottestC: 119,
      by: 'scan',
      acOn: false,
      moving: false
    };
    const judged = checkOf('fan-switching').judge(checkOf('fan-switching').readings.parse(never), {
      ...cold,
      sheet: silent
    });
    expect([judged.result, judged.found]).toEqual(['fail', ['never']]);
  });

  it('still rules out what a sheet that does speak of it leaves out', () => {
    expect(cannotHave('clutch-slipping', curlew)).toBe('no fan clutch');
    expect(cannotHave('fan-controller-dead', curlew)).toBe('no fan controller');
  });
});

it('“P0128, the thermostat” with a weak heater and a level that was seen to be low', () => {
  const bare: SpecSheet = {
    format: 'pyrethos.spec-sheet',
    version: 1,
    name: 'A van',
    fan: { drive: 'relay' }
  };
  for (const sheet of [curlew, bare]) {
    const c = context([stopped(14)], sheet);
    const of = (check: CheckId, readings: object) => entry(check, readings, c);
    const done = [
      of('level-and-look', { ...ALL_GOOD, fixAnyway: [], note: '', level: 'low' }),
      of('codes', { codes: [{ code: 'P0128', state: 'stored' }] })
    ];
    const symptoms = [{ what: 'heater-weak' as const, when: [] }];
    const { suspects } = posteriorOf(findingsOf({ symptoms, done, runs: [], sheet }), sheet);
    const low = suspects.findIndex((s) => s.fault === 'coolant-low');
    expect(low).toBeGreaterThanOrEqual(0);
    expect(low).toBeLessThan(3);
    expect(suspects[low].probability).toBeGreaterThan(0.15);
  }
});
