import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { context, curlew, faults, judge, sheetOf, stopped } from '../../../../tests/support/check-bench';
import { seeded, normalDraw } from '../../base/random';
import { readBath, type BathPoint } from '../../physics/thermostat/bath';
import { lossIn10Min } from '../coolant/pressure-hold';
import { checkOf } from '../registry';

const minibus = context([stopped(14)], curlew);
const post = context([stopped(14)], sheetOf('qh-07-parcel'));

/** A bath run of a thermostat with a first-order lag, a point every 1.5 °C: worked by closed form of a ramp. */
function bath(
  start: number,
  full: number,
  lift: number,
  more: { rate?: number; lagS?: number; hysteresis?: number; cold?: number; seed?: number } = {}
): BathPoint[] {
  const { rate = 1.5, lagS = 20, hysteresis = 4, cold = 0, seed } = more;
  const random = seed === undefined ? null : seeded(seed);
  const noise = (sd: number) => (random ? sd * normalDraw(random) : 0);
  const at = (way: 'heating' | 'cooling', bathC: number, atMin: number): BathPoint => {
    const wax =
      bathC + (way === 'heating' ? -1 : 1) * ((rate * lagS) / 60) + (way === 'cooling' ? hysteresis : 0);
    const opened = Math.max(cold, Math.min(1, (wax - start) / (full - start)) * lift);
    return { bathC: bathC + noise(0.3), liftMm: Math.max(0, opened + noise(0.05)), way, atMin };
  };
  const up = Array.from({ length: 37 }, (_, i) => at('heating', 54 + 1.5 * i, (1.5 * i) / rate));
  const down = Array.from({ length: 37 }, (_, i) => at('cooling', 108 - 1.5 * i, (54 + 1.5 * i) / rate));
  return [...up, ...down];
}

describe('a thermostat’s bath', () => {
  it('gives back start, full, closing, lift and rate of a made-up one, with the lag taken off', () => {
    fc.assert(
      fc.property(
        // Hot enough at its end to be seen full open.
        between(70, 90),
        between(9, 15),
        between(6, 11),
        between(0.5, 4),
        (start, span, lift, rate) => {
          const b = readBath(bath(start, start + span, lift, { rate }));
          // Open is 0.1 mm of lift, so a little above where the wax begins.
          const onset = start + (0.1 / lift) * span;
          expect(b.startC!).toBeCloseTo(onset, 0);
          expect(Math.abs(b.closedC! - (onset - 4))).toBeLessThan(0.6);
          expect(Math.abs(b.fullC! - (start + span))).toBeLessThan(1.6);
          expect(b.liftMm).toBeCloseTo(lift, 1);
          expect(b.rateCPerMin!).toBeCloseTo(rate, 1);
        }
      ),
      { numRuns: 60 }
    );
  });
  it('takes readings that were typed at one go for readings without times, and nothing off for a lag', () => {
    const timed = (perMin: number) =>
      bath(86, 99, 8.5).map((p) => ({ ...p, atMin: p.way === 'heating' ? (p.bathC - 54) / perMin : null }));
    for (const perMin of [600, Infinity]) {
      const b = readBath(timed(perMin));
      expect([b.rateCPerMin, b.lagC]).toEqual([null, 0]);
      expect(b.startC).not.toBeNull();
    }
    // A strong heater under little water is fast, and still a bath.
    expect(readBath(timed(20)).rateCPerMin).toBeCloseTo(20, 1);
  });
  it('stays within a degree and a half of the truth under a gauge and a thermometer with errors', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const b = readBath(bath(86, 99, 8.5, { seed }));
      expect(Math.abs(b.startC! - 86.1)).toBeLessThan(1.5);
    }
  });

  const judged = (points: BathPoint[], stampedC: number | null = null) =>
    judge('thermostat-bath', { points, stampedC }, minibus);
  it.each<[string, BathPoint[], string, string[]]>([
    ['a sound one', bath(86.5, 99, 9), 'pass', []],
    ['a cooler part', bath(76, 88, 9), 'fail', ['thermostat-low-rating', 'sheet-wrong']],
    ['one that leaks cold', bath(86, 99, 9, { cold: 1.2 }), 'fail', ['thermostat-stuck-open']],
    ['one that hardly lifts', bath(86, 99, 3), 'fail', ['thermostat-stuck-closed']],
    ['one that drags', bath(86, 99, 9, { hysteresis: 13 }), 'fail', ['thermostat-sluggish']],
    [
      'one that starts late',
      bath(95, 107, 9),
      'fail',
      ['thermostat-sluggish', 'thermostat-stuck-closed', 'sheet-wrong']
    ]
  ])('%s', (_, points, result, suspects) => {
    expect([judged(points).result, faults(judged(points), 'for')]).toEqual([result, suspects]);
  });
  it('says that a fast bath runs ahead, and names a lift that went down while heating', () => {
    expect(judged(bath(86, 99, 9, { rate: 4 })).doubts[0]).toMatch(/warmed at 4.°C/);
    const points = bath(86, 99, 9);
    points[30] = { ...points[30], liftMm: 2 };
    const asked = checkOf('thermostat-bath').unlikely({ points, stampedC: null }, minibus);
    expect(asked[0]).toContain('Row 31: the lift went down while heating');
    expect(judged(points).result).toBe('pass');
  });
  it('holds the stamp against the sheet, and asks to go on where it has not opened', () => {
    expect(judged(bath(82, 95, 9), 82).says).toContain('Stamped 82');
    expect(judged(bath(86, 99, 9).slice(0, 12)).says).toContain('Has not opened by 70.5');
  });
});

