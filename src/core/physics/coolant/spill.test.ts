import { describe, expect, it } from 'vitest';
import { sitsLow, spillOf } from './spill';

describe('what a quick change of the sensor spills', () => {
  it('follows from the head over the hole: 78.5 mm² at 1.53 m/s, a third of it against a shut cap', () => {
    // 0.62 · 78.54e-6 m² · √(2 · 9.81 · 0.12) m/s · 0.35 = 26.1 mL/s, worked by hand.
    const { leastL, mostL } = spillOf(7);
    expect(leastL).toBeCloseTo(0.0523, 3);
    expect(mostL).toBeCloseTo(0.1569, 3);
  });
  it('is never more than what stands above the sensor', () => {
    expect(spillOf(1).mostL).toBeCloseTo(0.12, 6);
  });
  it('is not offered where the sensor sits low', () => {
    expect(sitsLow('Lower radiator hose')).toBe(true);
    expect(sitsLow('thermostat housing, engine outlet')).toBe(false);
    expect(sitsLow(null)).toBe(false);
  });
});
