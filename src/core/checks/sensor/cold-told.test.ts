import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of readings on a cold engine', () => {
  it.each([
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 10, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'pass (sound): Reads within 3 °C of the thermometer at its housing | ECT less Sensor housing: 0 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 10, air null | sensor: 10 for 10 ± 0.8, both, at sensor | in words: ECT 10 °C, Sensor housing 10 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 13, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'pass (sound): Reads within 3 °C of the thermometer at its housing | ECT less Sensor housing: −3 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 13, air null | sensor: 10 for 13 ± 0.8, both, at sensor | in words: ECT 10 °C, Sensor housing 13 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 14, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'unclear: Reads 4 °C ± 1.8 °C below the thermometer at its housing: between the limits of 3 °C and 5 °C, or more than these instruments can tell | ECT less Sensor housing: −4 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 14, air null | sensor: 10 for 14 ± 0.8, both, at sensor | in words: ECT 10 °C, Sensor housing 14 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 15, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'unclear: Reads 5 °C ± 1.8 °C below the thermometer at its housing: between the limits of 3 °C and 5 °C, or more than these instruments can tell | ECT less Sensor housing: −5 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 15, air null | sensor: 10 for 15 ± 0.8, both, at sensor | in words: ECT 10 °C, Sensor housing 15 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 16, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'fail (below): Reads 6 °C ± 1.8 °C below the thermometer at its housing; more than 5 °C is a finding | ECT less Sensor housing: −6 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 16, air null | sensor: 10 for 16 ± 0.8, both, at sensor | in words: ECT 10 °C, Sensor housing 16 °C'
    ],
    [
      {
        ect: { celsius: 16, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 10, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'fail (above): Reads 6 °C ± 1.8 °C above the thermometer at its housing; more than 5 °C is a finding | ECT less Sensor housing: +6 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 10, air null | sensor: 16 for 10 ± 0.8, both, at sensor | in words: ECT 16 °C, Sensor housing 10 °C'
    ],
    [
      {
        ect: { celsius: 16, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 10, instrument: { kind: 'infrared-bright', uncertaintyC: 8 } },
        iat: null,
        ambient: null
      },
      'unclear: Reads 6 °C ± 8.1 °C above the thermometer at its housing: between the limits of 3 °C and 5 °C, or more than these instruments can tell | ECT less Sensor housing: +6 °C ± 8.1 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 10, air null | sensor: 16 for 10 ± 4.1, both, at sensor | sure? An infrared gun on bright metal reads low: which surface was it? Matt tape gives a reading that counts | in words: ECT 16 °C, Sensor housing 10 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 10, instrument: { kind: 'infrared-bright', uncertaintyC: 8 } },
        iat: null,
        ambient: null
      },
      'unclear: Reads 0 °C ± 8.1 °C below the thermometer at its housing: between the limits of 3 °C and 5 °C, or more than these instruments can tell | ECT less Sensor housing: 0 °C ± 8.1 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 10, air null | sensor: 10 for 10 ± 4.1, both, at sensor | sure? An infrared gun on bright metal reads low: which surface was it? Matt tape gives a reading that counts | in words: ECT 10 °C, Sensor housing 10 °C'
    ],
    [
      {
        ect: { celsius: -39, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: null,
        ambient: { celsius: 10, instrument: { kind: 'glass', uncertaintyC: 1 } }
      },
      'fail (open): Reads −39 °C, the open-circuit default: sensor, plug or wire is open | ECT less Ambient: −49 °C ± 1.4 °C [± 3 °C] | sensor: -39 for 10 ± 0.5, both, at sensor | in words: ECT −39 °C, Ambient 10 °C'
    ],
    [
      {
        ect: { celsius: -38, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: null,
        ambient: { celsius: 10, instrument: { kind: 'glass', uncertaintyC: 1 } }
      },
      'fail (below): Reads 48 °C ± 1.4 °C below ambient; more than 5 °C is a finding | ECT less Ambient: −48 °C ± 1.4 °C [± 3 °C] | sensor: -38 for 10 ± 0.5, both, at sensor | in words: ECT −38 °C, Ambient 10 °C'
    ],
    [
      {
        ect: { celsius: 139, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: null,
        ambient: { celsius: 10, instrument: { kind: 'glass', uncertaintyC: 1 } }
      },
      'fail (shorted): Reads 139 °C, the short-circuit default: sensor or wire is shorted | ECT less Ambient: +129 °C ± 1.4 °C [± 3 °C] | but: The record says cold-soaked at about 5.1 °C, yet the ECT reads 139 °C: either it ran since, or the reading is wrong. A thermometer at the housing tells which | sensor: 139 for 10 ± 0.5, both, at sensor | in words: ECT 139 °C, Ambient 10 °C'
    ]
  ])('cold: %j', (readings, says) => expect(told('cold-agreement', readings, minibus)).toBe(says));

  it.each([
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: { celsius: 11, instrument: { kind: 'scan', uncertaintyC: 1 } },
        ambient: null
      },
      'pass (sound): Reads within 3 °C of intake air | ECT less Intake air (IAT): −1 °C ± 1.4 °C [± 3 °C] | sensor: 10 for 11 ± 0.5, both, at sensor | in words: ECT 10 °C, Intake air (IAT) 11 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: null,
        ambient: { celsius: 11, instrument: { kind: 'weather', uncertaintyC: 2 } }
      },
      'pass (sound): Reads within 3 °C of ambient | ECT less Ambient: −1 °C ± 2.2 °C [± 3 °C] | sensor: 10 for 11 ± 1.0, both, at sensor | in words: ECT 10 °C, Ambient 11 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: { celsius: 11, instrument: { kind: 'scan', uncertaintyC: 1 } },
        ambient: { celsius: 9, instrument: { kind: 'weather', uncertaintyC: 2 } }
      },
      'pass (sound): Reads within 3 °C of intake air and ambient | ECT less Intake air (IAT): −1 °C ± 1.4 °C [± 3 °C] | ECT less Ambient: +1 °C ± 2.2 °C [± 3 °C] | Intake air (IAT) less Ambient: +2 °C ± 2.2 °C [± 3 °C] | sensor: 10 for 10.6 ± 0.5, both, at sensor | in words: ECT 10 °C, Intake air (IAT) 11 °C, Ambient 9 °C'
    ],
    [
      {
        ect: { celsius: 10, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: null,
        iat: { celsius: 11, instrument: { kind: 'scan', uncertaintyC: 1 } },
        ambient: { celsius: 20, instrument: { kind: 'weather', uncertaintyC: 2 } }
      },
      'unclear: Intake air and ambient contradict each other, so nothing decides; take a thermometer to the sensor housing | ECT less Intake air (IAT): −1 °C ± 1.4 °C [± 3 °C] | ECT less Ambient: −10 °C ± 2.2 °C [± 3 °C] | Intake air (IAT) less Ambient: −9 °C ± 2.2 °C [± 3 °C] | in words: ECT 10 °C, Intake air (IAT) 11 °C, Ambient 20 °C'
    ],
    [
      {
        ect: { celsius: 30, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 31, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'pass (sound): Reads within 3 °C of the thermometer at its housing | ECT less Sensor housing: −1 °C ± 1.8 °C [± 3 °C] | but: The record says cold-soaked at about 5.1 °C, yet the thermometer reads 31 °C: it must have run since. Record the soak anew | heat: measured 2026-11-25T08:00:00.000Z, coolant 31, air null | sensor: 30 for 31 ± 0.8, both, at sensor | in words: ECT 30 °C, Sensor housing 31 °C'
    ],
    [
      {
        ect: { celsius: 30, instrument: { kind: 'scan', uncertaintyC: 1 } },
        housing: { celsius: 10, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        iat: null,
        ambient: null
      },
      'fail (above): Reads 20 °C ± 1.8 °C above the thermometer at its housing; more than 5 °C is a finding | ECT less Sensor housing: +20 °C ± 1.8 °C [± 3 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 10, air null | sensor: 30 for 10 ± 0.8, both, at sensor | in words: ECT 30 °C, Sensor housing 10 °C'
    ]
  ])('cold, by air: %j', (readings, says) => expect(told('cold-agreement', readings, minibus)).toBe(says));
});
