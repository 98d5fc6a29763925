import { describe, expect, it } from 'vitest';
import { context, curlew, told } from '../../../../tests/support/check-bench';
import type { SpecSheet } from '../../vehicle/spec-sheet';

/** Readings of bath and lift, °C and mm, on its way up, and down where it was cooled; timed where it warms by so much a minute. */
const heated = (
  up: string,
  {
    down = '',
    stampedC = null,
    perMin = null
  }: { down?: string; stampedC?: number | null; perMin?: number | null } = {}
) => {
  const read = (text: string, way: 'heating' | 'cooling', rate: number | null) =>
    text
      .split(', ')
      .filter(Boolean)
      .map((pair) => pair.split(' ').map(Number))
      .map(([bathC, liftMm], _, [[first]]) => ({
        way,
        bathC,
        liftMm,
        atMin: rate === null ? null : (bathC - first) / rate
      }));
  return { points: [...read(up, 'heating', perMin), ...read(down, 'cooling', null)], stampedC };
};
const UP = '70 0, 84 0, 88 1.2, 92 4, 96 6.4, 99 8.1, 103 8.4';
const COOLER = '60 0, 74 0, 78 1.2, 82 4, 86 6.4, 89 8.1, 103 8.4';
const LATE = '70 0, 93 0, 96 0.8, 99 2.6, 102 4.6, 105 6.6, 108 8.2, 112 8.4';
const SHORT = '70 0, 84 0, 88 1.2, 92 4, 96 5.6, 99 6.1, 103 6.2';
const sheetWith = (thermostat: object) => ({
  ...curlew,
  thermostat: { ...curlew.thermostat!, ...thermostat }
});
const read = (readings: object, sheet: SpecSheet | null = curlew) =>
  told('thermostat-bath', readings, context([], sheet));

