import { describe, expect, it } from 'vitest';
import { apart, degreesOf, type Drawn } from './trace-drawn';

describe('labels beside a trace', () => {
  it.each([
    ['far from each other stay at their lines', [10, 60, 120], [10, 60, 120]],
    ['two that overlap give way alike', [100, 108], [94, 114]],
    ['at the top go down alone', [0, 4], [0, 20]]
  ])('%s', (_, heights, placed) => {
    const found = apart(heights, 20, 0);
    found.forEach((y, i) => expect(y).toBeCloseTo(placed[i], 3));
  });
});

describe('the degrees a trace spans', () => {
  const drawn: Drawn = {
    t: [0, 60, 120, 180],
    ect: [14, 40, null, 88],
    band: { t: [0, 180], low: [10, 80], mid: [14, 90], high: [18, 96] },
    thresholds: [{ celsius: 114, label: 'Hot', kind: 'limit' }],
    marks: []
  };
  const full = { from: 0, to: 180 };
  it('reach the levels while most of the run is in sight', () => {
    expect(degreesOf(drawn, full, full)).toEqual({ min: 0, max: 120 });
  });
  it('are those of what is in sight once it is looked at closely', () => {
    expect(degreesOf(drawn, { from: 30, to: 100 }, full)).toEqual({ min: 30, max: 50 });
    const beside = { ...drawn, other: { t: [60], ect: [55] } };
    expect(degreesOf(beside, { from: 30, to: 100 }, full)).toEqual({ min: 30, max: 60 });
  });
});
