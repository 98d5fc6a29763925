import { describe, expect, it } from 'vitest';
import { SPARK_BOX, sparkOf } from './spark';

const points = (text: string) => text.split(' ').map((p) => p.split(',').map(Number));

describe('a run in miniature', () => {
  const curve = { t: [0, 300, 600], ect: [20, null, 90] };

  it('runs from edge to edge, a hot end above a cold one, and leaves out what was not read', () => {
    const { line, area } = sparkOf({ curve, band: null });
    const [[x0, y0], [x1, y1], ...rest] = points(line);
    expect(rest).toEqual([]);
    expect([x0, x1]).toEqual([0, SPARK_BOX.width]);
    expect(y0).toBeGreaterThan(y1);
    expect(area).toBeNull();
  });

  it('draws the band around, there and back, and stays within its box', () => {
    const t = Array.from({ length: 200 }, (_, i) => i * 3);
    const band = { t, low: t.map((s) => s / 10), high: t.map((s) => 40 + s / 8) };
    const area = points(sparkOf({ curve, band }).area!);
    expect(area.length).toBeLessThan(80);
    expect(area[0][0]).toBe(area[area.length - 1][0]);
    expect(area.every(([, y]) => y >= 0 && y <= SPARK_BOX.height)).toBe(true);
  });

  it('is not flattened by a broken wire', () => {
    const broken = { t: [0, 1, 2], ect: [20, -40, 90] };
    expect(sparkOf({ curve: broken, band: null })).toMatchObject({
      coldY: sparkOf({ curve, band: null }).coldY
    });
  });
});
