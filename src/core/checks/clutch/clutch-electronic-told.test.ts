import { describe, expect, it } from 'vitest';
import { context, sheetOf, stopped, told } from '../../../../tests/support/check-bench';

const plough = context([stopped(14)], sheetOf('qh-19-plough'));
const tabled = context([stopped(14)], {
  ...sheetOf('qh-19-plough'),
  clutch: {
    kind: 'electronic',
    speedTable: [
      [100, 0.9],
      [0, 0.1],
      [50, 0.5]
    ]
  }
});
const noSheet = context([stopped(14)], null);
/** A command, and the fan at 1500 rpm of the engine. */
const turning = { engineRpm: 1500 };
const at = (commandPct: number, fanRpm: number) => ({ ...turning, commandPct, fanRpm });
const alone = { unplugged: null, plugV: null, pickup: null };

describe('what is told of an electronic clutch', () => {
  it.each([
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)] },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)] },
      'fail (locked): Engaged at 10 % as at 90 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)], plugV: 12 },
      'fail (lockedWithPower): Engaged at 10 % as at 90 %, with 12.0 V at its plug: it has its power and is locked all the same | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 12.0 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 12.0 V at its plug'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)], plugV: 6 },
      'fail (lockedWithPower): Engaged at 10 % as at 90 %, with 6.0 V at its plug: it has its power and is locked all the same | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 6.0 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 6.0 V at its plug'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)], plugV: 0.2 },
      'fail (lockedWithoutPower): Engaged at 10 % as at 90 %, with 0.20 V at its plug: nothing frees it, so look for its supply, ground and command | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 0.20 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 0.20 V at its plug'
    ],
    [
      { ...alone, pairs: [at(10, 400), at(90, 420)] },
      'fail (weak): Does not speed up: 28 % of its pulley’s speed at a command of 90 %, about 80 % expected | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 400), at(90, 700)] },
      'fail (deaf): Barely answers its command | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 700 rpm, 47 % [about 80 %] | in words: 10 %: 400 of 1500 rpm, 90 %: 700 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(90, 450)] },
      'fail (weak): Does not speed up: 30 % of its pulley’s speed at a command of 90 %, about 80 % expected | 90 % at 1500 rpm: 450 rpm, 30 % [about 80 %] | in words: 90 %: 450 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 1300)] },
      'fail (locked): Engaged at a command of 10 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1300 rpm, 87 % [about 31 %] | in words: 10 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(50, 800)] },
      'unclear: One command only: command 10 % as well | 50 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 50 %: 800 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(49, 800)] },
      'unclear: Commands only 39 % apart: command 90 % as well | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 49 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 10 %: 450 of 1500 rpm, 49 %: 800 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(50, 800)] },
      'pass (sound): Follows its command, from 30 to 53 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 50 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 10 %: 450 of 1500 rpm, 50 %: 800 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(41, 1300), at(90, 1300)] },
      'fail (deaf): Barely answers its command | 41 % at 1500 rpm: 1300 rpm, 87 % [about 50 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | in words: 41 %: 1300 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(40, 1170), at(90, 1300)] },
      'fail (locked): Engaged at 40 % as at 90 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 40 % at 1500 rpm: 1170 rpm, 78 % [about 49 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | in words: 40 %: 1170 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(90, 2401)] },
      'unclear: One command only: command 10 % as well | 90 % at 1500 rpm: 2401 rpm, 160 % [about 80 %] | refused: 2401 rpm is faster than any pulley drives it at 1500 rpm | in words: 90 %: 2401 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(90, 2400)] },
      'unclear: One command only: command 10 % as well | 90 % at 1500 rpm: 2400 rpm, 160 % [about 80 %] | in words: 90 %: 2400 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(70, 617)] },
      'unclear: One command only: command 10 % as well | 70 % at 1500 rpm: 617 rpm, 41 % [about 68 %] | in words: 70 %: 617 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(69, 400)] },
      'unclear: One command only: command 10 % as well | 69 % at 1500 rpm: 400 rpm, 27 % [about 67 %] | in words: 69 %: 400 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(90, 1300), at(10, 450)] },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | in words: 90 %: 1300 of 1500 rpm, 10 %: 450 of 1500 rpm'
    ]
  ])('an electronic clutch: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      { ...alone, pairs: [at(10, 400), at(90, 420)], unplugged: { ...turning, fanRpm: 1350 } },
      'unclear (holdsUnplugged): Does not speed up: 28 % of its pulley’s speed at a command of 90 %, about 80 % expected. Unplugged it engages: the clutch holds, so look at what commands it | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | Unplugged: 90 % [engaged] | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm, unplugged 1350 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 400), at(90, 420)], unplugged: { ...turning, fanRpm: 400 } },
      'fail (weak): Does not speed up: 28 % of its pulley’s speed at a command of 90 %, about 80 % expected | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | Unplugged: 27 % [engaged] | but: Unplugged it should engage, and it turns at 27 % of its pulley’s speed | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm, unplugged 400 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], unplugged: { ...turning, fanRpm: 400 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Unplugged: 27 % [engaged] | but: Unplugged it should engage, and it turns at 27 % of its pulley’s speed | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm, unplugged 400 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], unplugged: { ...turning, fanRpm: 1300 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Unplugged: 87 % [engaged] | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm, unplugged 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)], unplugged: { ...turning, fanRpm: 1350 } },
      'fail (locked): Engaged at 10 % as at 90 % and unplugged: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | Unplugged: 90 % [engaged] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, unplugged 1350 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 1350), at(90, 1350)], unplugged: { ...turning, fanRpm: 400 } },
      'fail (locked): Engaged at 10 % as at 90 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | Unplugged: 27 % [engaged] | but: Unplugged it should engage, and it turns at 27 % of its pulley’s speed | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, unplugged 400 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 400), at(60, 420)], unplugged: { ...turning, fanRpm: 1350 } },
      'unclear (holdsUnplugged): Barely answers its command. Unplugged it engages: the clutch holds, so look at what commands it | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 60 % at 1500 rpm: 420 rpm, 28 % [about 62 %] | Unplugged: 90 % [engaged] | in words: 10 %: 400 of 1500 rpm, 60 %: 420 of 1500 rpm, unplugged 1350 of 1500 rpm'
    ]
  ])('an electronic clutch, unplugged: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], pickup: { hz: 120, fanRpm: 1200 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 6.0 [6] | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], pickup: { hz: 100, fanRpm: 1200 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 5.0 [6] | but: The pickup gives 5.0 pulses a turn and not 6: the control unit takes the fan for slower than it is | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], pickup: { hz: 140, fanRpm: 1200 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 7.0 [6] | but: The pickup gives 7.0 pulses a turn and not 6: the control unit takes the fan for faster than it is | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ]
  ])('its speed pickup: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      { ...alone, pairs: [at(0, 150), at(75, 1050)] },
      'pass (sound): Follows its command, from 10 to 70 % of its pulley | 0 % at 1500 rpm: 150 rpm, 10 % [about 10 %] | 75 % at 1500 rpm: 1050 rpm, 70 % [about 70 %] | in words: 0 %: 150 of 1500 rpm, 75 %: 1050 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(0, 150), at(75, 500)] },
      'fail (weak): Does not speed up: 33 % of its pulley’s speed at a command of 75 %, about 70 % expected | 0 % at 1500 rpm: 150 rpm, 10 % [about 10 %] | 75 % at 1500 rpm: 500 rpm, 33 % [about 70 %] | in words: 0 %: 150 of 1500 rpm, 75 %: 500 of 1500 rpm'
    ],
    [
      { ...alone, pairs: [at(25, 450), at(100, 1350)] },
      'pass (sound): Follows its command, from 30 to 90 % of its pulley | 25 % at 1500 rpm: 450 rpm, 30 % [about 30 %] | 100 % at 1500 rpm: 1350 rpm, 90 % [about 90 %] | in words: 25 %: 450 of 1500 rpm, 100 %: 1350 of 1500 rpm'
    ]
  ])('an electronic clutch with a table of speeds: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, tabled)).toBe(says)
  );

  it.each([
    [
      { ...alone, pairs: [at(10, 450), at(90, 1300)], pickup: { hz: 100, fanRpm: 1200 } },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 5.0 | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ]
  ])('an electronic clutch without a sheet: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, noSheet)).toBe(says)
  );
});
