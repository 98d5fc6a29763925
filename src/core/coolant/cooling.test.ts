import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitTau, hoursUntil, residualC } from './cooling';

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
        fc.double({ min: 2.1, max: 120, noNaN: true }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
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
  });
});
