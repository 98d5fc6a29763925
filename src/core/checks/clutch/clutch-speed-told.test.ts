import { describe, expect, it } from 'vitest';
import { context, fathom, sheetOf, soaked, stopped, told } from '../../../../tests/support/check-bench';

const heron = context([stopped(14)], sheetOf('qh-22-heron'));
const noAir = context([stopped(14)], {
  ...fathom,
  clutch: { ...fathom.clutch!, engageAirC: undefined, releaseAirC: undefined }
});

describe('what is told of the speed of a clutch', () => {
  it.each([
    [
      {
        pairs: [
          { airC: 40, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 },
          { airC: 70, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }
        ],
        pulley: 1,
        coolantC: null
      },
      'pass (sound): Engaged when hot: 87 % of its pulley’s speed | Engaged between: 40 °C and 70 °C [sheet: 66 °C] | 1500 rpm engine, air 40 °C: 450 rpm, slip 70 %: free | 1500 rpm engine, air 70 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/450 rpm at 40 °C, 1500/1300 rpm at 70 °C'
    ],
    [
      { pairs: [{ airC: 49, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'fail (locked): Engaged with air of 49 °C, where it should have let go at 52 °C: locked | 1500 rpm engine, air 49 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/1300 rpm at 49 °C'
    ],
    [
      { pairs: [{ airC: 50, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear: Nothing was measured where it must be engaged or free: let the air behind the radiator reach 69 °C, with part of its face covered where the day is too cool | 1500 rpm engine, air 50 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/1300 rpm at 50 °C'
    ],
    [
      { pairs: [{ airC: 69, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'pass (sound): Engaged when hot: 87 % of its pulley’s speed | 1500 rpm engine, air 69 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/1300 rpm at 69 °C'
    ],
    [
      { pairs: [{ airC: 68, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear (free): Nothing was measured where it must be engaged or free: let the air behind the radiator reach 69 °C, with part of its face covered where the day is too cool | 1500 rpm engine, air 68 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 68 °C'
    ],
    [
      { pairs: [{ airC: 70, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear (freeInPlay): Free at 70 °C of air, within its play of 66 °C: let the air get to 75 °C | 1500 rpm engine, air 70 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 70 °C'
    ],
    [
      { pairs: [{ airC: 75, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'fail (lame): Free when hot: fan 450 rpm of 1500 rpm with air of 75 °C, where it should drive from 66 °C | 1500 rpm engine, air 75 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 75 °C'
    ],
    [
      { pairs: [{ airC: 75, engineRpm: 1500, fanRpm: 900, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'fail (lame): Slips when hot: fan 900 rpm of 1500 rpm with air of 75 °C, where it should drive from 66 °C | 1500 rpm engine, air 75 °C: 900 rpm, slip 40 %: slipping | in words: 1500/900 rpm at 75 °C'
    ],
    [
      { pairs: [{ airC: 40, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear (free): Free with air of 40 °C, as it should be; whether it takes hold shows when it is hot: let the air behind the radiator reach 69 °C, with part of its face covered where the day is too cool | 1500 rpm engine, air 40 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 40 °C'
    ],
    [
      {
        pairs: [
          { airC: 60, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 },
          { airC: 76, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 },
          { airC: 80, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }
        ],
        pulley: 1,
        coolantC: null
      },
      'fail (late): Engages above 76 °C of air only, 66 °C by the sheet: late | Engaged between: 76 °C and 80 °C [sheet: 66 °C] | 1500 rpm engine, air 60 °C: 450 rpm, slip 70 %: free | 1500 rpm engine, air 76 °C: 450 rpm, slip 70 %: free | 1500 rpm engine, air 80 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/450 rpm at 60 °C, 1500/450 rpm at 76 °C, 1500/1300 rpm at 80 °C'
    ],
    [
      {
        pairs: [
          { airC: 60, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 },
          { airC: 70, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 },
          { airC: 55, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 },
          { airC: 50, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }
        ],
        pulley: 1,
        coolantC: null
      },
      'pass (sound): Engaged when hot: 87 % of its pulley’s speed | Engaged between: 60 °C and 70 °C [sheet: 66 °C] | Let go between: 50 °C and 55 °C [sheet: 52 °C] | 1500 rpm engine, air 60 °C: 450 rpm, slip 70 %: free | 1500 rpm engine, air 70 °C: 1300 rpm, slip 13 %: engaged | 1500 rpm engine, air 55 °C: 1300 rpm, slip 13 %: engaged | 1500 rpm engine, air 50 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 60 °C, 1500/1300 rpm at 70 °C, 1500/1300 rpm at 55 °C, 1500/450 rpm at 50 °C'
    ]
  ])('takes hold at 66, lets go at 52: %j', (readings, says) =>
    expect(told('clutch-hot-speed', readings, soaked)).toBe(says)
  );

  it.each([
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: 95 },
      'fail (lame): Free when hot: fan 450 rpm of 1500 rpm, where it should drive from 66 °C | 1500 rpm engine: 450 rpm, slip 70 %: free | but: By the coolant it should be engaged; the air was not measured | in words: 1500/450 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }], pulley: 1, coolantC: 95 },
      'pass (sound): Engaged when hot: 87 % of its pulley’s speed | 1500 rpm engine: 1300 rpm, slip 13 %: engaged | but: By the coolant it should be engaged; the air was not measured | in words: 1500/1300 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: 94 },
      'unclear (free): Nothing was measured where it must be engaged or free: let the air behind the radiator reach 69 °C, with part of its face covered where the day is too cool | 1500 rpm engine: 450 rpm, slip 70 %: free | in words: 1500/450 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear (free): Nothing was measured where it must be engaged or free: let the air behind the radiator reach 69 °C, with part of its face covered where the day is too cool | 1500 rpm engine: 450 rpm, slip 70 %: free | in words: 1500/450 rpm'
    ]
  ])('by the coolant alone: %j', (readings, says) =>
    expect(told('clutch-hot-speed', readings, soaked)).toBe(says)
  );

  it.each([
    [
      { pairs: [{ airC: 80, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 1 }], pulley: 1, coolantC: null },
      'unclear: All within 3 min of the start, or above its cut-out: it drives by its settled oil then. Measure again later | 1500 rpm engine, air 80 °C: 1300 rpm, slip 13 %: settling after the start | in words: 1500/1300 rpm at 80 °C'
    ],
    [
      { pairs: [{ airC: 80, engineRpm: 3700, fanRpm: 1500, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear: All within 3 min of the start, or above its cut-out: it drives by its settled oil then. Measure again later | 3700 rpm engine, air 80 °C: 1500 rpm, slip 59 %: cut out by speed | in words: 3700/1500 rpm at 80 °C'
    ],
    [
      { pairs: [{ airC: 70, engineRpm: 1500, fanRpm: 1600, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'pass (sound): Engaged when hot: 107 % of its pulley’s speed | 1500 rpm engine, air 70 °C: 1600 rpm, slip -7 %: engaged | refused: 1600 rpm is faster than the pulley that drives it (1500 rpm); one mark too many on the fan, or the pulley’s ratio | in words: 1500/1600 rpm at 70 °C'
    ],
    [
      {
        pairs: [{ airC: 70, engineRpm: 1500, fanRpm: 1600, sinceStartMin: 20 }],
        pulley: 1.2,
        coolantC: null
      },
      'pass (sound): Engaged when hot: 89 % of its pulley’s speed | 1500 rpm engine, air 70 °C: 1600 rpm, slip 11 %: engaged | in words: 1500/1600 rpm at 70 °C'
    ]
  ])('at the wrong moment: %j', (readings, says) =>
    expect(told('clutch-hot-speed', readings, soaked)).toBe(says)
  );

  it.each([
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 900, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'pass (inProportion): Turns at 0.60 of its pulley, as it should | Fan over pulley: 0.60 [0.55 to 0.70] | 1500 rpm engine: 900 rpm, slip 40 %: slipping | in words: 1500/900 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 780, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'pass (inProportion): Turns at 0.52 of its pulley, as it should | Fan over pulley: 0.52 [0.55 to 0.70] | 1500 rpm engine: 780 rpm, slip 48 %: slipping | in words: 1500/780 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 765, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'fail (slips): Turns at 0.51 of its pulley, at least 0.55 by the sheet: slips | Fan over pulley: 0.51 [0.55 to 0.70] | 1500 rpm engine: 765 rpm, slip 49 %: slipping | in words: 1500/765 rpm'
    ],
    [
      {
        pairs: [{ airC: null, engineRpm: 1500, fanRpm: 1130, sinceStartMin: 20 }],
        pulley: 1,
        coolantC: null
      },
      'fail (locked): Turns at 0.75 of its pulley, at most 0.70 by the sheet: locked | Fan over pulley: 0.75 [0.55 to 0.70] | 1500 rpm engine: 1130 rpm, slip 25 %: engaged | in words: 1500/1130 rpm'
    ],
    [
      {
        pairs: [{ airC: null, engineRpm: 1500, fanRpm: 1110, sinceStartMin: 20 }],
        pulley: 1,
        coolantC: null
      },
      'pass (inProportion): Turns at 0.74 of its pulley, as it should | Fan over pulley: 0.74 [0.55 to 0.70] | 1500 rpm engine: 1110 rpm, slip 26 %: engaged | in words: 1500/1110 rpm'
    ],
    [
      { pairs: [{ airC: null, engineRpm: 1500, fanRpm: 900, sinceStartMin: 1 }], pulley: 1, coolantC: null },
      'unclear: All within minutes of the start: measure again later | 1500 rpm engine: 900 rpm, slip 40 %: settling after the start | in words: 1500/900 rpm'
    ]
  ])('fixed, 0.55 to 0.70: %j', (readings, says) =>
    expect(told('clutch-hot-speed', readings, heron)).toBe(says)
  );

  it.each([
    [
      { pairs: [{ airC: 85, engineRpm: 1500, fanRpm: 450, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'unclear (lame): Free when hot: fan 450 rpm of 1500 rpm with air of 85 °C, where it should drive from 65 °C. Unusual for such an engine, and no more: the sheet’s engagement temperature would decide | 1500 rpm engine, air 85 °C: 450 rpm, slip 70 %: free | in words: 1500/450 rpm at 85 °C'
    ],
    [
      { pairs: [{ airC: 85, engineRpm: 1500, fanRpm: 1300, sinceStartMin: 20 }], pulley: 1, coolantC: null },
      'pass (sound): Engaged when hot: 87 % of its pulley’s speed | 1500 rpm engine, air 85 °C: 1300 rpm, slip 13 %: engaged | in words: 1500/1300 rpm at 85 °C'
    ]
  ])('without an engagement temperature: %j', (readings, says) =>
    expect(told('clutch-hot-speed', readings, noAir)).toBe(says)
  );
});
