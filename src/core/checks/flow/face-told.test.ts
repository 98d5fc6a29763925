import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);
const noSheet = context([stopped(14)], null);
/** Four rows with the flow from top to bottom, as a core takes 95 °C down to 65 in air of 25. */
const EVEN = [
  [90, 90, 90, 90],
  [82, 82, 82, 82],
  [74, 74, 74, 74],
  [68, 68, 68, 68]
];
const face = (inC: number, outC: number, airC: number, read: (number | null)[][] = EVEN) => ({
  face: read,
  flows: 'down',
  inC,
  outC,
  airC,
  rpm: 900,
  fan: 1
});

describe('what is told of the face of a radiator', () => {
  it.each([
    [
      face(95, 65, 25),
      'unclear (even): The face is even; at 95 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 43 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(99, 86, 25),
      'pass (even, airDue, flows): The face is even, and the radiator takes off what it should | Effectiveness: 18 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 99 °C, 86 °C, 25 °C | in words: 16 places, 99 °C in, 86 °C out, air 25 °C'
    ],
    [
      face(99, 55, 25, [
        [88, 88, 88, 88],
        [79, 79, 79, 79],
        [70, 70, 70, 70],
        [62, 62, 62, 62]
      ]),
      'fail (even, slow): Takes off 59 % of the way to the air, 17 % expected: the coolant comes slowly | Effectiveness: 59 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 99 °C, 55 °C, 25 °C | in words: 16 places, 99 °C in, 55 °C out, air 25 °C'
    ],
    [
      face(95, 70, 20),
      'pass (even, airDue): The face is even, and the radiator takes off what it should | Effectiveness: 33 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 70 °C, 20 °C | in words: 16 places, 95 °C in, 70 °C out, air 20 °C'
    ],
    [
      face(95, 40, 25, [
        [85, 85, 85, 85],
        [66, 66, 66, 66],
        [53, 53, 53, 53],
        [44, 44, 44, 44]
      ]),
      'unclear (even): The face is even; at 95 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 79 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 40 °C, 25 °C | in words: 16 places, 95 °C in, 40 °C out, air 25 °C'
    ],
    [
      face(92, 38, 25),
      'unclear (even): The face is even; at 92 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 81 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 92 °C, 38 °C, 25 °C | in words: 16 places, 92 °C in, 38 °C out, air 25 °C'
    ],
    [
      face(95, 92, 25),
      'fail (even, littleAir): Takes off 4 % of the way to the air, 17 % expected: too little air for the coolant that comes | Effectiveness: 4 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 92 °C, 25 °C | in words: 16 places, 95 °C in, 92 °C out, air 25 °C'
    ],
    [
      { face: EVEN, flows: 'down', inC: 99, outC: 98, airC: 25, rpm: 900, fan: 0 },
      'unclear (even, flows): The face is even; it should take off 1 °C as it was run, which two thermometers cannot tell: measure hotter, with the fan on | Effectiveness: 1 % [about 1 % by the model] | Cold places: 0 of 16 | In, out, air: 99 °C, 98 °C, 25 °C | in words: 16 places, 99 °C in, 98 °C out, air 25 °C'
    ],
    [
      face(45, 45, 25, [
        [30, 30],
        [30, 30]
      ]),
      'unclear (even): The face is even; it should take off 3 °C as it was run, which two thermometers cannot tell: measure hotter, with the fan on | Effectiveness: 0 % [about 17 % by the model] | Cold places: 0 of 4 | In, out, air: 45 °C, 45 °C, 25 °C | in words: 4 places, 45 °C in, 45 °C out, air 25 °C'
    ],
    [
      face(95, 88, 25),
      'pass (even, airDue): The face is even, and the radiator takes off what it should | Effectiveness: 10 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 88 °C, 25 °C | in words: 16 places, 95 °C in, 88 °C out, air 25 °C'
    ],
    [
      face(95, 30, 25),
      'unclear (even): The face is even; at 95 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 93 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 30 °C, 25 °C | in words: 16 places, 95 °C in, 30 °C out, air 25 °C'
    ]
  ])('an even face: %j', (readings, says) => expect(told('radiator-face', readings, minibus)).toBe(says));

  it.each([
    [
      face(95, 65, 25, [
        [40, 90, 90, 90],
        [40, 82, 82, 82],
        [38, 74, 74, 74],
        [35, 68, 68, 68]
      ]),
      'fail (coldTubes): 4 of 16 places are cold in whole columns, up to 50 °C below the rest: no flow through the tubes there | Effectiveness: 43 % [about 17 % by the model] | Cold places: 4 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [90, 90, 90, 90],
        [45, 45, 45, 45],
        [74, 74, 74, 74],
        [68, 68, 68, 68]
      ]),
      'fail (coldTubes): 4 of 16 places are cold in whole rows, up to 37 °C below the rest: no flow through the tubes there | Effectiveness: 43 % [about 17 % by the model] | Cold places: 4 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [90, 90, 90, 90],
        [82, 40, 82, 82],
        [74, 74, 40, 74],
        [68, 68, 68, 68]
      ]),
      'fail (coldTubes): 2 of 16 places are cold in a patch, up to 42 °C below the rest: no flow through the tubes there | Effectiveness: 43 % [about 17 % by the model] | Cold places: 2 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [90, 90, 90, 90],
        [82, 40, 82, 82],
        [74, 74, 74, 74],
        [68, 68, 68, 68]
      ]),
      'unclear (even): The face is even; at 95 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 43 % [about 17 % by the model] | Cold places: 1 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [91, 91, 91, 91, 91],
        [84, 40, 84, 84, 84],
        [78, 78, 78, 40, 78],
        [72, 72, 72, 72, 72],
        [67, 67, 67, 67, 67]
      ]),
      'fail (coldTubes): 2 of 25 places are cold in a patch, up to 44 °C below the rest: no flow through the tubes there | Effectiveness: 43 % [about 17 % by the model] | Cold places: 2 of 25 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 25 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [null, null, null, null],
        [null, 40, 82, 82],
        [null, 74, 74, 74],
        [null, 68, 68, null]
      ]),
      'fail (coldTubes): 1 of 8 places are cold in a patch, up to 42 °C below the rest: no flow through the tubes there | Effectiveness: 43 % [about 17 % by the model] | Cold places: 1 of 8 | In, out, air: 95 °C, 65 °C, 25 °C | in words: 8 places, 95 °C in, 65 °C out, air 25 °C'
    ]
  ])('cold places: %j', (readings, says) => expect(told('radiator-face', readings, minibus)).toBe(says));

  it.each([
    [
      face(40, 65, 25),
      'unclear (even): The face is even; it should take off 2 °C as it was run, which two thermometers cannot tell: measure hotter, with the fan on | Effectiveness: 0 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 40 °C, 65 °C, 25 °C | refused: 40 °C at the inlet is too near the air of 25 °C to show anything; warm the engine until the thermostat opens | refused: The outlet is hotter than the inlet: exchanged, or flow the other way | in words: 16 places, 40 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(41, 30, 25),
      'unclear (even): The face is even; at 41 °C the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open | Effectiveness: 69 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 41 °C, 30 °C, 25 °C | in words: 16 places, 41 °C in, 30 °C out, air 25 °C'
    ],
    [
      face(95, 98, 25),
      'fail (even, littleAir): Takes off 0 % of the way to the air, 17 % expected: too little air for the coolant that comes | Effectiveness: 0 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 98 °C, 25 °C | refused: The outlet is hotter than the inlet: exchanged, or flow the other way | in words: 16 places, 95 °C in, 98 °C out, air 25 °C'
    ],
    [
      face(95, 97, 25),
      'fail (even, littleAir): Takes off 0 % of the way to the air, 17 % expected: too little air for the coolant that comes | Effectiveness: 0 % [about 17 % by the model] | Cold places: 0 of 16 | In, out, air: 95 °C, 97 °C, 25 °C | in words: 16 places, 95 °C in, 97 °C out, air 25 °C'
    ]
  ])('readings that cannot be: %j', (readings, says) =>
    expect(told('radiator-face', readings, minibus)).toBe(says)
  );

  it.each([
    [
      face(95, 65, 25),
      'unclear (even): The face is even | Effectiveness: 43 % | Cold places: 0 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | but: Without a sheet the model cannot say what this radiator should take off | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ],
    [
      face(95, 65, 25, [
        [90, 90, 90, 90],
        [82, 40, 82, 82],
        [74, 74, 40, 74],
        [68, 68, 68, 68]
      ]),
      'fail (coldTubes): 2 of 16 places are cold in a patch, up to 42 °C below the rest: no flow through the tubes there | Effectiveness: 43 % | Cold places: 2 of 16 | In, out, air: 95 °C, 65 °C, 25 °C | but: Without a sheet the model cannot say what this radiator should take off | in words: 16 places, 95 °C in, 65 °C out, air 25 °C'
    ]
  ])('a face without a sheet: %j', (readings, says) =>
    expect(told('radiator-face', readings, noSheet)).toBe(says)
  );
});
