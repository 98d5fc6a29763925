import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { fitCoolDown, fitTau, hoursUntil, residualC } from './cooling';

describe('the cooling law', () => {
  it('takes 3.56 time constants from 70 °C above ambient to 2 °C', () => {
    expect(hoursUntil(70, 2, 1)).toBeCloseTo(3.56, 2);
    expect(hoursUntil(70, 2)).toBeCloseTo(7.11, 2);
    expect(residualC(70, 7.2)).toBeLessThan(2);
    expect(residualC(70, 7.0)).toBeGreaterThan(2);
  });

  it('leaves e⁻¹ after one time constant and half after 0.693 of it', () => {
    expect(residualC(82, 2)).toBeCloseTo(30.17, 2);
    expect(residualC(80, 2 * 0.693147)).toBeCloseTo(40, 3);
  });

  it('never waits where it is cold already, and gets there when it says so', () => {
    expect(hoursUntil(1, 2)).toBe(0);
    expect(hoursUntil(-5, 2)).toBe(0);
    fc.assert(
      fc.property(
        between(2.1, 120),
        between(0.5, 6),
        (over, tau) => Math.abs(residualC(over, hoursUntil(over, 2, tau), tau) - 2) < 1e-9
      )
    );
  });

  it('refuses time that runs backwards', () => {
    expect(() => residualC(50, -1)).toThrow(RangeError);
    expect(() => residualC(50, 1, 0)).toThrow(RangeError);
  });
});

describe('the time constant of a vehicle', () => {
  it('comes from its own cool-downs, the middle one where they differ', () => {
    // 80 → 20 °C above ambient is two halvings: 2 · 0.6931 τ.
    const seen = (hours: number) => ({ overAmbientC: 80, hours, residualC: 20 });
    expect(fitTau([seen(2.7726)])!.tauH).toBeCloseTo(2, 3);
    const three = fitTau([seen(2.7726), seen(4.1589), seen(3.4657)])!;
    expect(three.tauH).toBeCloseTo(2.5, 3);
    expect(three.longH).toBeGreaterThanOrEqual(3);
    expect(three.n).toBe(3);
  });

  it('says nothing from a stop of minutes, or from one that ended cold', () => {
    expect(fitTau([{ overAmbientC: 80, hours: 0.4, residualC: 60 }])).toBeNull();
    expect(fitTau([{ overAmbientC: 80, hours: 12, residualC: 0.5 }])).toBeNull();
    // Warm the next morning: somebody ran it in between, and it is no engine that cools in three days.
    expect(fitTau([{ overAmbientC: 71, hours: 14, residualC: 58 }])).toBeNull();
    expect(fitTau([{ overAmbientC: 80, hours: 1, residualC: 4 }])).toBeNull();
  });
});

describe('a logged cool-down', () => {
  /** Whole degrees every 10 s of an engine that cools by the law, from `over` above 12 °C. */
  const logged = (tauH: number, minutes: number, over: number, airC = 12) => {
    const hours = Array.from({ length: minutes * 6 }, (_, i) => i / 360);
    return fitCoolDown(
      hours,
      hours.map((h) => Math.round(airC + over * Math.exp(-h / tauH))),
      12
    );
  };

  it('gives τ with an interval that holds it, at any rate an engine cools', () => {
    fc.assert(
      fc.property(
        between(0.8, 3.5),
        fc.integer({ min: 25, max: 120 }),
        between(55, 85),
        between(9, 15),
        (tauH, minutes, over, airC) => {
          const fit = logged(tauH, minutes, over, airC)!;
          expect(fit.shortH).toBeLessThan(tauH);
          expect(fit.longH).toBeGreaterThan(tauH);
          expect(Math.abs(fit.tauH / tauH - 1)).toBeLessThan(0.2);
        }
      ),
      { numRuns: 60 }
    );
  });

  it('is surer the longer it was watched, and says nothing of a few minutes or a rise', () => {
    const width = (minutes: number) => {
      const { shortH, longH } = logged(2, minutes, 75)!;
      return longH - shortH;
    };
    expect(width(30)).toBeLessThan(0.7 * width(9));
    expect(logged(2, 5, 75)).toBeNull();
    expect(logged(2, 20, 8)).toBeNull();
    expect(fitCoolDown([0, 0.5, 1], [60, 70, 80], 12)).toBeNull();
  });

  it('counts among the cool-downs of its vehicle, and its long end is never shortened', () => {
    const fit = { tauH: 1.6, shortH: 1.4, longH: 2.4 };
    expect(fitTau([], [fit])).toEqual({ tauH: 1.6, longH: 2.4, n: 1 });
    const seen = { overAmbientC: 70, hours: 2, residualC: 70 * Math.exp(-2 / 1.8) };
    const both = fitTau([seen], [fit])!;
    expect(both.tauH).toBeCloseTo(1.7, 9);
    expect(both.longH).toBe(2.4);
  });
});
