import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { afterDrains, changeDue, changeInterval, exchangeFor, freezesC, shareFor } from './mixture';

describe('a mixture', () => {
  it('after drains comes nearer to what is poured in: 30 % toward 50 % with 70 % exchanged', () => {
    expect(afterDrains(30, 50, 0.7, 3).map((c) => Math.round(c * 10) / 10)).toEqual([44, 48.2, 49.5]);
    expect(afterDrains(30, 50, 1, 1)).toEqual([50]);
  });
  it('freezes where its table says, and the share for that point is the mixture again', () => {
    expect([0, 30, 50].map(freezesC)).toEqual([0, -14.1, -33.8]);
    fc.assert(
      fc.property(between(0.1, 60), (pct) => {
        expect(shareFor(freezesC(pct))).toBeCloseTo(pct, 6);
      })
    );
    expect(() => freezesC(70)).toThrow('from 0 to 60');
    expect(() => shareFor(-60)).toThrow('no mixture');
  });
  it('is brought to a target by what the balance of glycol wants', () => {
    // 6 L of 30 %: 1.8 L of glycol. To 50 % with concentrate: x out and in, (6 − x)·0.3 + x = 3, so x = 1.714 L.
    expect(exchangeFor(6, 30, 50, 100)).toBeCloseTo(1.7143, 4);
    expect(exchangeFor(6, 50, 35, 0)).toBeCloseTo(1.8, 6);
    expect(exchangeFor(6, 30, 50, 40)).toBeNull();
    expect(exchangeFor(6, 30, 20, 100)).toBeNull();
    expect(exchangeFor(6, 40, 40, 100)).toBe(0);
  });
  it('that is exchanged as said has the share wanted', () => {
    fc.assert(
      fc.property(
        between(2, 40),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 60 }),
        (volume, from, to) => {
          const litres = exchangeFor(volume, from, to, to > from ? 100 : 0);
          if (litres === null || litres === 0) return;
          const glycol = ((volume - litres) * from + litres * (to > from ? 100 : 0)) / volume;
          expect(glycol).toBeCloseTo(to, 6);
        }
      )
    );
  });
});

describe('how long a filling lasts', () => {
  const plan = { firstMonths: 120, firstKm: 160_000, everyMonths: 60, everyKm: null };
  it('is longer for the first one where the maker says so', () => {
    expect(changeInterval(plan, true)).toEqual({ months: 120, km: 160_000, given: true });
    expect(changeInterval(plan, false)).toEqual({ months: 60, km: null, given: true });
    expect(changeInterval({ everyMonths: 36 }, true)).toEqual({ months: 36, km: null, given: true });
  });
  it('is our own where nobody says', () => {
    expect(changeInterval(null, true)).toEqual({ months: 48, km: null, given: false });
  });
});

describe('the next change', () => {
  const due = (more: object = {}) =>
    changeDue({
      changedOn: '2023-11-30',
      today: '2026-11-25',
      everyMonths: 48,
      changedKm: null,
      nowKm: null,
      everyKm: null,
      kmAYear: null,
      ...more
    });
  it('is by date where no distance is known', () => {
    expect(due()).toEqual({ on: '2027-11-30', by: 'date', days: 370, leftKm: null });
    expect(due({ changedOn: '2024-02-29', everyMonths: 12 }).on).toBe('2025-02-28');
  });
  it('is by distance where that comes first, at the pace the vehicle drives', () => {
    const d = due({ changedKm: 40_000, nowKm: 95_000, everyKm: 60_000, kmAYear: 20_000 });
    expect([d.by, d.leftKm, d.days]).toEqual(['distance', 5000, 91]);
    expect(due({ changedKm: 40_000, nowKm: 105_000, everyKm: 60_000 }).days).toBe(0);
  });
});
