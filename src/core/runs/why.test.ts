import { describe, expect, it } from 'vitest';
import { DRIVES } from '../physics/plant/drive';
import { sheetOf } from '../../../tests/support/check-bench';
import { analyse } from './analyse';
import { logFrom } from './log-from';

const curlew = sheetOf('qh-03-curlew');
const made = (fault: 'none' | 'thermostat-stuck-open', severity: number) =>
  logFrom({
    spec: curlew,
    fault,
    severity,
    legs: DRIVES.mixed,
    ambientC: 4,
    startC: 4,
    columns: 'all',
    seed: 5
  });

describe('the two curves over a trace', () => {
  const log = made('thermostat-stuck-open', 0.8);
  const { why, suspects } = analyse(log, curlew);

  it('are those of a healthy engine and of the leading fault, over the whole run', () => {
    expect(why!.fault!.id).toBe('thermostat-stuck-open');
    expect(suspects[0].fault).toBe('thermostat-stuck-open');
    expect(why!.t.length).toBe(why!.healthy.length);
    expect(why!.t.length).toBe(why!.fault!.ect.length);
    expect(why!.t.length).toBeLessThanOrEqual(240);
    expect(why!.t.at(-1)! / log.t.at(-1)!).toBeGreaterThan(0.97);
  });

  it('of which the fault lies nearer to what was logged, and most so where they part', () => {
    const logged = (s: number) => log.channels.ect_c![log.t.findIndex((t) => t >= s)];
    const off = (ect: readonly number[], within: (s: number) => boolean) => {
      const at = why!.t.flatMap((s, i) => (within(s) ? [Math.abs(ect[i] - logged(s))] : []));
      return at.reduce((sum, d) => sum + d, 0) / at.length;
    };
    const parted = (s: number) => why!.parts.some((p) => s >= p.fromS && s <= p.toS);
    expect(why!.parts.length).toBeGreaterThan(0);
    expect(off(why!.fault!.ect, parted)).toBeLessThan(0.5 * off(why!.healthy, parted));
    expect(off(why!.healthy, (s) => !parted(s))).toBeLessThan(off(why!.healthy, parted));
  });

  it('name no fault where none is likely', () => {
    const healthy = analyse(made('none', 0), curlew);
    const likely = healthy.suspects.filter((s) => s.fault !== 'none' && s.probability >= 0.05);
    expect(healthy.why!.fault?.id ?? null).toBe(likely[0]?.fault ?? null);
  });
});
