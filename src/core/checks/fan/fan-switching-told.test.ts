import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);
const noPoints = context([stopped(14)], { ...curlew, fan: { drive: 'relay' } });
const noSheet = context([stopped(14)], null);
const onTheMove = context([stopped(14)], {
  ...curlew,
  fan: { ...curlew.fan!, stages: [{ name: 'low', onC: 101, offC: 96, movingOnC: 106, movingOffC: 100 }] }
});

describe('what is told of switching points', () => {
  it.each([
    [
      {
        stages: [{ name: 'low', onC: 101, offC: 96 }],
        hottestC: 103,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'pass (sound): On at 101 °C and off at 96 °C, by the sheet | Fan low: on 101 °C, off 96 °C [on 101 °C, off 96 °C] | in words: low on 101 °C off 96 °C; hottest 103 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 101, offC: null }],
        hottestC: 103,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'pass (sound): On at 101 °C, by the sheet | Fan low: on 101 °C [on 101 °C, off 96 °C] | in words: low on 101 °C; hottest 103 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 104, offC: 99 }],
        hottestC: 105,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'pass (sound): On at 104 °C and off at 99 °C, by the sheet | Fan low: on 104 °C, off 99 °C [on 101 °C, off 96 °C] | in words: low on 104 °C off 99 °C; hottest 105 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 105, offC: 100 }],
        hottestC: 106,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: On at 105 °C, off at 100 °C: near the sheet’s 101 °C and 96 °C, not on them | Fan low: on 105 °C, off 100 °C [on 101 °C, off 96 °C] | in words: low on 105 °C off 100 °C; hottest 106 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 101, offC: 92.9 }],
        hottestC: 103,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: On at 101 °C, off at 92.9 °C: near the sheet’s 101 °C and 96 °C, not on them | Fan low: on 101 °C, off 92.9 °C [on 101 °C, off 96 °C] | in words: low on 101 °C off 92.9 °C; hottest 103 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 101, offC: 93 }],
        hottestC: 103,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'pass (sound): On at 101 °C and off at 93 °C, by the sheet | Fan low: on 101 °C, off 93 °C [on 101 °C, off 96 °C] | in words: low on 101 °C off 93 °C; hottest 103 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 106, offC: 101 }],
        hottestC: 107,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: On at 106 °C, off at 101 °C: near the sheet’s 101 °C and 96 °C, not on them | Fan low: on 106 °C, off 101 °C [on 101 °C, off 96 °C] | in words: low on 106 °C off 101 °C; hottest 107 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 107, offC: 101 }],
        hottestC: 108,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'fail (offPoint): Came on at 107 °C, 6 °C late; the sheet says 101 °C | Fan low: on 107 °C, off 101 °C [on 101 °C, off 96 °C] | in words: low on 107 °C off 101 °C; hottest 108 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 107, offC: 101 }],
        hottestC: 108,
        by: 'thermometer',
        acOn: false,
        moving: false
      },
      'fail (offPoint, readsCold): Came on at 107 °C, 6 °C late; the sheet says 101 °C | Fan low: on 107 °C, off 101 °C [on 101 °C, off 96 °C] | in words: low on 107 °C off 101 °C; hottest 108 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 95, offC: 90 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (offPoint): Came on at 95 °C, 6 °C early; the sheet says 101 °C | Fan low: on 95 °C, off 90 °C [on 101 °C, off 96 °C] | in words: low on 95 °C off 90 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 95, offC: 90 }], hottestC: 97, by: null, acOn: false, moving: false },
      'fail (offPoint, readsHot): Came on at 95 °C, 6 °C early; the sheet says 101 °C | Fan low: on 95 °C, off 90 °C [on 101 °C, off 96 °C] | in words: low on 95 °C off 90 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 97, offC: 92 }], hottestC: 99, by: 'scan', acOn: true, moving: false },
      'unclear: Came on at 97 °C with the A/C on, which asks for it. Switch the A/C off and watch again | Fan low: on 97 °C, off 92 °C [on 101 °C, off 96 °C] | in words: low on 97 °C off 92 °C; hottest 99 °C, A/C on'
    ],
    [
      { stages: [{ name: 'low', onC: 99, offC: 94 }], hottestC: 99, by: 'scan', acOn: true, moving: false },
      'pass (sound): On at 99 °C and off at 94 °C, by the sheet | Fan low: on 99 °C, off 94 °C [on 101 °C, off 96 °C] | in words: low on 99 °C off 94 °C; hottest 99 °C, A/C on'
    ],
    [
      { stages: [{ name: 'low', onC: 75, offC: 70 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (offPoint, unasked): Came on at 75 °C, 26 °C early; the sheet says 101 °C | Fan low: on 75 °C, off 70 °C [on 101 °C, off 96 °C] | in words: low on 75 °C off 70 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 76, offC: 70 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (offPoint): Came on at 76 °C, 25 °C early; the sheet says 101 °C | Fan low: on 76 °C, off 70 °C [on 101 °C, off 96 °C] | in words: low on 76 °C off 70 °C; hottest 97 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 102, offC: 97 }],
        hottestC: 101,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'pass (sound): On at 102 °C and off at 97 °C, by the sheet | Fan low: on 102 °C, off 97 °C [on 101 °C, off 96 °C] | sure? A stage came on above the hottest that was read | in words: low on 102 °C off 97 °C; hottest 101 °C'
    ]
  ])('on at 101, off at 96: %j', (readings, says) =>
    expect(told('fan-switching', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 104,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'fail (never): Never came on up to 104 °C; the sheet says 101 °C | Fan low: never came on [on 101 °C, off 96 °C] | in words: low never; hottest 104 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 103,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: Never came on; 103 °C is hardly above its 101 °C: let it get 3 °C hotter | Fan low: never came on [on 101 °C, off 96 °C] | in words: low never; hottest 103 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 100,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: Never came on, and never reached 101 °C: the hottest was 100 °C | Fan low: never came on [on 101 °C, off 96 °C] | in words: low never; hottest 100 °C'
    ]
  ])('that never comes on: %j', (readings, says) =>
    expect(told('fan-switching', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        stages: [{ name: 'low', onC: -40, offC: null }],
        hottestC: -40,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'fail (open): Runs with the reading at −40 °C, the default of a sensor that is not there: failsafe | Fan low: on −40 °C [on 101 °C, off 96 °C] | in words: low on −40 °C; hottest −40 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 140, offC: null }],
        hottestC: 140,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'fail (short): Runs with the reading at 140 °C, the default of a sensor that is not there: failsafe | Fan low: on 140 °C [on 101 °C, off 96 °C] | in words: low on 140 °C; hottest 140 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: 140, offC: null }],
        hottestC: 140,
        by: 'thermometer',
        acOn: false,
        moving: false
      },
      'fail (offPoint, readsCold): Came on at 140 °C, 39 °C late; the sheet says 101 °C | Fan low: on 140 °C [on 101 °C, off 96 °C] | in words: low on 140 °C; hottest 140 °C'
    ]
  ])('in failsafe: %j', (readings, says) => expect(told('fan-switching', readings, minibus)).toBe(says));

  it.each([
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 112,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'fail (never): Never came on up to 112 °C, where any fan runs | Fan low: never came on | in words: low never; hottest 112 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 111,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear (never): Never came on up to 111 °C. Unusual for such an engine, and no more: the sheet’s switching points would decide | Fan low: never came on | in words: low never; hottest 111 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 95,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: The sheet gives no switching points, so there is nothing to hold these against | Fan low: never came on | in words: low never; hottest 95 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 86, offC: 80 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'unclear: The sheet gives no switching points, so there is nothing to hold these against | Fan low: on 86 °C, off 80 °C | in words: low on 86 °C off 80 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 85, offC: 80 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (offPoint): Came on at 85 °C, before the thermostat opens: no engine asks for it there | Fan low: on 85 °C, off 80 °C | in words: low on 85 °C off 80 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 60, offC: 50 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (unasked): Came on at 60 °C, before the thermostat opens: no engine asks for it there | Fan low: on 60 °C, off 50 °C | in words: low on 60 °C off 50 °C; hottest 97 °C'
    ],
    [
      {
        stages: [{ name: 'low', onC: -40, offC: null }],
        hottestC: -40,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: The sheet gives no switching points, so there is nothing to hold these against | Fan low: on −40 °C | in words: low on −40 °C; hottest −40 °C'
    ]
  ])('without switching points: %j', (readings, says) =>
    expect(told('fan-switching', readings, noPoints)).toBe(says)
  );

  it.each([
    [
      {
        stages: [{ name: 'low', onC: null, offC: null }],
        hottestC: 118,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear (never): Never came on up to 118 °C. Unusual for such an engine, and no more: the sheet’s switching points would decide | Fan low: never came on | in words: low never; hottest 118 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 80, offC: 70 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'unclear (offPoint): Came on at 80 °C, before the thermostat opens on most engines. Unusual for such an engine, and no more: the sheet’s switching points would decide | Fan low: on 80 °C, off 70 °C | in words: low on 80 °C off 70 °C; hottest 97 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 50, offC: 40 }], hottestC: 97, by: 'scan', acOn: false, moving: false },
      'fail (unasked): Came on at 50 °C, before the thermostat opens: no engine asks for it there | Fan low: on 50 °C, off 40 °C | in words: low on 50 °C off 40 °C; hottest 97 °C'
    ]
  ])('without a sheet: %j', (readings, says) => expect(told('fan-switching', readings, noSheet)).toBe(says));

  it.each([
    [
      {
        stages: [{ name: 'low', onC: 106, offC: 100 }],
        hottestC: 108,
        by: 'scan',
        acOn: false,
        moving: true
      },
      'pass (sound): On at 106 °C and off at 100 °C, by the sheet | Fan low: on 106 °C, off 100 °C [on 106 °C, off 100 °C] | in words: low on 106 °C off 100 °C; hottest 108 °C, moving'
    ],
    [
      {
        stages: [{ name: 'low', onC: 106, offC: 100 }],
        hottestC: 108,
        by: 'scan',
        acOn: false,
        moving: false
      },
      'unclear: On at 106 °C, off at 100 °C: near the sheet’s 101 °C and 96 °C, not on them | Fan low: on 106 °C, off 100 °C [on 101 °C, off 96 °C] | in words: low on 106 °C off 100 °C; hottest 108 °C'
    ],
    [
      { stages: [{ name: 'low', onC: 101, offC: 96 }], hottestC: 103, by: 'scan', acOn: false, moving: true },
      'unclear: On at 101 °C, off at 96 °C: near the sheet’s 106 °C and 100 °C, not on them | Fan low: on 101 °C, off 96 °C [on 106 °C, off 100 °C] | in words: low on 101 °C off 96 °C; hottest 103 °C, moving'
    ]
  ])('other points on the move: %j', (readings, says) =>
    expect(told('fan-switching', readings, onTheMove)).toBe(says)
  );
});
