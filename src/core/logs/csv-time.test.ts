import { describe, expect, it } from 'vitest';
import { isoOf, readTime, timeFactor, timeFormatOf } from './csv-time';

describe('the format of a time cell', () => {
  it.each([
    ['12.5', undefined, 'seconds'],
    ['12,5', undefined, 'seconds'],
    ['1200', 'ms', 'milliseconds'],
    ['3.5', 'min', 'minutes'],
    ['0.2', 'h', 'hours'],
    ['1764000000', undefined, 'epoch-s'],
    ['1764000000123', undefined, 'epoch-ms'],
    ['08:12:30', undefined, 'clock'],
    ['12:30.5', undefined, 'clock'],
    ['8:05:01 PM', undefined, 'clock'],
    ['2026-11-24 08:12:30', undefined, 'date-time'],
    ['24.11.2026 08:12:30', undefined, 'date-time'],
    ['2026-11-24T08:12:30.250+01:00', undefined, 'date-time'],
    ['morning', undefined, undefined],
    ['', undefined, undefined]
  ])('%s with unit %s is %s', (cell, unit, format) => {
    expect(timeFormatOf(cell, unit)).toBe(format);
  });
});

describe('reading a time', () => {
  it.each([
    ['00:01:30', 90],
    ['01:30', 90],
    ['01:30.25', 90.25],
    ['12:00:00 AM', 0],
    ['12:00:00 PM', 43_200],
    ['100:00:00', 360_000]
  ])('clock %s is %d s', (cell, seconds) => {
    expect(readTime(cell, 'clock')).toBe(seconds);
  });

  it('refuses minutes and seconds that no clock shows', () => {
    expect(readTime('08:61:00', 'clock')).toBeUndefined();
    expect(readTime('08:12:75', 'clock')).toBeUndefined();
    expect(readTime('2026-13-40 08:00:00', 'date-time')).toBeUndefined();
  });

  it('counts seconds across a change of date, whichever way the day is written', () => {
    const gap = (a: string, b: string) => readTime(b, 'date-time')! - readTime(a, 'date-time')!;
    expect(gap('2026-11-24 23:59:50', '2026-11-25 00:00:10')).toBe(20);
    expect(gap('24.11.2026 23:59:50', '25.11.2026 00:00:10')).toBe(20);
    expect(gap('11/24/2026 23:59:50', '11/25/2026 00:00:10')).toBe(20);
    expect(isoOf('24.11.26 08:12:30')).toBe('2026-11-24T08:12:30');
  });

  it('knows seconds a unit for numbers only', () => {
    expect([timeFactor('milliseconds'), timeFactor('minutes'), timeFactor('clock')]).toEqual([
      0.001,
      60,
      undefined
    ]);
  });
});