describe('a thermostat’s heater', () => {
  const heater = (r: object) =>
    judge(
      'thermostat-heater',
      { elementOhm: null, powered: null, afterS: null, unpowered: null, ...r },
      post
    );
  it.each<[string, object, string]>([
    ['open', { elementOhm: 10e6 }, 'fail'],
    ['opens when powered', { elementOhm: 13.5, powered: 'opens', afterS: 120 }, 'pass'],
    ['stays shut', { elementOhm: 13.5, powered: 'stays', afterS: 400 }, 'fail'],
    ['not waited for', { elementOhm: 13.5, powered: 'stays', afterS: 60 }, 'unclear']
  ])('%s', (_, r, result) => expect(heater(r).result).toBe(result));
});

describe('pressure', () => {
  const hold = (points: [number, number][], more: object = {}) =>
    judge(
      'pressure-hold',
      { points: points.map(([min, kPa]) => ({ min, kPa })), seen: 'none', engineRan: false, ...more },
      minibus
    );
  it('loss in ten minutes is the slope of the readings', () => {
    expect(
      lossIn10Min([
        { min: 0, kPa: 110 },
        { min: 5, kPa: 100 },
        { min: 10, kPa: 90 }
      ])
    ).toBeCloseTo(20, 9);
  });
  it('holds, leaks, or rises by itself', () => {
    expect(
      hold([
        [0, 110],
        [10, 108]
      ]).result
    ).toBe('pass');
    expect(
      hold([
        [0, 110],
        [2, 109]
      ]).result
    ).toBe('unclear');
    expect(
      faults(
        hold(
          [
            [0, 110],
            [10, 85]
          ],
          { seen: 'outside' }
        ),
        'for'
      )
    ).toEqual(['coolant-low']);
    expect(
      faults(
        hold(
          [
            [0, 20],
            [0.5, 33],
            [5, 60]
          ],
          { engineRan: true }
        ),
        'for'
      )
    ).toEqual(['combustion-leak']);
    // An engine that warms lifts its pressure by itself.
    const warming = hold(
      [
        [0, 20],
        [10, 48]
      ],
      { engineRan: true }
    );
    expect([warming.result, faults(warming, 'for')]).toEqual(['unclear', []]);
  });
  it('refuses to be pumped far above the cap, and rows that are not in time', () => {
    const fields = (points: [number, number][]) =>
      checkOf('pressure-hold')
        .refuse({ points: points.map(([min, kPa]) => ({ min, kPa })), seen: null, engineRan: false }, curlew)
        .map((p) => p.field);
    expect(
      fields([
        [0, 190],
        [5, 180]
      ])
    ).toEqual(['points.0.kPa']);
    expect(
      fields([
        [5, 100],
        [5, 99]
      ])
    ).toEqual(['points.1.min']);
  });
  it('a cap opens where it is stamped, within its spread', () => {
    const cap = (opensKPa: number[], holds: string | null = 'yes') =>
      judge('cap-test', { opensKPa, holds, seal: 'good' }, minibus);
    expect(cap([108, 112]).result).toBe('pass');
    expect(faults(cap([70, 74]), 'for')).toEqual(['pressure-cap-weak']);
    expect(cap([110], null).result).toBe('unclear');
    expect(cap([160]).says).toContain('strains');
  });
  it('combustion gas is referred on; bubbles alone are not enough', () => {
    const gas = (r: object) =>
      judge(
        'combustion-gas',
        { by: 'fluid', seen: 'gas', bubbles: 'some', dry: true, worked: true, ...r },
        minibus
      );
    expect(gas({}).says).toContain('Refer on');
    expect(gas({ by: 'look' }).result).toBe('unclear');
    expect(gas({ dry: false }).result).toBe('unclear');
    expect(gas({ seen: 'clear', bubbles: 'none' }).result).toBe('pass');
    expect(gas({ seen: 'clear', worked: false, bubbles: 'none' }).result).toBe('unclear');
  });
});
