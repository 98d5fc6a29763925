import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);
const noSide = context([stopped(14)], { ...curlew, thermostat: { ...curlew.thermostat!, side: undefined } });
const noStart = context([stopped(14)], { ...curlew, thermostat: { side: 'inlet' } });

describe('what is told of the hose behind the thermostat', () => {
  it.each([
    [
      { felt: 'rush', coolantC: 86, by: 'hand', coolantBy: 'scan' },
      'pass (sound): Rushed hot at 86 °C, as a thermostat of 86 °C should. Felt by hand, so it weighs less than a logged hose | Upper hose: Cold, then suddenly hot | Coolant at the rush: 86 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 86, air null | leans from thermostat-low-rating, sheet-wrong | in words: Cold, then suddenly hot, coolant 86 °C by scan, felt by hand'
    ],
    [
      { felt: 'rush', coolantC: 78, by: 'probe', coolantBy: 'probe' },
      'pass (sound): Rushed hot at 78 °C, as a thermostat of 86 °C should | Upper hose: Cold, then suddenly hot | Coolant at the rush: 78 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 78, air null | leans to thermostat-low-rating, sheet-wrong | in words: Cold, then suddenly hot, coolant 78 °C by probe, felt by probe'
    ],
    [
      { felt: 'rush', coolantC: 77, by: 'probe', coolantBy: 'probe' },
      'fail (early): Rushed hot at 77 °C, below start-to-open at 86 °C | Upper hose: Cold, then suddenly hot | Coolant at the rush: 77 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 77, air null | leans to thermostat-low-rating, sheet-wrong | in words: Cold, then suddenly hot, coolant 77 °C by probe, felt by probe'
    ],
    [
      { felt: 'rush', coolantC: 77, by: 'hand', coolantBy: 'scan' },
      'fail (earlyByScan): Rushed hot at 77 °C, below start-to-open at 86 °C. Felt by hand, so it weighs less than a logged hose | Upper hose: Cold, then suddenly hot | Coolant at the rush: 77 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 77, air null | leans to thermostat-low-rating, sheet-wrong | in words: Cold, then suddenly hot, coolant 77 °C by scan, felt by hand'
    ],
    [
      { felt: 'rush', coolantC: 94, by: 'hand', coolantBy: 'scan' },
      'pass (sound): Rushed hot at 94 °C, as a thermostat of 86 °C should. Felt by hand, so it weighs less than a logged hose | Upper hose: Cold, then suddenly hot | Coolant at the rush: 94 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 94, air null | leans from thermostat-low-rating | in words: Cold, then suddenly hot, coolant 94 °C by scan, felt by hand'
    ],
    [
      { felt: 'rush', coolantC: 95, by: 'hand', coolantBy: 'scan' },
      'unclear (lateByScan): Rushed hot only at 95 °C; start-to-open is 86 °C. Felt by hand, so it weighs less than a logged hose | Upper hose: Cold, then suddenly hot | Coolant at the rush: 95 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 95, air null | leans from thermostat-low-rating | in words: Cold, then suddenly hot, coolant 95 °C by scan, felt by hand'
    ],
    [
      { felt: 'rush', coolantC: 95, by: 'probe', coolantBy: 'probe' },
      'unclear (late): Rushed hot only at 95 °C; start-to-open is 86 °C | Upper hose: Cold, then suddenly hot | Coolant at the rush: 95 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 95, air null | leans to sheet-wrong | leans from thermostat-low-rating | in words: Cold, then suddenly hot, coolant 95 °C by probe, felt by probe'
    ],
    [
      { felt: 'gradual', coolantC: 80, by: 'hand', coolantBy: 'scan' },
      'fail (along): Warmed along with the engine: something passes while it should be shut. Felt by hand, so it weighs less than a logged hose | Upper hose: Warm along with the engine from the start | Coolant: 80 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 80, air null | leans to thermostat-low-rating | in words: Warm along with the engine from the start, coolant 80 °C by scan, felt by hand'
    ],
    [
      { felt: 'never', coolantC: 98, by: 'hand', coolantBy: 'scan' },
      'unclear: Still cool at 98 °C; it need not be hot before 99 °C. Felt by hand, so it weighs less than a logged hose | Upper hose: Stayed cool | Coolant: 98 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 98, air null | in words: Stayed cool, coolant 98 °C by scan, felt by hand'
    ],
    [
      { felt: 'never', coolantC: 99, by: 'hand', coolantBy: 'scan' },
      'fail (coolByScan): Stayed cool with the coolant at 99 °C, above full-open at 99 °C. Felt by hand, so it weighs less than a logged hose | Upper hose: Stayed cool | Coolant: 99 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 99, air null | in words: Stayed cool, coolant 99 °C by scan, felt by hand'
    ],
    [
      { felt: 'never', coolantC: 99, by: 'probe', coolantBy: 'probe' },
      'fail (cool): Stayed cool with the coolant at 99 °C, above full-open at 99 °C | Upper hose: Stayed cool | Coolant: 99 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 99, air null | in words: Stayed cool, coolant 99 °C by probe, felt by probe'
    ],
    [
      { felt: 'never', coolantC: 125, by: 'hand', coolantBy: 'scan' },
      'fail (coolByScan): Stayed cool with the coolant at 125 °C, above full-open at 99 °C. Felt by hand, so it weighs less than a logged hose | Upper hose: Stayed cool | Coolant: 125 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 125, air null | in words: Stayed cool, coolant 125 °C by scan, felt by hand'
    ]
  ])('a thermostat of 86 °C: %j', (readings, says) =>
    expect(told('hose-rush', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { felt: 'rush', coolantC: 86, by: 'hand', coolantBy: 'scan' },
      'unclear: The sheet does not say at which side of the engine the thermostat sits, so it is not known which hose is behind it | Hose behind it: Cold, then suddenly hot | Coolant at the rush: 86 °C [start-to-open 86 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 86, air null | in words: Cold, then suddenly hot, coolant 86 °C by scan, felt by hand'
    ]
  ])('nobody knows which hose: %j', (readings, says) =>
    expect(told('hose-rush', readings, noSide)).toBe(says)
  );

  it.each([
    [
      { felt: 'rush', coolantC: 60, by: 'hand', coolantBy: 'scan' },
      'unclear (earlyByScan): Rushed hot at 60 °C, below start-to-open at 85 °C. Felt by hand, so it weighs less than a logged hose. Unusual for such an engine, and no more: the sheet’s start-to-open would decide | Lower hose: Cold, then suddenly hot | Coolant at the rush: 60 °C [start-to-open 85 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | in words: Cold, then suddenly hot, coolant 60 °C by scan, felt by hand'
    ],
    [
      { felt: 'rush', coolantC: 84, by: 'hand', coolantBy: 'scan' },
      'pass (sound): Rushed hot at 84 °C, as a thermostat of 85 °C should. Felt by hand, so it weighs less than a logged hose | Lower hose: Cold, then suddenly hot | Coolant at the rush: 84 °C [start-to-open 85 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | in words: Cold, then suddenly hot, coolant 84 °C by scan, felt by hand'
    ],
    [
      { felt: 'never', coolantC: 110, by: 'hand', coolantBy: 'scan' },
      'unclear (coolByScan): Stayed cool with the coolant at 110 °C, above full-open at 97 °C. Felt by hand, so it weighs less than a logged hose. Unusual for such an engine, and no more: the sheet’s start-to-open would decide | Lower hose: Stayed cool | Coolant: 110 °C [start-to-open 85 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 110, air null | in words: Stayed cool, coolant 110 °C by scan, felt by hand'
    ]
  ])('a thermostat of nobody knows what: %j', (readings, says) =>
    expect(told('hose-rush', readings, noStart)).toBe(says)
  );
});
