import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of the air of a heater', () => {
  it.each([
    [
      { setHot: true, blower: 'low', ventC: 60, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'pass (sound): The heater gives its heat: 63 % of the way from the air to the coolant | Vent, of the way to the coolant: 63 % [at least 62 %] | leans to pump-flow-low | in words: Vent 60 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'low', ventC: 59.6, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'pass (sound): The heater gives its heat: 62 % of the way from the air to the coolant | Vent, of the way to the coolant: 62 % [at least 62 %] | in words: Vent 59.6 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'low', ventC: 59.5, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'unclear: The vent gives 59.5 °C with the coolant at 90 °C: 62 % of the way from the outside air, 62 % expected: weaker than it should be, and not by enough to say | Vent, of the way to the coolant: 62 % [at least 62 %] | in words: Vent 59.5 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'low', ventC: 46, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'unclear: The vent gives 46 °C with the coolant at 90 °C: 45 % of the way from the outside air, 62 % expected: weaker than it should be, and not by enough to say | Vent, of the way to the coolant: 45 % [at least 62 %] | leans to heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 46 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'low', ventC: 44, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'fail (weak): The vent gives 44 °C with the coolant at 90 °C: 43 % of the way from the outside air, 62 % expected. Both heater hoses by the same thermometer tell the core from missing flow | Vent, of the way to the coolant: 43 % [at least 62 %] | leans to heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 44 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: false, blower: 'low', ventC: 44, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'unclear: Set it to full hot, the A/C off and air from outside, and measure again | Vent, of the way to the coolant: 43 % [at least 62 %] | in words: Vent 44 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'full', ventC: 44, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'unclear: The vent gives 44 °C with the coolant at 90 °C: 43 % of the way from the outside air, 46 % expected: weaker than it should be, and not by enough to say | Vent, of the way to the coolant: 43 % [at least 46 %] | in words: Vent 44 °C, coolant 90 °C, outside 10 °C, blower full'
    ],
    [
      {
        setHot: true,
        blower: 'full',
        ventC: 46.8,
        ambientC: 10,
        coolantC: 90,
        hoseInC: null,
        hoseOutC: null
      },
      'unclear: The vent gives 46.8 °C with the coolant at 90 °C: 46 % of the way from the outside air, 46 % expected: weaker than it should be, and not by enough to say | Vent, of the way to the coolant: 46 % [at least 46 %] | in words: Vent 46.8 °C, coolant 90 °C, outside 10 °C, blower full'
    ],
    [
      { setHot: true, blower: 'low', ventC: 40, ambientC: 10, coolantC: 39, hoseInC: null, hoseOutC: null },
      'pass (sound): The heater gives its heat: 103 % of the way from the air to the coolant | Vent, of the way to the coolant: 103 % [at least 62 %] | refused: Coolant and outside air are within 30 °C: warm the engine, or nothing can be told | in words: Vent 40 °C, coolant 39 °C, outside 10 °C, blower lowest'
    ],
    [
      { setHot: true, blower: 'low', ventC: 93, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: null },
      'pass (sound): The heater gives its heat: 104 % of the way from the air to the coolant | Vent, of the way to the coolant: 104 % [at least 62 %] | sure? 93 °C at the vent is hotter than the coolant at 90 °C | in words: Vent 93 °C, coolant 90 °C, outside 10 °C, blower lowest'
    ]
  ])('air of 10 °C, coolant of 90 °C: %j', (readings, says) =>
    expect(told('heater-air', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 73, hoseOutC: null },
      'fail (noFlow): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. The hose to it is cool: no flow there, by air, level or pump | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 79 % [at least 80 %] | leans to pump-flow-low, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 73 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 74, hoseOutC: null },
      'fail (weak): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. Both heater hoses by the same thermometer tell the core from missing flow | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 80 % [at least 80 %] | leans to pump-flow-low, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 74 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 80, hoseOutC: 50 },
      'fail (core): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. It goes in hot and comes back cold: the core lets little through | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 88 % [at least 80 %] | Heater hose, back: 50 % [at least 62 %] | leans to heater-core-restricted, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 80 °C, back 50 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 80, hoseOutC: 78 },
      'unclear (airSide): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. Both hoses are hot: look for a door of the air box, its drive or its control | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 88 % [at least 80 %] | Heater hose, back: 85 % [at least 62 %] | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 80 °C, back 78 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 88, hoseOutC: 75 },
      'fail (core): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. It goes in hot and comes back cold: the core lets little through | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 98 % [at least 80 %] | Heater hose, back: 81 % [at least 62 %] | leans to heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 88 °C, back 75 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 70, hoseOutC: 75 },
      'fail (noFlow): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. The hose to it is cool: no flow there, by air, level or pump | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 75 % [at least 80 %] | Heater hose, back: 81 % [at least 62 %] | leans to pump-flow-low, coolant-low | sure? The hose back is hotter than the hose in: are they exchanged? | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 70 °C, back 75 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: 80, hoseOutC: 83 },
      'unclear (airSide): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. Both hoses are hot: look for a door of the air box, its drive or its control | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, in: 88 % [at least 80 %] | Heater hose, back: 91 % [at least 62 %] | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 80 °C, back 83 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: 50 },
      'fail (core): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. It goes in hot and comes back cold: the core lets little through | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, back: 50 % [at least 62 %] | leans to heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, back 50 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 30, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: 80 },
      'fail (weak): The vent gives 30 °C with the coolant at 90 °C: 25 % of the way from the outside air, 62 % expected. Both heater hoses by the same thermometer tell the core from missing flow | Vent, of the way to the coolant: 25 % [at least 62 %] | Heater hose, back: 88 % [at least 62 %] | leans to heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 30 °C, coolant 90 °C, outside 10 °C, blower lowest, back 80 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 14, ambientC: 10, coolantC: 90, hoseInC: 80, hoseOutC: 78 },
      'unclear (airSide): The vent gives 14 °C with the coolant at 90 °C: 5 % of the way from the outside air, 62 % expected. Both hoses are hot: look for a door of the air box, its drive or its control | Vent, of the way to the coolant: 5 % [at least 62 %] | Heater hose, in: 88 % [at least 80 %] | Heater hose, back: 85 % [at least 62 %] | in words: Vent 14 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 80 °C, back 78 °C'
    ]
  ])('weak, and its hoses: %j', (readings, says) => expect(told('heater-air', readings, minibus)).toBe(says));

  it.each([
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 88, hoseOutC: 82 },
      'pass (sound, flows): The heater gives its heat: 75 % of the way from the air to the coolant | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 98 % [at least 80 %] | Heater hose, back: 90 % [at least 62 %] | Lost on its way through: 6 °C [up to 7 °C] | leans from heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 88 °C, back 82 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 88, hoseOutC: 79 },
      'unclear (slowly, warm): The heater gives its heat: 75 % of the way from the air to the coolant, and its coolant comes back 9 °C cooler: it flows slowly | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 98 % [at least 80 %] | Heater hose, back: 86 % [at least 62 %] | Lost on its way through: 9 °C [up to 7 °C] | leans to pump-flow-low, coolant-low | leans from heater-core-restricted | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 88 °C, back 79 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 88, hoseOutC: 70 },
      'fail (verySlowly, warm): The heater gives its heat: 75 % of the way from the air to the coolant, but its coolant comes back 18 °C cooler: hardly any flows | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 98 % [at least 80 %] | Heater hose, back: 75 % [at least 62 %] | Lost on its way through: 18 °C [up to 7 °C] | leans to pump-flow-low, coolant-low | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 88 °C, back 70 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 73, hoseOutC: 70 },
      'pass (sound, flows): The heater gives its heat: 75 % of the way from the air to the coolant | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 79 % [at least 80 %] | Heater hose, back: 75 % [at least 62 %] | Lost on its way through: 3 °C [up to 5.7 °C] | leans to pump-flow-low | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 73 °C, back 70 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 39, hoseOutC: 20 },
      'pass (sound): The heater gives its heat: 75 % of the way from the air to the coolant | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 36 % [at least 80 %] | Heater hose, back: 13 % [at least 62 %] | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 39 °C, back 20 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 40, hoseOutC: 37 },
      'unclear (slowly, warm): The heater gives its heat: 75 % of the way from the air to the coolant, and its coolant comes back 3 °C cooler: it flows slowly | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 38 % [at least 80 %] | Heater hose, back: 34 % [at least 62 %] | Lost on its way through: 3 °C [up to 2.7 °C] | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 40 °C, back 37 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: null, hoseOutC: 70 },
      'pass (sound): The heater gives its heat: 75 % of the way from the air to the coolant | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, back: 75 % [at least 62 %] | leans from heater-core-restricted | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, back 70 °C'
    ],
    [
      { setHot: true, blower: 'low', ventC: 70, ambientC: 10, coolantC: 90, hoseInC: 88, hoseOutC: null },
      'pass (sound): The heater gives its heat: 75 % of the way from the air to the coolant | Vent, of the way to the coolant: 75 % [at least 62 %] | Heater hose, in: 98 % [at least 80 %] | leans from heater-core-restricted, pump-flow-low, coolant-low | in words: Vent 70 °C, coolant 90 °C, outside 10 °C, blower lowest, heater in 88 °C'
    ]
  ])('warm, and its hoses: %j', (readings, says) => expect(told('heater-air', readings, minibus)).toBe(says));
});
