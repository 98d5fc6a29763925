import { describe, expect, it } from 'vitest';
import { at, context, curlew, faults, judge, stopped } from '../../../../tests/support/check-bench';
import type { ThermalFact } from '../../physics/heat/state';
import { checkOf } from '../registry';
import { plainText } from '../../units/say';

describe('warm idle', () => {
  const hot = context([], curlew);
  const idle = (scanC: number, more: object = {}, at = hot) =>
    judge('warm-idle', { scanC, swingC: 3, warmMin: 6, acOn: false, ...more }, at);
  // The Curlew's sheet regulates from 84 to 96 °C, and its fan comes on at 101.
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
  it('holds an A/C that runs against no engine that stands too low', () => {
    expect(faults(idle(72, { acOn: true }), 'for')).toContain('thermostat-low-rating');
  });
  it('asks for the temperatures that would decide', () => {
    // The fan's point is on the sheet already.
    expect(idle(70, {}, context([], { ...curlew, regulating: null })).asks).toEqual(['regulating.lowC']);
    expect(idle(70, {}, context([], null)).asks).toEqual(['regulating.lowC', 'regulating.highC']);
  });
  it('holds a reading against whichever is higher, what it regulates to or where its fan holds it', () => {
    const limit = (highC: number) =>
      plainText(idle(90, {}, context([], { ...curlew, regulating: { lowC: 84, highC } })).numbers[0].limit!);
    expect(limit(96)).toBe('84 °C to 101 °C, by the sheet');
    expect(limit(103)).toBe('84 °C to 103 °C, by the sheet');
  });
  it('begins with what a running engine last read, and with nothing of one that stands', () => {
    const begins = (heat: ThermalFact[]) =>
      checkOf('warm-idle').begins({
        heat: context(heat, curlew).thermal,
        sheet: curlew,
        now: at,
        sensor: { offC: null, air: null }
      });
    const minutesAgo = (min: number) => new Date(Date.parse(at) - min * 60_000).toISOString();
    const started: ThermalFact = { kind: 'started', at: minutesAgo(20) };
    const read: ThermalFact = { kind: 'measured', at: minutesAgo(0), coolantC: 91.4, ambientC: 5 };
    expect(begins([started, read])).toEqual({ scanC: 91 });
    expect(begins([started])).toEqual({});
    expect(begins([stopped(1)])).toEqual({});
  });
});
