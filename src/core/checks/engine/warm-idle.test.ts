import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge } from '../../../../tests/support/check-bench';
import { plainText } from '../../units/say';

describe('warm idle', () => {
  const hot = context([], curlew);
  const idle = (scanC: number, more: object = {}, at = hot) =>
    judge('warm-idle', { scanC, swingC: 3, warmMin: 6, acOn: false, ...more }, at);
  // The Curlew's sheet regulates from 84 to 96 °C, and its fan comes on at 98.
  it('stands in its norm, below it, above it', () => {
    expect(idle(90).result).toBe('pass');
    expect(faults(idle(90), 'against')).toContain('thermostat-low-rating');
    expect(idle(72).result).toBe('fail');
    expect(faults(idle(72), 'for')).toEqual([
      'thermostat-low-rating',
      'thermostat-stuck-open',
      'sensor-branch-restricted',
      'sheet-wrong',
      'ect-reads-cold',
      'ect-wrong-part',
      'ect-wiring'
    ]);
    expect(faults(idle(108), 'for')).toContain('ect-reads-hot');
    expect(idle(108, { acOn: true }).result).toBe('unclear');
  });
  it('says no more against a typical norm than that it is unusual', () => {
    const bare = context([], { ...curlew, regulating: null });
    const low = idle(70, {}, bare);
    expect([low.result, faults(low, 'for')]).toEqual(['unclear', []]);
    expect(plainText(low.says)).toContain('would decide');
  });
  it('knows a default, a jump, and an engine that is not warm yet', () => {
    expect(faults(idle(-40), 'for')).toEqual(['ect-open-circuit', 'ect-wiring']);
    expect(plainText(idle(140).says)).toContain('a shorted circuit');
    expect(faults(idle(90, { swingC: 40 }), 'for')).toEqual(['ect-intermittent']);
    expect(idle(60, { warmMin: 1 }).result).toBe('unclear');
  });
});
