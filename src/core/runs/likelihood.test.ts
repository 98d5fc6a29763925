import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../tests/support/between';
import {
  binned,
  distance2,
  logLikelihood,
  logSumExp,
  studentLog,
  traceScale,
  withEnsemble
} from './likelihood';

const zones = { freeFromC: 88, freeToC: 102, hotC: 112 };
const scaleOf = (values: Float64Array, slow = 2, fast = 1) =>
  traceScale(values, 1, { zones, slowC: () => slow, fastC: () => fast });
const flat = (celsius: number, n = 1200) => new Float64Array(n).fill(celsius);

describe('the distance between two traces', () => {
  it('is nothing between a trace and itself', () => {
    const scale = scaleOf(flat(60));
    expect(distance2(scale, scale.observed, binned(scale, flat(60)))).toBe(0);
  });

  it('of one bin is the difference over its own uncertainty, squared', () => {
    const scale = scaleOf(flat(60, 30), 3, 4);
    expect(scale.bins).toBe(1);
    expect(distance2(scale, scale.observed, binned(scale, flat(70, 30)))).toBeCloseTo(100 / 25, 9);
  });

  it('weighs a steady offset less where the model may be wrong for minutes', () => {
    const far = (slow: number) => {
      const scale = scaleOf(flat(60), slow, 1);
      return distance2(scale, scale.observed, binned(scale, flat(64)));
    };
    expect(far(4)).toBeLessThan(far(1) / 3);
  });

  it('grows with the offset, whatever its sign', () => {
    const scale = scaleOf(flat(60));
    fc.assert(
      fc.property(between(0.1, 20), fc.constantFrom(-1, 1), (d, sign) => {
        const near = distance2(scale, scale.observed, binned(scale, flat(60 + sign * d)));
        const far = distance2(scale, scale.observed, binned(scale, flat(60 + sign * d * 1.3)));
        expect(far).toBeGreaterThan(near);
      })
    );
  });

  it('counts a degree less between start-to-open and the fan, and beyond hot', () => {
    const between = (a: number, b: number) => {
      const scale = scaleOf(flat(a));
      return distance2(scale, scale.observed, binned(scale, flat(b)));
    };
    expect(between(90, 94)).toBeLessThan(between(70, 74));
    expect(between(120, 124)).toBeLessThan(between(104, 108));
  });

  it('leaves gaps out', () => {
    const holed = flat(60);
    holed.fill(NaN, 300, 900);
    const scale = scaleOf(holed);
    const elsewhere = flat(60);
    elsewhere.fill(140, 300, 900);
    expect(distance2(scale, scale.observed, binned(scale, elsewhere))).toBe(0);
  });

  it('is forgiven in the ways healthy engines differ among themselves', () => {
    const scale = scaleOf(flat(60));
    const members = [-6, -3, 0, 3, 6].map((d) => binned(scale, flat(60 + d)));
    const wide = withEnsemble(scale, members);
    const other = binned(scale, flat(66));
    expect(distance2(wide, wide.observed, other)).toBeLessThan(distance2(scale, scale.observed, other) / 2);
    expect(withEnsemble(scale, members.slice(0, 2))).toBe(scale);
  });
});

describe('log-likelihoods', () => {
  it('put the trace that was logged first, and never rule another out for one bad stretch', () => {
    const observed = flat(85);
    const scale = scaleOf(observed);
    const spoilt = flat(85);
    spoilt.fill(20, 600, 700);
    expect(logLikelihood(scale, observed)).toBeCloseTo(0, 12);
    const asGaussian = -0.5 * distance2(scale, scale.observed, binned(scale, spoilt));
    expect(logLikelihood(scale, spoilt)).toBeGreaterThan(asGaussian / 2);
    expect(studentLog(400, 20)).toBeGreaterThan(-0.5 * 400);
  });

  it('add up safely far below what a double can hold', () => {
    expect(logSumExp([-1000, -1000])).toBeCloseTo(-1000 + Math.LN2, 9);
    expect(logSumExp([-Infinity, -3])).toBe(-3);
    expect(logSumExp([-Infinity])).toBe(-Infinity);
  });
});
