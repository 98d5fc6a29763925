import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { resistanceAt, temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';
import { fitBeta, fitSteinhartHart, problemsOfPoints, tableOf, type CurvePoint } from './fit';
import { LIBRARY, matches } from './library';

const reference: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
const on = (curve: Curve, temperatures: readonly number[]): CurvePoint[] =>
  temperatures.map((c) => [c, resistanceAt(curve, c)]);

describe('a curve through readings', () => {
  it('finds β and R25 again, whatever they are', () => {
    fc.assert(
      fc.property(between(200, 50_000), between(2800, 4300), (r25Ohm, betaK) => {
        const { curve, residualC } = fitBeta(on({ kind: 'beta', r25Ohm, betaK }, [0, 40, 90]));
        expect(curve.kind === 'beta' && curve.betaK).toBeCloseTo(betaK, 4);
        expect(curve.kind === 'beta' && curve.r25Ohm / r25Ohm).toBeCloseTo(1, 8);
        expect(residualC).toBeLessThan(1e-6);
      })
    );
  });

  it('finds the three constants of Steinhart and Hart again, far beyond the readings', () => {
    const law: Curve = { kind: 'steinhart-hart', a: 1.4e-3, b: 2.37e-4, c: 9.9e-8 };
    for (const temperatures of [
      [0, 40, 90],
      [-20, 0, 25, 60, 110]
    ]) {
      const fitted = fitSteinhartHart(on(law, temperatures));
      expect(fitted.residualC).toBeLessThan(1e-5);
      for (const c of [-30, 20, 75, 130])
        expect(resistanceAt(fitted.curve, c) / resistanceAt(law, c)).toBeCloseTo(1, 5);
    }
  });

  it('lies between noisy readings, and tells how far off they are', () => {
    const noisy = on(reference, [0, 25, 60, 90]).map(([c, ohm], i): CurvePoint => [
      c,
      ohm * (i % 2 ? 1.02 : 0.98)
    ]);
    const fitted = fitSteinhartHart(noisy);
    expect(fitted.residualC).toBeGreaterThan(0.1);
    expect(fitted.worstC).toBeLessThan(1.5);
    expect(Math.abs(temperatureAt(fitted.curve, 1200) - temperatureAt(reference, 1200))).toBeLessThan(1.5);
  });

  it('never turns round, whatever a meter adds to three readings', () => {
    const noise = between(-0.06, 0.06);
    fc.assert(
      fc.property(fc.tuple(noise, noise, noise), (off) => {
        const noisy = on(reference, [12, 40, 62]).map(([c, ohm], i): CurvePoint => [c, ohm * (1 + off[i])]);
        const { curve } = fitSteinhartHart(noisy);
        const ohms = [-20, 0, 12, 30, 62, 90, 110].map((c) => resistanceAt(curve, c));
        expect(ohms.every((r) => Number.isFinite(r) && r > 0)).toBe(true);
        const among = [12, 25, 40, 50, 62].map((c) => resistanceAt(curve, c));
        expect(among).toEqual(among.toSorted((a, b) => b - a));
      })
    );
  });

  it('is refused where the readings cannot carry it', () => {
    expect(() => fitBeta(on(reference, [40]))).toThrow(/two temperatures/);
    expect(() => fitSteinhartHart(on(reference, [20, 20, 90]))).toThrow(/three temperatures/);
  });
});

describe('a table', () => {
  it('names the row that is wrong, and what would be right', () => {
    const messages = (points: CurvePoint[]) =>
      problemsOfPoints(points).map((p) => `${p.field}: ${p.message}`);
    expect(
      messages([
        [90, 281],
        [0, 6735],
        [25, 2300]
      ])
    ).toEqual([]);
    expect(
      messages([
        [0, 6735],
        [25, 7000]
      ])
    ).toEqual([
      'points.1: row 2 (25\u00a0°C, 7000 Ω) is hotter than row 1 (0\u00a0°C, 6735 Ω) and must be lower in resistance'
    ]);
    expect(
      messages([
        [0, 6735],
        [0, 6700]
      ])[0]
    ).toContain('row 2 (0\u00a0°C, 6700 Ω) repeats the temperature of row 1');
    expect(messages([[25, -3]])[0]).toContain('row 1: -3 Ω is not above 0 Ω');
    expect(messages([[900, 3]])[0]).toContain('900\u00a0°C is not between');
  });

  it('goes through its rows, in whatever order they were typed', () => {
    const table = tableOf([
      [90, 281.3],
      [25, 2300],
      [0, 6735]
    ]);
    expect(resistanceAt(table, 25)).toBeCloseTo(2300, 6);
    expect(temperatureAt(table, 281.3)).toBeCloseTo(90, 6);
  });
});

describe('the library', () => {
  it('holds a dozen families and more, each its own, each falling as it warms', () => {
    expect(LIBRARY.length).toBeGreaterThanOrEqual(12);
    expect(new Set(LIBRARY.map((c) => c.id)).size).toBe(LIBRARY.length);
    for (const { curve } of LIBRARY) {
      for (let c = -30; c < 130; c += 5)
        expect(resistanceAt(curve, c + 5)).toBeLessThan(resistanceAt(curve, c));
      fc.assert(
        fc.property(between(-35, 140), (c) => {
          expect(temperatureAt(curve, resistanceAt(curve, c))).toBeCloseTo(c, 6);
        }),
        { numRuns: 40 }
      );
    }
  });

  it('finds the family that readings came from, with a margin to the next', () => {
    for (const { id, curve } of LIBRARY) {
      const [first, second] = matches(LIBRARY, on(curve, [20, 50, 90]));
      expect(first.id).toBe(id);
      expect(second.residualC - first.residualC).toBeGreaterThan(1);
    }
  });
});
