import { describe, expect, it } from 'vitest';
import { context, curlew, told } from '../../../../tests/support/check-bench';
import type { SpecSheet } from '../../vehicle/spec-sheet';

type Lift = readonly [bathC: number, liftMm: number];
/** A bath on its way up and down, timed where it warms by so much a minute. */
const bath = (
  up: readonly Lift[],
  down: readonly Lift[] = [],
  stampedC: number | null = null,
  perMin = 0
) => ({
  points: [
    ...up.map(([bathC, liftMm]) => ({
      way: 'heating',
      bathC,
      liftMm,
      atMin: perMin === 0 ? null : (bathC - up[0][0]) / perMin
    })),
    ...down.map(([bathC, liftMm]) => ({ way: 'cooling', bathC, liftMm, atMin: null }))
  ],
  stampedC
});
const sheetWith = (thermostat: object) => ({
  ...curlew,
  thermostat: { ...curlew.thermostat!, ...thermostat }
});
const UP: readonly Lift[] = [
  [70, 0],
  [84, 0],
  [88, 1.2],
  [92, 4],
  [96, 6.4],
  [99, 8.1],
  [103, 8.4]
];

describe('what is told of a thermostat in a bath', () => {
  it.each<[string, object, SpecSheet | null, string]>([
    [
      'as the sheet wants, there and back',
      bath(UP, [
        [99, 8.3],
        [94, 6],
        [90, 3.8],
        [84, 0.6],
        [80, 0],
        [70, 0]
      ]),
      curlew,
      'pass (shuts, onTime, lifts, lets): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 80.7 °C [80 °C] | Hysteresis: 3.7 °C [at most 9 °C] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 13 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'with its own figure on it',
      bath(UP, [], 86),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'with the figure of a cooler one',
      bath(UP, [], 82),
      curlew,
      'fail (shuts, onTime, coolerPart, lifts): Stamped 82 °C, and the sheet wants 86 °C | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 82 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 82 °C'
    ],
    [
      'with the figure of a hotter one',
      bath(UP, [], 92),
      curlew,
      'fail (shuts, onTime, lifts): Stamped 92 °C, and the sheet wants 86 °C | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 92 °C | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 92 °C'
    ],
    [
      'a cooler part that says so',
      bath(
        [
          [60, 0],
          [74, 0],
          [78, 1.2],
          [82, 4],
          [86, 6.4],
          [89, 8.1],
          [103, 8.4]
        ],
        [],
        77
      ),
      curlew,
      'fail (shuts, early, coolerPart, lifts): Starts at 74.3 °C, 11.7 °C below the sheet’s 86 °C: a cooler part; stamped 77 °C, and the sheet wants 86 °C | Starts to open: 74.3 °C [86 °C ± 4 °C] | Full open: 89 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 77 °C | leans to thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 74.3 °C, lift 8.4 mm, stamped 77 °C'
    ],
    [
      'a cooler part with the right figure',
      bath(
        [
          [60, 0],
          [74, 0],
          [78, 1.2],
          [82, 4],
          [86, 6.4],
          [89, 8.1],
          [103, 8.4]
        ],
        [],
        86
      ),
      curlew,
      'fail (shuts, early, lifts): Starts at 74.3 °C, 11.7 °C below the sheet’s 86 °C: a cooler part | Starts to open: 74.3 °C [86 °C ± 4 °C] | Full open: 89 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | leans to thermostat-low-rating | in words: 7 readings, starts at 74.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'a hotter part that says so',
      bath(
        [
          [70, 0],
          [88, 0],
          [94, 0.8],
          [98, 3.6],
          [102, 6.2],
          [106, 8.2],
          [110, 8.4]
        ],
        [],
        92
      ),
      curlew,
      'fail (shuts, lifts): Stamped 92 °C, and the sheet wants 86 °C | Starts to open: between 88 °C and 94 °C [86 °C ± 4 °C] | Full open: 106 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 92 °C | but: Readings lie too far apart where it opened, between 88 °C and 94 °C: let it cool, and read every degree or two there | in words: 7 readings, starts between 88 °C and 94 °C, lift 8.4 mm, stamped 92 °C'
    ],
    [
      'late',
      bath([
        [70, 0],
        [88, 0],
        [94, 0.8],
        [98, 3.6],
        [102, 6.2],
        [106, 8.2],
        [110, 8.4]
      ]),
      curlew,
      'unclear (lifts): Starts between 88 °C and 94 °C | Starts to open: between 88 °C and 94 °C [86 °C ± 4 °C] | Full open: 106 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: Readings lie too far apart where it opened, between 88 °C and 94 °C: let it cool, and read every degree or two there | in words: 7 readings, starts between 88 °C and 94 °C, lift 8.4 mm'
    ],
    [
      'lifts less than the sheet wants',
      bath([
        [70, 0],
        [84, 0],
        [88, 1.2],
        [92, 4],
        [96, 5.6],
        [99, 6.1],
        [103, 6.2]
      ]),
      curlew,
      'fail (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 8 mm wanted | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 6.2 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'lifts less than usual, no lift given',
      bath([
        [70, 0],
        [84, 0],
        [88, 1.2],
        [92, 4],
        [96, 5.6],
        [99, 6.1],
        [103, 6.2]
      ]),
      sheetWith({ minLiftMm: null }),
      'unclear (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 7 mm wanted. Unusual for such an engine, and no more: the sheet’s full opening and lift would decide | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 6.2 mm [at least 7 mm, typical; the sheet gives none] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'lifts less than wanted, no full opening given',
      bath([
        [70, 0],
        [84, 0],
        [88, 1.2],
        [92, 4],
        [96, 5.6],
        [99, 6.1],
        [103, 6.2]
      ]),
      sheetWith({ fullOpenC: null }),
      'unclear (shuts, onTime, shortLift): Lifts 6.2 mm at 103 °C, at least 8 mm wanted. Unusual for such an engine, and no more: the sheet’s full opening and lift would decide | Starts to open: 86.4 °C [86 °C ± 4 °C] | Full open: 99 °C [98 °C, typical; the sheet gives none] | Lift: 6.2 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 86.4 °C, lift 6.2 mm'
    ],
    [
      'does not open, no lift given',
      bath([
        [70, 0],
        [84, 0],
        [103, 0]
      ]),
      sheetWith({ minLiftMm: null }),
      'fail (shortLift): Lifts 0 mm at 103 °C, at least 7 mm wanted | Lift: 0 mm [at least 7 mm, typical; the sheet gives none] | in words: 3 readings, lift 0 mm'
    ],
    [
      'hardly opens, no lift given',
      bath([
        [70, 0],
        [84, 0.2],
        [92, 1.6],
        [103, 2]
      ]),
      sheetWith({ minLiftMm: null }),
      'fail (shortLift): Lifts 2 mm at 103 °C, at least 7 mm wanted | Starts to open: between 70 °C and 84 °C [86 °C ± 4 °C] | Lift: 2 mm [at least 7 mm, typical; the sheet gives none] | but: Readings lie too far apart where it opened, between 70 °C and 84 °C: let it cool, and read every degree or two there | in words: 4 readings, starts between 70 °C and 84 °C, lift 2 mm'
    ],
    [
      'drags on its way back',
      bath(UP, [
        [99, 8.3],
        [90, 6],
        [84, 3.8],
        [78, 0.6],
        [72, 0]
      ]),
      curlew,
      'fail (shuts, onTime, lifts, drags): Shuts 11.3 °C below where it opens: it drags | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 73 °C [80 °C] | Hysteresis: 11.3 °C [at most 9 °C] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 12 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'stands open',
      bath([
        [20, 8.4],
        [60, 8.4],
        [103, 8.4]
      ]),
      curlew,
      'fail (leaks, lifts): Open by 8.4 mm when cold: it leaks | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 8.4 mm [at most 0.3 mm] | in words: 3 readings, lift 8.4 mm'
    ],
    [
      'open by 0.4 mm when cold',
      bath([
        [20, 0.4],
        [84, 0.4],
        [88, 1.2],
        [92, 4],
        [96, 6.4],
        [99, 8.1],
        [103, 8.4]
      ]),
      curlew,
      'fail (leaks, onTime, lifts): Open by 0.4 mm when cold: it leaks | Starts to open: 82.5 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0.4 mm [at most 0.3 mm] | leans from thermostat-low-rating | in words: 7 readings, starts at 82.5 °C, lift 8.4 mm'
    ],
    [
      'open by 0.3 mm when cold',
      bath([
        [20, 0.3],
        [84, 0.3],
        [88, 1.2],
        [92, 4],
        [96, 6.4],
        [99, 8.1],
        [103, 8.4]
      ]),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 83.1 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 83.1 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0.3 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 83.1 °C, lift 8.4 mm'
    ],
    [
      'not heated far enough',
      bath([
        [70, 0],
        [84, 0],
        [88, 1.2],
        [92, 4]
      ]),
      curlew,
      'unclear (onTime): Starts at 84.3 °C; heat on to 102 °C for its full lift | Starts to open: 84.3 °C [86 °C ± 4 °C] | Lift: 4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 4 readings, starts at 84.3 °C, lift 4 mm'
    ],
    [
      'not heated far enough to open',
      bath([
        [70, 0],
        [80, 0]
      ]),
      curlew,
      'unclear: Has not opened by 80 °C: go on to 102 °C | Lift: 0 mm [at least 8 mm, by the sheet] | in words: 2 readings, lift 0 mm'
    ],
    [
      'not opened yet, without a sheet',
      bath([
        [70, 0],
        [80, 0]
      ]),
      null,
      'unclear: Has not opened by 80 °C: go on | Lift: 0 mm [at least 7 mm, typical; the sheet gives none] | but: Without a sheet that gives the opening temperature there is nothing to hold these against | in words: 2 readings, lift 0 mm'
    ],
    [
      'without a sheet',
      bath(UP, [], 86),
      null,
      'unclear: Starts at 84.3 °C | Starts to open: 84.3 °C | Full open: 99 °C | Lift: 8.4 mm [at least 7 mm, typical; the sheet gives none] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | but: Without a sheet that gives the opening temperature there is nothing to hold these against | in words: 7 readings, starts at 84.3 °C, lift 8.4 mm, stamped 86 °C'
    ],
    [
      'one reading the wrong way',
      bath([
        [70, 0],
        [84, 0],
        [88, 1.2],
        [90, 0.6],
        [92, 4],
        [96, 6.4],
        [99, 8.1],
        [103, 8.4]
      ]),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: One reading went the wrong way and is left out of the lines | leans from thermostat-low-rating, sheet-wrong | sure? Row 4: the lift went down while heating, 0.6 mm at 90 °C | in words: 8 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'readings the wrong way, both ways',
      bath(
        [
          [70, 0],
          [84, 0],
          [88, 1.2],
          [90, 0.6],
          [92, 4],
          [94, 3],
          [96, 6.4],
          [99, 8.1],
          [103, 8.4]
        ],
        [
          [99, 6],
          [95, 8]
        ]
      ),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 84.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.3 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: 3 readings went the wrong way and are left out of the lines | leans from thermostat-low-rating, sheet-wrong | sure? Row 4: the lift went down while heating, 0.6 mm at 90 °C | sure? Row 6: the lift went down while heating, 3 mm at 94 °C | sure? Row 11: the lift went up while cooling, 8 mm at 95 °C | in words: 11 readings, starts at 84.3 °C, lift 8.4 mm'
    ],
    [
      'heated too fast',
      bath(UP, [], null, 3),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 83.3 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 83.3 °C [86 °C ± 4 °C] | Full open: 98 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | but: The bath warmed at 3 °C a minute; above 2 °C the wax lags, and 1 °C were taken off for it | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 83.3 °C, lift 8.4 mm'
    ],
    [
      'heated slowly',
      bath(UP, [], null, 1),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 84 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84 °C [86 °C ± 4 °C] | Full open: 98.7 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 7 readings, starts at 84 °C, lift 8.4 mm'
    ],
    [
      'one reading',
      bath([[86, 0]]),
      curlew,
      'unclear: Has not opened by 86 °C: go on to 102 °C | Lift: 0 mm [at least 8 mm, by the sheet] | in words: 1 reading, lift 0 mm'
    ],
    [
      'read too far apart',
      bath([
        [70, 0],
        [80, 0],
        [90, 8.4],
        [103, 8.4]
      ]),
      curlew,
      'unclear (lifts): Starts between 80 °C and 90 °C | Starts to open: between 80 °C and 90 °C [86 °C ± 4 °C] | Full open: 90 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | but: Readings lie too far apart where it opened, between 80 °C and 90 °C: let it cool, and read every degree or two there | in words: 4 readings, starts between 80 °C and 90 °C, lift 8.4 mm'
    ],
    [
      'opened between two readings, on time',
      bath([
        [70, 0],
        [84, 0],
        [88, 7],
        [103, 8.4]
      ]),
      curlew,
      'pass (shuts, onTime, lifts): Starts at 84.1 °C and lifts 8.4 mm: as the sheet wants | Starts to open: 84.1 °C [86 °C ± 4 °C] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | leans from thermostat-low-rating, sheet-wrong | in words: 4 readings, starts at 84.1 °C, lift 8.4 mm'
    ],
    [
      'opened between two readings, early and as it says of itself',
      bath(
        [
          [70, 0],
          [78, 0],
          [81, 7],
          [103, 8.4]
        ],
        [],
        80
      ),
      curlew,
      'fail (early, byItsStamp, coolerPart, lifts): Starts at 78 °C, 8 °C below the sheet’s 86 °C: a cooler part; stamped 80 °C, and the sheet wants 86 °C | Starts to open: 78 °C [86 °C ± 4 °C] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Stamped: 80 °C | leans to thermostat-low-rating, sheet-wrong | in words: 4 readings, starts at 78 °C, lift 8.4 mm, stamped 80 °C'
    ],
    [
      'cooled with few readings',
      bath(
        [
          [50, 0],
          [78, 0],
          [88, 1.2],
          [92, 4],
          [96, 6.4],
          [99, 8.1],
          [103, 8.4]
        ],
        [
          [99, 8.1],
          [90, 4],
          [79, 0]
        ]
      ),
      curlew,
      'unclear (lifts): Starts between 78 °C and 88 °C | Starts to open: between 78 °C and 88 °C [86 °C ± 4 °C] | Full open: 99 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Closed again at: 79.3 °C [80 °C] | Lift when cold: 0 mm [at most 0.3 mm] | but: Readings lie too far apart where it opened, between 78 °C and 88 °C: let it cool, and read every degree or two there | in words: 10 readings, starts between 78 °C and 88 °C, lift 8.4 mm'
    ],
    [
      'late, as it says of itself',
      bath(
        [
          [70, 0],
          [91, 0],
          [96, 0.8],
          [99, 3.6],
          [103, 6.2],
          [106, 8.2],
          [110, 8.4]
        ],
        [],
        93
      ),
      curlew,
      'fail (shuts, late, lifts): Starts between 91 °C and 96 °C, 5 °C above the sheet’s 86 °C: late; stamped 93 °C, and the sheet wants 86 °C | Starts to open: between 91 °C and 96 °C [86 °C ± 4 °C] | Full open: 106 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 93 °C | but: Readings lie too far apart where it opened, between 91 °C and 96 °C: let it cool, and read every degree or two there | in words: 7 readings, starts between 91 °C and 96 °C, lift 8.4 mm, stamped 93 °C'
    ],
    [
      'late, with the right figure',
      bath(
        [
          [70, 0],
          [91, 0],
          [96, 0.8],
          [99, 3.6],
          [103, 6.2],
          [106, 8.2],
          [110, 8.4]
        ],
        [],
        86
      ),
      curlew,
      'fail (shuts, late, lifts): Starts between 91 °C and 96 °C, 5 °C above the sheet’s 86 °C: late | Starts to open: between 91 °C and 96 °C [86 °C ± 4 °C] | Full open: 106 °C [99 °C, by the sheet] | Lift: 8.4 mm [at least 8 mm, by the sheet] | Lift when cold: 0 mm [at most 0.3 mm] | Stamped: 86 °C | but: Readings lie too far apart where it opened, between 91 °C and 96 °C: let it cool, and read every degree or two there | in words: 7 readings, starts between 91 °C and 96 °C, lift 8.4 mm, stamped 86 °C'
    ]
  ])('%s', (_, readings, sheet, says) =>
    expect(told('thermostat-bath', readings, context([], sheet))).toBe(says)
  );
});
