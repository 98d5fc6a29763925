import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { readsWithParallel, readsWithSeries, resistanceAt, temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';

const beta: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
// Worked by hand from three points of the curve above, so all three kinds describe one sensor.
const tableOfBeta: Curve = {
  kind: 'table',
  points: [
    [-20, 18534.7],
    [0, 6735.0],
    [25, 2300],
    [60, 670.1],
    [90, 281.3],
    [110, 170.1]
  ]
};
const steinhart: Curve = { kind: 'steinhart-hart', a: 1.3e-3, b: 2.4e-4, c: 1.1e-7 };

/** A sensor that a maker gave with a third constant below 0: it bends the other way. */
const bentDown: Curve = { kind: 'steinhart-hart', a: 1.0e-3, b: 2.9e-4, c: -1.6e-7 };

describe('the reference sensor, R25 = 2300 Ω, β = 3500 K', () => {
  it.each([
    [-20, 18534.7, -20.1, 0.8],
    [0, 6735.0, -0.3, 11.4],
    [25, 2300.0, 23.8, 30.4],
    [60, 670.1, 55.2, 62.1],
    [90, 281.3, 78.0, 91.0],
    [110, 170.1, 90.2, 110.7]
  ])('at %d °C', (celsius, ohm, series, parallel) => {
    expect(resistanceAt(beta, celsius)).toBeCloseTo(ohm, 1);
    expect(Math.abs(readsWithSeries(beta, celsius, 110) - series)).toBeLessThan(0.06);
    expect(Math.abs(readsWithParallel(beta, celsius, 10_000) - parallel)).toBeLessThan(0.06);
  });
});

describe('every kind of curve', () => {
  it.each([
    ['beta', beta],
    ['table', tableOfBeta],
    ['steinhart-hart', steinhart],
    ['steinhart-hart with a negative third constant', bentDown]
  ] as const)('%s goes there and back', (_, curve) => {
    fc.assert(
      fc.property(between(-40, 150), (t) => {
        expect(temperatureAt(curve, resistanceAt(curve, t))).toBeCloseTo(t, 6);
      })
    );
  });

  it('is a number beyond where the law turns round', () => {
    const turning: Curve = { kind: 'steinhart-hart', a: 1.0e-3, b: 2.9e-4, c: -1.5e-6 };
    for (const t of [-60, -40, 0, 90, 200])
      expect(Number.isFinite(resistanceAt(turning, t)), `${t}`).toBe(true);
  });

  it('interpolates a table in ln R against 1/T, so a table of a β sensor lies on the β curve', () => {
    for (const t of [-10, 12, 40, 75, 100, 125]) {
      expect(Math.abs(temperatureAt(tableOfBeta, resistanceAt(beta, t)) - t)).toBeLessThan(0.05);
    }
  });
});
