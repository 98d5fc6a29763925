import { expect, it } from 'vitest';
import { context, curlew, fathom, faults, judge, stopped } from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';

const c = context([stopped(14)], fathom);
const heard = (cold: string | null, hot: string | null, coolantC: number | null = null, of = c) =>
  judge('clutch-listen', { cold, hot, coolantC }, of);

it('a clutch heard to free and to take hold is neither seized nor slipping', () => {
  const both = heard('fades', 'roars', 96);
  expect(both.result).toBe('pass');
  expect(faults(both, 'against').sort()).toEqual(['clutch-engages-late', 'clutch-seized', 'clutch-slipping']);
});

it('one that roars on is seized, and one that stays quiet counts only where any would have taken hold', () => {
  expect(heard('roars', null).result).toBe('fail');
  expect(faults(heard('roars', null), 'for')).toEqual(['clutch-seized']);
  // Full open is 95 °C on this sheet.
  expect(heard('fades', 'quiet', 97).result).toBe('unclear');
  expect(faults(heard('fades', 'quiet', 97), 'for')).toEqual([]);
  expect(faults(heard('fades', 'quiet', 104), 'for')).toEqual(['clutch-slipping', 'clutch-engages-late']);
  expect(heard('fades', 'quiet', null).result).toBe('unclear');
});

it('quiet from a start alone says nothing, and nothing heard is no pass', () => {
  expect(heard('quiet', null).result).toBe('unclear');
  expect(heard(null, null).result).toBe('unclear');
});

it('is for a viscous clutch alone', () => {
  expect(checkOf('clutch-listen').lacks?.(curlew)).toBe('no fan clutch');
  expect(checkOf('clutch-listen').lacks?.(fathom)).toBeNull();
});