describe('what is told of a thermostat in a bath', () => {
  it.each<[string, object, string]>([
    [
      'on time, there and back',
      heated(UP, { down: '99 8.3, 94 6, 90 3.8, 84 0.6, 80 0, 70 0' }),
      'pass (shuts, onTime, lifts, lets): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 80.7 °C [80 °C] | Hysteresis: 3.7 °C [at most 9 °C] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 13 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'on time, with its own figure on it',
      heated(UP, { stampedC: 86 }),
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'on time, with the figure of a cooler one',
      heated(UP, { stampedC: 82 }),
      'fail (shuts, onTime, coolerPart, lifts): Stamped 82 °C, and the sheet wants 86 °C | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 82 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 82 °C'
    ],
    [
      'on time, with the figure of a hotter one',
      heated(UP, { stampedC: 92 }),
      'fail (shuts, onTime, lifts): Stamped 92 °C, and the sheet wants 86 °C | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 92 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 92 °C'
    ],
    [
      'early, with the figure of a cooler one',
      heated(COOLER, { stampedC: 75 }),
      'fail (shuts, early, byItsStamp, coolerPart, lifts): Starts at 74.3 °C, 11.7 °C below the sheet’s 86 °C: a cooler part; stamped 75 °C, and the sheet wants 86 °C | Starts to open: 74.3 °C [86 °C ± 4 °C] | Full open: 89 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 75 °C | leans to thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 74.3 °C, lift 8.4 mm, stamped 75 °C'
    ],
    [
      'early, with the right figure',
      heated(COOLER, { stampedC: 86 }),
      'fail (shuts, early, lifts): Starts at 74.3 °C, 11.7 °C below the sheet’s 86 °C: a cooler part | Starts to open: 74.3 °C [86 °C ± 4 °C] | Full open: 89 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | leans to thermostat-low-rating | in words: 7 readings, starts at 74.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'late, with the figure of a hotter one',
      heated(LATE, { stampedC: 94 }),
      'fail (shuts, byItsStamp, hotterPart, lifts): Starts at 95.3 °C, 9.3 °C above the sheet’s 86 °C: late; stamped 94 °C, and the sheet wants 86 °C | Starts to open: 95.3 °C [86 °C ± 4 °C] | Full open: 108 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 94 °C | leans to sheet-wrong | in words: 8 readings, starts at 95.3 °C, lift 8.4 mm, stamped 94 °C'
    ],
    [
      'late, with the right figure',
      heated(LATE, { stampedC: 86 }),
      'fail (shuts, late, lifts): Starts at 95.3 °C, 9.3 °C above the sheet’s 86 °C: late | Starts to open: 95.3 °C [86 °C ± 4 °C] | Full open: 108 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | leans to sheet-wrong | leans from thermostat-low-rating | in words: 8 readings, starts at 95.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'lifts too little',
      heated(SHORT),
      'fail (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 8 mm wanted | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 6.2 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'drags on its way back',
      heated(UP, { down: '99 8.3, 90 6, 84 3.8, 78 0.6, 72 0' }),
      'fail (shuts, onTime, lifts, drags): Shuts 11.3 °C below where it opens: it drags | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 73 °C [80 °C] | Hysteresis: 11.3 °C [at most 9 °C] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 12 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'stands open',
      heated('20 8.4, 60 8.4, 103 8.4'),
      'fail (leaks, lifts): Open by 8.4 mm when cold: it leaks | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 8.4 mm [at most 0.3 mm] | in words: 3 readings, lift 8.4 mm'
    ],
    [
      'open by 0.4 mm when cold',
      heated('20 0.4, 84 0.4, 88 1.2, 92 4, 96 6.4, 99 8.1, 103 8.4'),
      'fail (leaks, onTime, lifts): Open by 0.4 mm when cold: it leaks | Starts to open: 82.5 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0.4 mm [at most 0.3 mm] | leans from thermostat-low-rating | in words: 7 readings, starts at 82.5 °C, lift 8.4 mm'
    ],
    [
      'open by 0.3 mm when cold',
      heated('20 0.3, 84 0.3, 88 1.2, 92 4, 96 6.4, 99 8.1, 103 8.4'),
      'pass (shuts, onTime, lifts): Starts at 83.1 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 83.1 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0.3 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 83.1 °C, lift 8.4 mm'
    ]
  ])('held against the sheet: %s', (_, readings, says) => expect(read(readings)).toBe(says));

  it.each<[string, object, string]>([
    [
      'open, and not hot enough for its full lift',
      heated('70 0, 84 0, 88 1.2, 92 4'),
      'unclear (onTime): Starts at 84.3 °C; heat on to 102 °C for its full lift | Starts to open: 84.3 °C [86 °C ± 4 °C] | Lift: 4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 4 readings, starts at 84.3 °C, lift 4 mm'
    ],
    [
      'not open yet',
      heated('70 0, 80 0'),
      'unclear: Has not opened by 80 °C: go on to 102 °C | Lift: 0 mm [at least 8 mm, by the sheet] | in words: 2 readings, lift 0 mm'
    ],
    [
      'one reading',
      heated('86 0'),
      'unclear: Has not opened by 86 °C: go on to 102 °C | Lift: 0 mm [at least 8 mm, by the sheet] | in words: 1 reading, lift 0 mm'
    ],
    [
      'readings 10 °C apart where it opened',
      heated('70 0, 80 0, 90 8.4, 103 8.4'),
      'unclear (lifts): Starts between 80 °C and 90 °C | Starts to open: between 80 °C and 90 °C [86 °C ± 4 °C] | Full open: 90 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | but: Readings lie too far apart where it opened, between 80 °C and 90 °C: let it cool, and read every degree or two there | in words: 4 readings, starts between 80 °C and 90 °C, lift 8.4 mm'
    ],
    [
      'readings too far apart, there and back',
      heated('50 0, 78 0, 88 1.2, 92 4, 96 6.4, 99 8.1, 103 8.4', { down: '99 8.1, 90 4, 79 0' }),
      'unclear (lifts): Starts between 78 °C and 88 °C | Starts to open: between 78 °C and 88 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 79.3 °C [80 °C] | Lift when cold: 0 mm [at most 0.3 mm] | but: Readings lie too far apart where it opened, between 78 °C and 88 °C: let it cool, and read every degree or two there | in words: 10 readings, starts between 78 °C and 88 °C, lift 8.4 mm'
    ],
    [
      'readings too far apart, and late all the same',
      heated('70 0, 91 0, 96 0.8, 99 3.6, 103 6.2, 106 8.2, 110 8.4', { stampedC: 93 }),
      'fail (shuts, late, lifts): Starts between 91 °C and 96 °C, 5 °C above the sheet’s 86 °C: late; stamped 93 °C, and the sheet wants 86 °C | Starts to open: between 91 °C and 96 °C [86 °C ± 4 °C] | Full open: 106 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 93 °C | but: Readings lie too far apart where it opened, between 91 °C and 96 °C: let it cool, and read every degree or two there | in words: 7 readings, starts between 91 °C and 96 °C, lift 8.4 mm, stamped 93 °C'
    ],
    [
      'readings too far apart, and early all the same',
      heated('60 0, 70 0, 78 7, 103 8.4', { stampedC: 77 }),
      'fail (early, coolerPart, lifts): Starts between 70 °C and 78 °C, 8 °C below the sheet’s 86 °C: a cooler part; stamped 77 °C, and the sheet wants 86 °C | Starts to open: between 70 °C and 78 °C [86 °C ± 4 °C] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Stamped: 77 °C | but: Readings lie too far apart where it opened, between 70 °C and 78 °C: let it cool, and read every degree or two there | in words: 4 readings, starts between 70 °C and 78 °C, lift 8.4 mm, stamped 77 °C'
    ],
    [
      'readings 4 °C apart where it opened',
      heated('70 0, 84 0, 88 7, 103 8.4'),
      'pass (shuts, onTime, lifts): Starts at 84.1 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.1 °C [86 °C ± 4 °C] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 4 readings, starts at 84.1 °C, lift 8.4 mm'
    ],
    [
      'one reading the wrong way',
      heated('70 0, 84 0, 88 1.2, 90 0.6, 92 4, 96 6.4, 99 8.1, 103 8.4'),
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: One reading went the wrong way and is left out of the lines | leans from thermostat-low-rating, sheet-wrong | sure? Row 4: the lift went down while heating, 0.6 mm at 90 °C | in words: 8 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'readings the wrong way, there and back',
      heated('70 0, 84 0, 88 1.2, 90 0.6, 92 4, 94 3, 96 6.4, 99 8.1, 103 8.4', { down: '99 6, 95 8' }),
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: 3 readings went the wrong way and are left out of the lines | leans from thermostat-low-rating, sheet-wrong | sure? Row 4: the lift went down while heating, 0.6 mm at 90 °C | sure? Row 6: the lift went down while heating, 3 mm at 94 °C | sure? Row 11: the lift went up while cooling, 8 mm at 95 °C | in words: 11 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'heated too fast',
      heated(UP, { perMin: 3 }),
      'pass (shuts, onTime, lifts): Starts at 83.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 83.3 °C [86 °C ± 4 °C] | Full open: 98 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: The bath warmed at 3 °C a minute; above 2 °C the wax lags, and 1 °C were taken off for it | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 83.3 °C, lift 8.4 mm'
    ],
    [
      'heated slowly',
      heated(UP, { perMin: 1 }),
      'pass (shuts, onTime, lifts): Starts at 84 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84 °C [86 °C ± 4 °C] | Full open: 98.7 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84 °C, lift 8.4 mm'
    ]
  ])('that was heated or read too little for more: %s', (_, readings, says) =>
    expect(read(readings)).toBe(says)
  );

  it.each<[string, object, SpecSheet | null, string]>([
    [
      'lifts less than usual, no lift given',
      heated(SHORT),
      sheetWith({ minLiftMm: null }),
      'unclear (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 7 mm wanted. Unusual for such an engine, and no more: the sheet’s full opening and lift would decide | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 6.2 mm [at least 7 mm, typical; the sheet gives none] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'lifts too little, no full opening given',
      heated(SHORT),
      sheetWith({ fullOpenC: null }),
      'unclear (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 8 mm wanted. Unusual for such an engine, and no more: the sheet’s full opening and lift would decide | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [98 °C, typical; the sheet gives none] | Lift: 6.2 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'does not open, no lift given',
      heated('70 0, 84 0, 103 0'),
      sheetWith({ minLiftMm: null }),
      'fail (shortLift): Lifts 0 mm at 103 °C, at least 7 mm wanted | Lift: 0 mm [at least 7 mm, typical; the sheet gives none] | in words: 3 readings, lift 0 mm'
    ],
    [
      'lifts 2 mm, no lift given',
      heated('70 0, 84 0, 88 0.5, 92 1.2, 96 1.7, 103 2'),
      sheetWith({ minLiftMm: null }),
      'fail (shuts, onTime, shortLift): Lifts 2 mm at 103 °C, at least 7 mm wanted | Starts to open: 85.7 °C [86 °C ± 4 °C] | Lift: 2 mm [at least 7 mm, typical; the sheet gives none] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 6 readings, starts at 85.7 °C, lift 2 mm'
    ],
    [
      'not open yet, without a sheet',
      heated('70 0, 80 0'),
      null,
      'unclear: Has not opened by 80 °C: go on | Lift: 0 mm [at least 7 mm, typical; the sheet gives none] | but: Without a sheet that gives the opening temperature there is nothing to hold these against | in words: 2 readings, lift 0 mm'
    ],
    [
      'open, without a sheet',
      heated(UP, { stampedC: 86 }),
      null,
      'unclear: Starts at 84.3 °C | Starts to open: 84.3 °C | Full open: 99 °C | Lift: 8.4 mm [at least 7 mm, typical; the sheet gives none] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | but: Without a sheet that gives the opening temperature there is nothing to hold these against | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 86 °C'
    ]
  ])('where the sheet lacks what it is held against: %s', (_, readings, sheet, says) =>
    expect(read(readings, sheet)).toBe(says)
  );
});
