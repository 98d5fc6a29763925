import { describe, expect, it } from 'vitest';
import { pointsFromText } from './rows';

const pointsOf = (text: string) => {
  const read = pointsFromText(text);
  return read.ok ? read.value.map(([c, r]) => [Math.round(c * 10) / 10, r]) : read.problems;
};
const THREE = [
  [0, 6735],
  [25, 2300],
  [90, 281.3]
];

describe('points of a sensor from text', () => {
  it.each([
    ['a spreadsheet', '°C\tΩ\n0\t6735\n25\t2300\n90\t281.3'],
    ['a file with commas', 'temperature,resistance\n0,6735\n25,2300\n90,281.3\n'],
    ['a file with decimal commas', '0;6735\n25;2300\n90;281,3'],
    ['a hand', '0 6.735k\n25  2k3\n90 281.3'],
    ['a heading with other units', 'T (°F);R (kΩ)\n32;6.735\n77;2.3\n194;0.2813'],
    ['cells with their own units', '32F, 6.735k\n77F, 2.3 kΩ\n194 °F, 281.3 Ω']
  ])('reads %s', (_, text) => {
    const points = pointsOf(text) as number[][];
    points.forEach(([c, r], i) => {
      expect(c).toBeCloseTo(THREE[i][0], 6);
      expect(r).toBeCloseTo(THREE[i][1], 6);
    });
    expect(points).toHaveLength(3);
  });

  it('names the line of what is no reading, and keeps nothing of the rest', () => {
    expect(pointsOf('°C\tΩ\n0\t6735\n25\tabout 2k')).toEqual([
      {
        line: 3,
        message: expect.stringContaining('“25 about 2k” is not a temperature and a resistance') as string
      }
    ]);
    expect(pointsOf('25')).toEqual([expect.objectContaining({ line: 1 })]);
    expect(pointsOf('')).toEqual([{ message: 'there is no row of a temperature and a resistance' }]);
  });

  it('refuses what no NTC gives, by its row', () => {
    expect(pointsOf('0 6735\n25 7000')).toEqual([expect.objectContaining({ field: 'points.1' })]);
    expect(pointsOf('0 6735\n0 6735')).toEqual([expect.objectContaining({ field: 'points.1' })]);
  });
});
