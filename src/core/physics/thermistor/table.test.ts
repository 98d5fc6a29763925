import { describe, expect, it } from 'vitest';
import { tableRows } from './table';

const curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 } as const;
const circuit = { referenceV: 5, pullUpOhm: 2200 };

describe('a sensor’s table', () => {
  const [cold, warm] = tableRows({ curve, tolerancePct: 5, circuit, acrossOhm: 10_000 }, [0, 90]);

  it('gives the figures of the reference table', () => {
    expect(cold.ohm).toBeCloseTo(6735.0, 1);
    expect([cold.volts!.toFixed(3), cold.mvPerC!.toFixed(1)]).toEqual(['3.769', '-43.5']);
    expect(cold.hotByC).toBeCloseTo(11.4, 1);
    expect(warm.hotByC).toBeCloseTo(1.0, 1);
  });

  it('turns a tolerance of resistance into degrees: more of them when hot, the high end reading cold', () => {
    // At 90 °C the curve falls by β/T² = 2.65 % a degree, at 0 °C by 4.69 %.
    expect(warm.toleranceC[0]).toBeCloseTo(-5 / 2.65, 0);
    expect(cold.toleranceC[1]).toBeCloseTo(5 / 4.69, 1);
    expect(warm.toleranceC[1] - warm.toleranceC[0]).toBeGreaterThan(cold.toleranceC[1] - cold.toleranceC[0]);
  });

  it('leaves out what it is not told', () => {
    const [bare] = tableRows({ curve, tolerancePct: 3, circuit: null, acrossOhm: null }, [60]);
    expect([bare.volts, bare.mvPerC, bare.countC, bare.hotByC]).toEqual([null, null, null, null]);
  });
});
