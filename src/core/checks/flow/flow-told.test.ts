import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of checks of flow', () => {
  it.each([
    [
      { runs: 'yes', feedV: null },
      'pass (sound): The pump runs when it is told to | The pump: hums, and its hose pulses | in words: hums, and its hose pulses'
    ],
    [
      { runs: 'yes', feedV: 12 },
      'pass (sound): The pump runs when it is told to | The pump: hums, and its hose pulses | At its plug: 12.0 V [at least 9.0 V] | in words: hums, and its hose pulses, 12.0 V at its plug'
    ],
    [
      { runs: 'no', feedV: null },
      'unclear: It stands still: volts at its plug tell the pump from its feed | The pump: stands still | in words: stands still'
    ],
    [
      { runs: 'no', feedV: 9 },
      'fail (still): It stands still with 9.0 V at its plug | The pump: stands still | At its plug: 9.0 V [at least 9.0 V] | in words: stands still, 9.0 V at its plug'
    ],
    [
      { runs: 'no', feedV: 8.9 },
      'unclear: It stands still, and has only 8.9 V: fuse, relay and wire come first | The pump: stands still | At its plug: 8.9 V [at least 9.0 V] | in words: stands still, 8.9 V at its plug'
    ]
  ])('an electric pump: %j', (readings, says) => expect(told('pump-command', readings, minibus)).toBe(says));

  it.each([
    [
      { fluidC: 105, coolantC: 90, lineInC: null, lineOutC: null },
      'unclear: The fluid is at 105 °C: the transmission adds little heat | Fluid less coolant: +15 °C [up to 15 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 105 °C, coolant 90 °C'
    ],
    [
      { fluidC: 85, coolantC: 90, lineInC: null, lineOutC: null },
      'unclear: The fluid is at 85 °C: the transmission adds little heat | Fluid less coolant: −5 °C [up to 15 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 85 °C, coolant 90 °C'
    ],
    [
      { fluidC: 106, coolantC: 90, lineInC: null, lineOutC: null },
      'unclear: The fluid is 16 °C above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that. Measure the two lines of its cooler | Fluid less coolant: +16 °C [up to 15 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 106 °C, coolant 90 °C'
    ],
    [
      { fluidC: 120, coolantC: 90, lineInC: 120, lineOutC: 112.5 },
      'unclear (cooled): The fluid is 30 °C above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that; its cooler takes the heat | Fluid less coolant: +30 °C [up to 15 °C] | Over its cooler: −7.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 120 °C, coolant 90 °C, into its cooler 120 °C, out of it 112.5 °C'
    ],
    [
      { fluidC: 120, coolantC: 90, lineInC: 120, lineOutC: 113 },
      'fail (notCooled): The fluid is 30 °C above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that, and its cooler takes none: the tank it sits in, or its lines | Fluid less coolant: +30 °C [up to 15 °C] | Over its cooler: −7 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 120 °C, coolant 90 °C, into its cooler 120 °C, out of it 113 °C'
    ],
    [
      { fluidC: 120, coolantC: 90, lineInC: 110, lineOutC: 112 },
      'fail (notCooled): The fluid is 30 °C above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that, and its cooler takes none: the tank it sits in, or its lines | Fluid less coolant: +30 °C [up to 15 °C] | Over its cooler: 2 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: Fluid 120 °C, coolant 90 °C, into its cooler 110 °C, out of it 112 °C'
    ],
    [
      { fluidC: 120, coolantC: 90, lineInC: 110, lineOutC: 113 },
      'fail (notCooled): The fluid is 30 °C above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that, and its cooler takes none: the tank it sits in, or its lines | Fluid less coolant: +30 °C [up to 15 °C] | Over its cooler: 3 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | refused: The line out is hotter than the line in: they are exchanged | in words: Fluid 120 °C, coolant 90 °C, into its cooler 110 °C, out of it 113 °C'
    ]
  ])('transmission: %j', (readings, says) => expect(told('transmission-heat', readings, minibus)).toBe(says));

  it.each([
    [
      { beforeC: 20, afterC: 70, coolantC: 100, fan: 'yes' },
      'pass (sound): Air and heat are in proportion | Before, behind: 20 °C, 70 °C | Coolant in: 100 °C | Of the way to the coolant: 63 % [30 to 97 %] | leans from airflow-restricted, active-shutter-stuck | in words: Air 20 °C before, 70 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 100, coolantC: 100, fan: 'yes' },
      'fail (stifled): The air comes out at 100 % of the way to the coolant with the fan driving: little of it gets through | Before, behind: 20 °C, 100 °C | Coolant in: 100 °C | Of the way to the coolant: 100 % [30 to 97 %] | leans to airflow-restricted, active-shutter-stuck | in words: Air 20 °C before, 100 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 43, coolantC: 100, fan: 'yes' },
      'fail (cold): The air takes little up, 29 % of the way: no coolant comes, the core is closed inside, or the air goes around it | Before, behind: 20 °C, 43 °C | Coolant in: 100 °C | Of the way to the coolant: 29 % [30 to 97 %] | in words: Air 20 °C before, 43 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 44, coolantC: 100, fan: 'yes' },
      'pass (sound): Air and heat are in proportion | Before, behind: 20 °C, 44 °C | Coolant in: 100 °C | Of the way to the coolant: 30 % [30 to 97 %] | in words: Air 20 °C before, 44 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 35, coolantC: 95, fan: 'yes' },
      'unclear: The air takes little up, 20 % of the way, and at 95 °C the thermostat still holds the coolant back: measure again when it is open | Before, behind: 20 °C, 35 °C | Coolant in: 95 °C | Of the way to the coolant: 20 % [30 to 97 %] | in words: Air 20 °C before, 35 °C behind, coolant 95 °C'
    ],
    [
      { beforeC: 20, afterC: 70, coolantC: 100, fan: 'no' },
      'unclear: In proportion without the fan; measure again while it drives | Before, behind: 20 °C, 70 °C | Coolant in: 100 °C | Of the way to the coolant: 63 % [30 to 78 %] | in words: Air 20 °C before, 70 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 84, coolantC: 102, fan: 'no' },
      'unclear: The air hardly moves: 78 % of the way to the coolant, and the fan does not drive it. At 102 °C it need not: from 101 °C on it should | Before, behind: 20 °C, 84 °C | Coolant in: 102 °C | Of the way to the coolant: 78 % [30 to 78 %] | in words: Air 20 °C before, 84 °C behind, coolant 102 °C'
    ],
    [
      { beforeC: 20, afterC: 84, coolantC: 103, fan: 'no' },
      'unclear: In proportion without the fan; measure again while it drives | Before, behind: 20 °C, 84 °C | Coolant in: 103 °C | Of the way to the coolant: 77 % [30 to 78 %] | in words: Air 20 °C before, 84 °C behind, coolant 103 °C'
    ],
    [
      { beforeC: 20, afterC: 86, coolantC: 103, fan: 'no' },
      'fail (still): The air hardly moves: 80 % of the way to the coolant, and the fan does not drive it, at 103 °C, where it should from 101 °C | Before, behind: 20 °C, 86 °C | Coolant in: 103 °C | Of the way to the coolant: 80 % [30 to 78 %] | in words: Air 20 °C before, 86 °C behind, coolant 103 °C'
    ],
    [
      { beforeC: 20, afterC: 90, coolantC: 103, fan: 'no' },
      'fail (still): The air hardly moves: 84 % of the way to the coolant, and the fan does not drive it, at 103 °C, where it should from 101 °C | Before, behind: 20 °C, 90 °C | Coolant in: 103 °C | Of the way to the coolant: 84 % [30 to 78 %] | in words: Air 20 °C before, 90 °C behind, coolant 103 °C'
    ],
    [
      { beforeC: 20, afterC: 103.5, coolantC: 100, fan: 'yes' },
      'fail (stifled): The air comes out at 104 % of the way to the coolant with the fan driving: little of it gets through | Before, behind: 20 °C, 103.5 °C | Coolant in: 100 °C | Of the way to the coolant: 104 % [30 to 97 %] | leans to airflow-restricted, active-shutter-stuck | refused: 103.5 °C behind the radiator is hotter than its coolant at 100 °C | in words: Air 20 °C before, 103.5 °C behind, coolant 100 °C'
    ],
    [
      { beforeC: 20, afterC: 30, coolantC: 40, fan: 'yes' },
      'pass (sound): Air and heat are in proportion | Before, behind: 20 °C, 30 °C | Coolant in: 40 °C | Of the way to the coolant: 50 % [30 to 97 %] | leans from airflow-restricted, active-shutter-stuck | refused: Coolant and air are within 20 °C: too little heat to judge airflow by | in words: Air 20 °C before, 30 °C behind, coolant 40 °C'
    ]
  ])('air: %j', (readings, says) => expect(told('air-rise', readings, minibus)).toBe(says));
});
