import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readLog } from '../logs/csv-import';
import { analyse } from './analyse';
import { alignAt, compareFeatures, incomparable } from './compare';

const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
function featuresOf(name: string) {
  const read = readLog(new Uint8Array(readFileSync(`demo/runs/${name}.csv`)));
  if (!read.ok) throw new Error(name);
  return analyse(read.value.log, curlew).features;
}
const leaking = featuresOf('qh-03-ridge-road');
const proof = featuresOf('qh-03-proof');

describe('two runs side by side', () => {
  it('differ where the repair made a difference, and not where it did not', () => {
    const rows = new Map(compareFeatures(leaking, proof).map((r) => [r.name, r]));
    expect(rows.get('Steady temperature')!.judged).toBe('differs');
    expect(rows.get('Steady temperature')!.by).toMatch(/^\+1\d|^\+2\d/);
    expect(rows.get('Start')!.judged).toBe('same');
    expect(rows.get('Opening point')).toMatchObject({ a: '–', judged: 'missing', by: null });
  });

  it('are the same when they are the same run', () => {
    expect(compareFeatures(proof, proof).every((r) => r.judged === 'same')).toBe(true);
  });

  it('say what makes them hard to compare', () => {
    expect(incomparable(leaking, proof)).toEqual([]);
    const standing = { ...proof, segments: proof.segments.filter((x) => x.kind === 'idle'), durationS: 600 };
    const reasons = incomparable(proof, standing).join('; ');
    expect(reasons).toContain('only one of them has a steady stretch');
    expect(reasons).toContain('less than half as long');
    expect(
      incomparable(
        { ...proof, startC: 6, startMinusAmbientC: 0 },
        { ...proof, startC: 30, startMinusAmbientC: 0 }
      ).join()
    ).toContain('24\u202f°C warmer in the second run');
  });

  it('meet at a temperature', () => {
    const a = { t: [0, 10, 20, 30], ect: [20, 40, null, 80] };
    const b = { t: [0, 10, 20, 30], ect: [20, 25, 40, 60] };
    expect(alignAt(a, b, 40)).toBe(-10);
    expect(alignAt(a, b, 70)).toBeNull();
  });
});
