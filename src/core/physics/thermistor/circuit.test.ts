import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { meaningsOf, ohmsOf, pullUpIn, rangeAt, resolutionAt, voltsOf, type SensorCircuit } from './circuit';
import { resistanceAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';
import { LIBRARY } from './library';
import { readsHotBy, resistorFor, switchesAt } from './parallel';

const reference: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
const single: SensorCircuit = { referenceV: 5, pullUpOhm: 2200 };
const switched: SensorCircuit = {
  referenceV: 5,
  pullUpOhm: 10_000,
  warm: { pullUpOhm: 1000, toWarmC: 50, toColdC: 42 }
};

const curves = LIBRARY.map((l) => l.curve);

describe('the divider', () => {
  it.each([
    [-20, 4.469, -25.9],
    [0, 3.769, -43.5],
    [25, 2.556, -49.2],
    [60, 1.167, -28.2],
    [90, 0.567, -13.3],
    [110, 0.359, -7.9]
  ])('at %i °C shows %f V and moves %f mV a degree', (celsius, volts, mv) => {
    const at = resolutionAt(single, reference, celsius);
    expect(at.volts).toBeCloseTo(volts, 3);
    expect(at.mvPerC).toBeCloseTo(mv, 1);
    // A count of ten bits is 4.88 mV.
    expect(at.countC).toBeCloseTo(4.883 / Math.abs(mv), 1);
  });

  it('goes there and back for every curve and circuit, in either range', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...curves),
        fc.constantFrom(single, switched),
        between(-30, 125),
        fc.boolean(),
        (curve, circuit, celsius, rising) => {
          const range = rangeAt(circuit, celsius, rising);
          const volts = voltsOf(circuit, resistanceAt(curve, celsius), range);
          expect(ohmsOf(circuit, volts, range) / resistanceAt(curve, celsius)).toBeCloseTo(1, 6);
          const meant = meaningsOf(circuit, curve, volts).find((m) => m.range === range)!;
          expect(meant.celsius).toBeCloseTo(celsius, 4);
        }
      )
    );
  });

  it('refuses volts that no sensor can give', () => {
    for (const volts of [0, -1, 5, 7])
      expect(() => ohmsOf(single, volts, 'cold')).toThrow(/between 0 and the reference of 5 V/);
  });
});

describe('a switched pull-up', () => {
  it('jumps up in volts while the temperature reads on', () => {
    const ohm = resistanceAt(reference, 50);
    expect(pullUpIn(switched, 'warm')).toBeCloseTo(909.1, 1);
    // 928 Ω at 50 °C: 5·928/10928 before, 5·928/1837 after.
    expect(voltsOf(switched, ohm, 'cold')).toBeCloseTo(0.424, 2);
    expect(voltsOf(switched, ohm, 'warm')).toBeCloseTo(2.525, 2);
    expect([rangeAt(switched, 46, true), rangeAt(switched, 46, false)]).toEqual(['cold', 'warm']);
  });

  it('gives both temperatures of a voltage that could be either, and one where only one can be', () => {
    const both = meaningsOf(switched, reference, voltsOf(switched, resistanceAt(reference, 60), 'warm'));
    expect(both.map((m) => m.range)).toEqual(['cold', 'warm']);
    expect(both[1].celsius).toBeCloseTo(60, 6);
    expect(both[0].celsius).toBeLessThan(50);
    // 4.4 V would be some 75 °C too cold for the warm range: only the cold one is left.
    const meant = meaningsOf(switched, reference, 4.4);
    expect(meant).toHaveLength(1);
  });
});

describe('a resistor across the sensor', () => {
  it.each([
    [1000, 91.7],
    [2200, 97.0],
    [470, 78.5]
  ])('of %i Ω moves a fan from 101 °C to %f °C', (ohm, celsius) => {
    expect(switchesAt(reference, 101, ohm)).toBeCloseTo(celsius, 1);
    expect(resistorFor(reference, 101, switchesAt(reference, 101, ohm)!)).toBeCloseTo(ohm, 4);
  });

  it('reads hot everywhere, worst when cold', () => {
    expect(readsHotBy(reference, 90, 10_000)).toBeCloseTo(1.0, 1);
    expect(readsHotBy(reference, -20, 10_000)).toBeCloseTo(20.8, 1);
    fc.assert(
      fc.property(fc.integer({ min: -20, max: 110 }), fc.integer({ min: 100, max: 50_000 }), (c, ohm) => {
        expect(readsHotBy(reference, c, ohm)).toBeGreaterThan(0);
        expect(readsHotBy(reference, c - 10, ohm)).toBeGreaterThan(readsHotBy(reference, c, ohm));
      })
    );
  });

  it('below the resistance it switches at is no switching point at all, and none makes it switch later', () => {
    expect(switchesAt(reference, 101, 200)).toBeNull();
    expect(() => resistorFor(reference, 101, 105)).toThrow(/sooner/);
  });
});
