import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';
import { DEFAULT_COOLING } from '../../physics/heat/state';

const minibus = context([stopped(14)], curlew);
const learned = context([stopped(14)], curlew, { cooling: { ...DEFAULT_COOLING, tauH: 1.5, n: 1 } });
const noSheet = context([stopped(14)], null);

describe('what is told of checks of the engine', () => {
  it.each([
    [{ codes: [] }, 'pass (none of their own): No code stored or pending | in words: No codes'],
    [
      { codes: [{ code: 'P0128', state: 'stored' }] },
      'fail (P0128): P0128: Coolant stays below the temperature the thermostat should regulate | P0128: Coolant stays below the temperature the thermostat should regulate (stored) | but: The control unit may be in failsafe: stays in the warm-up mixture and blocks other self-tests | in words: P0128 stored'
    ],
    [
      { codes: [{ code: 'p0118', state: 'pending' }] },
      'unclear (P0118): P0118 (pending): Coolant temperature sensor 1: signal high, as an open circuit (reads cold) | P0118: Coolant temperature sensor 1: signal high, as an open circuit (reads cold) (pending) | in words: P0118 pending'
    ],
    [
      {
        codes: [
          { code: 'P0118', state: 'permanent' },
          { code: 'P0480', state: 'stored' }
        ]
      },
      'fail (P0118, P0480): P0118, P0480: about engine temperature, sensor or fan | P0118: Coolant temperature sensor 1: signal high, as an open circuit (reads cold) (permanent) | P0480: Fan 1: control circuit (stored) | but: The control unit may be in failsafe: takes a substitute temperature, runs the fan at full speed, may switch the air conditioning off | but: The control unit may be in failsafe: may drive the fan at full speed or not at all; may switch the air conditioning off | in words: P0118 permanent, P0480 stored'
    ],
    [
      { codes: [{ code: 'P0301', state: 'stored' }] },
      'pass (none of their own): No code about engine temperature, sensor or fan; 1 other not about engine temperature | P0301: Not in the standard’s cooling group; see the maker’s information (stored) | in words: P0301 stored'
    ],
    [
      {
        codes: [
          { code: 'P0301', state: 'stored' },
          { code: 'P0420', state: 'pending' },
          { code: 'P0128', state: 'pending' }
        ]
      },
      'unclear (P0128): P0128 (pending): Coolant stays below the temperature the thermostat should regulate; 2 others not about engine temperature | P0301: Not in the standard’s cooling group; see the maker’s information (stored) | P0420: Not in the standard’s cooling group; see the maker’s information (pending) | P0128: Coolant stays below the temperature the thermostat should regulate (pending) | in words: P0301 stored, P0420 pending, P0128 pending'
    ]
  ])('codes: %j', (readings, says) => expect(told('codes', readings, minibus)).toBe(says));

  it.each([
    [
      { hoursStood: 0.5, lastC: 90, ambientC: 10 },
      'fail: 30 min after stopping at 90 °C it is 62.3 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 62.3 °C [below 2 °C] | Stood: 30 min [7.4 h] | Time constant: 2 h, our default | counts from 2026-11-25T14:52:39.932Z | heat: ran-until 2026-11-25T07:30:00.000Z, coolant 90, air 10 | in words: Stood 30 min from 90 °C, ambient 10 °C'
    ],
    [
      { hoursStood: 12, lastC: 90, ambientC: 10 },
      'pass: 12 h after stopping at 90 °C it is 0.2 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 0.2 °C [below 2 °C] | Stood: 12 h [7.4 h] | Time constant: 2 h, our default | heat: ran-until 2026-11-24T20:00:00.000Z, coolant 90, air 10 | in words: Stood 12 h from 90 °C, ambient 10 °C'
    ],
    [
      { hoursStood: 3, lastC: null, ambientC: 10 },
      'fail: 3 h after stopping at 95 °C (assumed) it is 19 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 19 °C [below 2 °C] | Stood: 3 h [7.5 h] | Time constant: 2 h, our default | counts from 2026-11-25T12:29:56.429Z | heat: ran-until 2026-11-25T05:00:00.000Z, coolant null, air 10 | in words: Stood 3 h, ambient 10 °C'
    ],
    [
      { hoursStood: 10, lastC: 6, ambientC: 10 },
      'pass: 10 h after stopping at 6 °C it is 0 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 0 °C [below 2 °C] | Stood: 10 h [0 min] | Time constant: 2 h, our default | heat: ran-until 2026-11-24T22:00:00.000Z, coolant 6, air 10 | sure? The engine stopped at 6 °C, colder than the air at 10 °C | in words: Stood 10 h from 6 °C, ambient 10 °C'
    ],
    [
      { hoursStood: 1, lastC: 7, ambientC: 10 },
      'pass: 1 h after stopping at 7 °C it is 0 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 0 °C [below 2 °C] | Stood: 1 h [0 min] | Time constant: 2 h, our default | heat: ran-until 2026-11-25T07:00:00.000Z, coolant 7, air 10 | in words: Stood 1 h from 7 °C, ambient 10 °C'
    ],
    [
      { hoursStood: 0, lastC: 8, ambientC: 10 },
      'pass: 0 min after stopping at 8 °C it is 0 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 0 °C [below 2 °C] | Stood: 0 min [0 min] | Time constant: 2 h, our default | heat: ran-until 2026-11-25T08:00:00.000Z, coolant 8, air 10 | in words: Stood 0 min from 8 °C, ambient 10 °C'
    ]
  ])('stood: %j', (readings, says) => expect(told('soak', readings, minibus)).toBe(says));

  it.each([
    [
      { hoursStood: 3, lastC: 70, ambientC: 10 },
      'fail: 3 h after stopping at 70 °C it is 8.1 °C above ambient by the cooling law; below 2 °C counts as soaked | Above ambient: 8.1 °C [below 2 °C] | Stood: 3 h [5.1 h] | Time constant: 1.5 h, from 1 cool-down of this vehicle | counts from 2026-11-25T10:06:06.465Z | heat: ran-until 2026-11-25T05:00:00.000Z, coolant 70, air 10 | in words: Stood 3 h from 70 °C, ambient 10 °C'
    ]
  ])('stood, its own time constant: %j', (readings, says) =>
    expect(told('soak', readings, learned)).toBe(says)
  );

  it.each([
    [
      { scanC: 90, swingC: null, warmMin: 5, acOn: false },
      'pass (sound): Stands at 90 °C, within its norm | At warm idle: 90 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | leans from thermostat-low-rating | in words: Stands at 90 °C after 5 min of warm idle'
    ],
    [
      { scanC: 83, swingC: null, warmMin: 5, acOn: false },
      'pass (sound): Stands at 83 °C, within its norm | At warm idle: 83 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | leans to thermostat-low-rating | in words: Stands at 83 °C after 5 min of warm idle'
    ],
    [
      { scanC: 82, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 82 °C, 1 °C below 83 °C: near its norm, not in it | At warm idle: 82 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 82 °C after 5 min of warm idle'
    ],
    [
      { scanC: 79, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 79 °C, 4 °C below 83 °C: near its norm, not in it | At warm idle: 79 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 79 °C after 5 min of warm idle'
    ],
    [
      { scanC: 78, swingC: null, warmMin: 5, acOn: false },
      'fail (low): Stands at 78 °C, 5 °C below 83 °C | At warm idle: 78 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | leans to thermostat-low-rating | in words: Stands at 78 °C after 5 min of warm idle'
    ],
    [
      { scanC: 101, swingC: null, warmMin: 5, acOn: false },
      'pass (sound): Stands at 101 °C, within its norm | At warm idle: 101 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 101 °C after 5 min of warm idle'
    ],
    [
      { scanC: 102, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 102 °C, 1 °C above 101 °C: near its norm, not in it | At warm idle: 102 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 102 °C after 5 min of warm idle'
    ],
    [
      { scanC: 105, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 105 °C, 4 °C above 101 °C: near its norm, not in it | At warm idle: 105 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 105 °C after 5 min of warm idle'
    ],
    [
      { scanC: 106, swingC: null, warmMin: 5, acOn: false },
      'fail (high): Stands at 106 °C, 5 °C above 101 °C | At warm idle: 106 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 106 °C after 5 min of warm idle'
    ],
    [
      { scanC: 106, swingC: null, warmMin: 5, acOn: true },
      'unclear: Stands at 106 °C, 5 °C above 101 °C, with the A/C on: switch it off and read again | At warm idle: 106 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 106 °C after 5 min of warm idle, A/C on'
    ],
    [
      { scanC: -40, swingC: null, warmMin: 5, acOn: false },
      'fail (open): Reads −40 °C, the default of an open circuit | At warm idle: −40 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at −40 °C after 5 min of warm idle'
    ],
    [
      { scanC: 140, swingC: null, warmMin: 5, acOn: false },
      'fail (short): Reads 140 °C, the default of a shorted circuit | At warm idle: 140 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 140 °C after 5 min of warm idle'
    ]
  ])('at warm idle: %j', (readings, says) => expect(told('warm-idle', readings, minibus)).toBe(says));

  it.each([
    [
      { scanC: 90, swingC: 14, warmMin: 5, acOn: false },
      'pass (sound): Stands at 90 °C, within its norm | At warm idle: 90 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | Swung by: 14 °C [up to 14 °C] | leans from thermostat-low-rating | in words: Stands at 90 °C after 5 min of warm idle, swings by 14 °C'
    ],
    [
      { scanC: 90, swingC: 14.1, warmMin: 5, acOn: false },
      'fail (jumps): Swings by 14.1 °C in two minutes of idling: more than an engine does | At warm idle: 90 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 5 min [at least 2 min] | Swung by: 14.1 °C [up to 14 °C] | in words: Stands at 90 °C after 5 min of warm idle, swings by 14.1 °C'
    ],
    [
      { scanC: 90, swingC: null, warmMin: 1.9, acOn: false },
      'unclear: Idled warm for 1.9 min only: wait until it is 2 | At warm idle: 90 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 1.9 min [at least 2 min] | in words: Stands at 90 °C after 1.9 min of warm idle'
    ],
    [
      { scanC: 90, swingC: null, warmMin: 2, acOn: false },
      'pass (sound): Stands at 90 °C, within its norm | At warm idle: 90 °C [83 °C to 101 °C, by the sheet] | Idled warm for: 2 min [at least 2 min] | leans from thermostat-low-rating | in words: Stands at 90 °C after 2 min of warm idle'
    ]
  ])('at warm idle, for so long: %j', (readings, says) =>
    expect(told('warm-idle', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { scanC: 90, swingC: null, warmMin: 5, acOn: false },
      'pass (sound): Stands at 90 °C, within its norm | At warm idle: 90 °C [81 °C to 97 °C, typical; the sheet gives none] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 90 °C after 5 min of warm idle'
    ],
    [
      { scanC: 70, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 70 °C, 11 °C below 81 °C, unusual for such an engine; the sheet’s regulating temperatures would decide | At warm idle: 70 °C [81 °C to 97 °C, typical; the sheet gives none] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 70 °C after 5 min of warm idle'
    ],
    [
      { scanC: 115, swingC: null, warmMin: 5, acOn: false },
      'unclear: Stands at 115 °C, 18 °C above 97 °C, unusual for such an engine; the sheet’s regulating temperatures would decide | At warm idle: 115 °C [81 °C to 97 °C, typical; the sheet gives none] | Idled warm for: 5 min [at least 2 min] | in words: Stands at 115 °C after 5 min of warm idle'
    ]
  ])('at warm idle, without a sheet: %j', (readings, says) =>
    expect(told('warm-idle', readings, noSheet)).toBe(says)
  );
});
