import { describe, expect, it } from 'vitest';
import { normalDraw, seeded } from '../../base/random';
import { resistanceAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';
import { readLadder, type ErrorId, type LadderPoint, type LadderSetting } from './errors';
import { LIBRARY } from './library';

const curve: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
const setting: LadderSetting = { curve, commonSdC: 0.7, airC: 20, others: [], byVolts: null };
const withLibrary = {
  ...setting,
  others: LIBRARY.filter((l) => l.id.startsWith('ntc') && l.id !== 'ntc-2k3-3500')
};
const SIX = [15, 32, 48, 62, 76, 90];
const ladder = (at: readonly number[], ohm: (c: number) => number): LadderPoint[] =>
  at.map((trueC) => ({ trueC, trueSdC: 0.4, ohm: ohm(trueC), ohmSd: 0.004 }));
const healthy = (c: number) => resistanceAt(curve, c);
const across = (a: number, b: number) => (a * b) / (a + b);

describe('a clean ladder', () => {
  it.each<[string, ErrorId, (c: number) => number, number | null]>([
    ['a healthy sensor', 'healthy', healthy, null],
    ['110 Ω in series', 'series', (c) => healthy(c) + 110, 110],
    ['3 kΩ across', 'parallel', (c) => across(healthy(c), 3000), 3000],
    ['a shift of 9 °C', 'shift', (c) => healthy(c - 9), -9],
    ['one and a half times the resistance', 'factor', (c) => 1.5 * healthy(c), 1.5]
  ])('tells %s', (_, id, ohm, size) => {
    const read = readLadder(ladder(SIX, ohm), setting);
    // A shift and a factor look nearly alike over an engine's range; the others do not.
    expect(read.explanations.slice(0, 2).map((e) => e.id)).toContain(id);
    const found = read.explanations.find((e) => e.id === id)!;
    if (size !== null) {
      expect(found.size! / size).toBeCloseTo(1, 1);
      expect(Math.min(found.low!, found.high!)).toBeLessThan(size);
      expect(Math.max(found.low!, found.high!)).toBeGreaterThan(size);
    }
  });

  it('finds a healthy sensor of another family, by name', () => {
    const other = LIBRARY.find((l) => l.id === 'ntc-2k8-3900')!;
    const { best, settled } = readLadder(
      ladder(SIX, (c) => resistanceAt(other.curve, c)),
      withLibrary
    );
    expect([best.id, best.curveId, settled]).toEqual(['other-curve', 'ntc-2k8-3900', true]);
  });

  it('finds a reference voltage that is off, where volts were measured', () => {
    const byVolts = { referenceV: 5, pullUpOhm: 2200 };
    const seen = (c: number) => {
      const volts = (4.2 * healthy(c)) / (healthy(c) + 2200);
      return (2200 * volts) / (5 - volts);
    };
    const read = readLadder(ladder(SIX, seen), { ...setting, byVolts });
    const found = read.explanations.find((e) => e.id === 'reference')!;
    expect(found.size).toBeCloseTo(4.2, 2);
    expect(read.best.id).toBe('reference');
  });

  it('knows an open and a shorted circuit at once', () => {
    expect(
      readLadder(
        ladder([20, 60], () => 5e6),
        setting
      ).best.id
    ).toBe('open');
    expect(
      readLadder(
        ladder([20], () => 0.4),
        setting
      ).best.id
    ).toBe('short');
  });
});

describe('too little', () => {
  it('says why nothing can be fitted, and still how far each point reads off', () => {
    const close = readLadder(
      ladder([80, 81, 82], (c) => healthy(c) + 110),
      setting
    );
    expect(close.notFitted).toMatch(/one temperature/);
    expect(close.settled).toBe(false);
    expect(close.readsOffC[0]).toBeLessThan(-8);
    expect(readLadder(ladder([20, 90], healthy), setting).notFitted).toMatch(/at least three/);
    expect(() => readLadder([], setting)).toThrow(RangeError);
  });

  it('names the reading that would tell two explanations apart, and it does', () => {
    const ohm = (c: number) => healthy(c) + 15;
    const three = readLadder(ladder([70, 78, 88], ohm), setting);
    expect(three.settled).toBe(false);
    const next = three.next!;
    expect(next.apart).toBeGreaterThan(1.5);
    const four = readLadder(ladder([70, 78, 88, next.celsius], ohm), setting);
    const lead = ({ best, rival }: typeof four) => rival!.aicc - best.aicc;
    expect(four.best.id).toBe('series');
    expect(lead(four)).toBeGreaterThan(lead(three) + 1);
  });

  it('does not hold a sensor for healthy on cold readings alone: a contact in series shows when hot', () => {
    const cold = readLadder(
      ladder([15, 25, 35], (c) => healthy(c) + 40),
      setting
    );
    expect(cold.best.id).toBe('healthy');
    expect(cold.settled).toBe(false);
    expect(cold.next!.celsius).toBeGreaterThan(80);
    expect(readLadder(ladder([...SIX, 104], healthy), setting).settled).toBe(true);
  });
});

describe('noisy ladders', () => {
  /** As a workshop measures: a thermometer off by one and the same amount, each reading a little, the meter too. */
  function tried(ohm: (c: number) => number, id: ErrorId, size: number, at = SIX) {
    const random = seeded(41);
    let [named, inside] = [0, 0];
    const TIMES = 150;
    for (let k = 0; k < TIMES; k++) {
      const off = 0.7 * normalDraw(random);
      const points = at.map((c): LadderPoint => ({
        trueC: c + off + 0.4 * normalDraw(random),
        trueSdC: 0.4,
        ohm: ohm(c) * (1 + 0.004 * normalDraw(random)),
        ohmSd: 0.004
      }));
      const read = readLadder(points, setting);
      const found = read.explanations.find((e) => e.id === id)!;
      if (read.best.id === id) named++;
      if (found.low! <= size && size <= found.high!) inside++;
    }
    return { named: named / TIMES, inside: inside / TIMES };
  }

  it.each<[string, (c: number) => number, ErrorId, number]>([
    ['60 Ω in series', (c) => healthy(c) + 60, 'series', 60],
    ['250 Ω in series', (c) => healthy(c) + 250, 'series', 250],
    ['6 kΩ across', (c) => across(healthy(c), 6000), 'parallel', 6000],
    ['1.5 kΩ across', (c) => across(healthy(c), 1500), 'parallel', 1500]
  ])('%s: named nearly always, its size in the interval nine times in ten', (_, ohm, id, size) => {
    const { named, inside } = tried(ohm, id, size);
    expect(named).toBeGreaterThan(0.9);
    expect(inside).toBeGreaterThan(0.84);
    expect(inside).toBeLessThan(0.97);
  });

  it('a healthy one is left alone', () => {
    const random = seeded(5);
    let blamed = 0;
    for (let k = 0; k < 200; k++) {
      const off = 0.7 * normalDraw(random);
      const points = SIX.map((c): LadderPoint => ({
        trueC: c + off + 0.4 * normalDraw(random),
        trueSdC: 0.4,
        ohm: healthy(c) * (1 + 0.004 * normalDraw(random)),
        ohmSd: 0.004
      }));
      const { best, settled } = readLadder(points, setting);
      if (settled && best.id !== 'healthy') blamed++;
    }
    expect(blamed / 200).toBeLessThan(0.03);
  });
});

describe('the noise of a ladder', () => {
  /** Minus twice the log of a multivariate normal, by elimination on the written-out covariance: no identity is used. */
  function byElimination(covariance: number[][], residual: number[]): number {
    const a = covariance.map((row, i) => [...row, residual[i]]);
    const n = a.length;
    let logDet = 0;
    for (let k = 0; k < n; k++) {
      logDet += Math.log(a[k][k]);
      for (let i = k + 1; i < n; i++) {
        const f = a[i][k] / a[k][k];
        for (let j = k; j <= n; j++) a[i][j] -= f * a[k][j];
      }
    }
    const x = Array<number>(n).fill(0);
    for (let i = n - 1; i >= 0; i--)
      x[i] = (a[i][n] - a[i].slice(i + 1, n).reduce((sum, v, j) => sum + v * x[i + 1 + j], 0)) / a[i][i];
    return logDet + residual.reduce((sum, r, i) => sum + r * x[i], 0);
  }

  it('is one shift of all points and one share of what a surface is above the air, besides each point’s own', () => {
    const points = ladder(SIX, (c) => healthy(c) * (1 + 0.0004 * (c - 40))).map((p, i) => ({
      ...p,
      onSurface: i !== 1
    }));
    const slope = (c: number) => Math.log(healthy(c + 0.5) / healthy(c - 0.5));
    const covariance = points.map((p, i) =>
      points.map((q, j) => {
        const [g, h] = [slope(p.trueC), slope(q.trueC)];
        const over = (x: typeof p) => (x.onSurface ? Math.max(0, x.trueC - 20) : 0);
        const shared = 0.7 ** 2 * g * h + 0.025 ** 2 * g * over(p) * h * over(q);
        return shared + (i === j ? (g * 0.4) ** 2 + 0.004 ** 2 : 0);
      })
    );
    const residual = points.map((p) => Math.log(p.ohm / healthy(p.trueC)));
    const found = readLadder(points, setting).explanations.find((e) => e.id === 'healthy')!;
    expect(found.misfit).toBeCloseTo(byElimination(covariance, residual), 8);
  });
});
