import { describe, expect, it } from 'vitest';
import { context, sheetOf, stopped, told } from '../../../../tests/support/check-bench';

const plough = context([stopped(14)], sheetOf('qh-19-plough'));
const tabled = context([stopped(14)], {
  ...sheetOf('qh-19-plough'),
  clutch: {
    kind: 'electronic',
    speedTable: [
      [0, 0.1],
      [50, 0.5],
      [100, 0.9]
    ]
  }
});

describe('what is told of an electronic clutch', () => {
  it.each([
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1300 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 1350 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1350 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (locked): Engaged at 10 % as at 90 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 1350 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1350 }
        ],
        unplugged: null,
        plugV: 12,
        pickup: null
      },
      'fail (lockedWithPower): Engaged at 10 % as at 90 %, with 12.0 V at its plug: it has its power and is locked all the same | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 12.0 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 12.0 V at its plug'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 1350 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1350 }
        ],
        unplugged: null,
        plugV: 6,
        pickup: null
      },
      'fail (lockedWithPower): Engaged at 10 % as at 90 %, with 6.0 V at its plug: it has its power and is locked all the same | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 6.0 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 6.0 V at its plug'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 1350 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1350 }
        ],
        unplugged: null,
        plugV: 0.2,
        pickup: null
      },
      'fail (lockedWithoutPower): Engaged at 10 % as at 90 %, with 0.20 V at its plug: nothing frees it, so look for its supply, ground and command | 10 % at 1500 rpm: 1350 rpm, 90 % [about 31 %] | 90 % at 1500 rpm: 1350 rpm, 90 % [about 80 %] | At its plug: 0.20 V [6.0 V or more with power] | in words: 10 %: 1350 of 1500 rpm, 90 %: 1350 of 1500 rpm, 0.20 V at its plug'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 400 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 420 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (weak): Does not speed up: 28 % of its pulley’s speed at a command of 90 %, about 80 % expected | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 400 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 700 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (deaf): Barely answers its command | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 700 rpm, 47 % [about 80 %] | in words: 10 %: 400 of 1500 rpm, 90 %: 700 of 1500 rpm'
    ],
    [
      {
        pairs: [{ commandPct: 90, engineRpm: 1500, fanRpm: 450 }],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (weak): Does not speed up: 30 % of its pulley’s speed at a command of 90 %, about 80 % expected | 90 % at 1500 rpm: 450 rpm, 30 % [about 80 %] | in words: 90 %: 450 of 1500 rpm'
    ],
    [
      {
        pairs: [{ commandPct: 10, engineRpm: 1500, fanRpm: 1300 }],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (locked): Engaged at a command of 10 %: no power at its coil, or seized. Volts at its plug with the least command tell the two apart | 10 % at 1500 rpm: 1300 rpm, 87 % [about 31 %] | in words: 10 %: 1300 of 1500 rpm'
    ],
    [
      {
        pairs: [{ commandPct: 50, engineRpm: 1500, fanRpm: 800 }],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'unclear: One command only: command 10 % as well | 50 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 50 %: 800 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 49, engineRpm: 1500, fanRpm: 800 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'unclear: Commands only 39 % apart: command 90 % as well | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 49 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 10 %: 450 of 1500 rpm, 49 %: 800 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 50, engineRpm: 1500, fanRpm: 800 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'pass (sound): Follows its command, from 30 to 53 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 50 % at 1500 rpm: 800 rpm, 53 % [about 55 %] | in words: 10 %: 450 of 1500 rpm, 50 %: 800 of 1500 rpm'
    ]
  ])('an electronic clutch: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 400 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 420 }
        ],
        unplugged: { engineRpm: 1500, fanRpm: 1350 },
        plugV: null,
        pickup: null
      },
      'unclear (holdsUnplugged): Does not speed up at a command of 90 %, and engages unplugged: the clutch holds, so look at what commands it | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | Unplugged: 90 % [engaged] | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm, unplugged 1350 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 400 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 420 }
        ],
        unplugged: { engineRpm: 1500, fanRpm: 400 },
        plugV: null,
        pickup: null
      },
      'fail (weak): Does not speed up: 28 % of its pulley’s speed at a command of 90 %, about 80 % expected | 10 % at 1500 rpm: 400 rpm, 27 % [about 31 %] | 90 % at 1500 rpm: 420 rpm, 28 % [about 80 %] | Unplugged: 27 % [engaged] | but: Unplugged it should engage, and it turns at 27 % of its pulley’s speed | in words: 10 %: 400 of 1500 rpm, 90 %: 420 of 1500 rpm, unplugged 400 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1300 }
        ],
        unplugged: { engineRpm: 1500, fanRpm: 400 },
        plugV: null,
        pickup: null
      },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Unplugged: 27 % [engaged] | but: Unplugged it should engage, and it turns at 27 % of its pulley’s speed | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm, unplugged 400 of 1500 rpm'
    ]
  ])('an electronic clutch, unplugged: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1300 }
        ],
        unplugged: null,
        plugV: null,
        pickup: { hz: 120, fanRpm: 1200 }
      },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 6.0 [6] | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 10, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 90, engineRpm: 1500, fanRpm: 1300 }
        ],
        unplugged: null,
        plugV: null,
        pickup: { hz: 100, fanRpm: 1200 }
      },
      'pass (sound): Follows its command, from 30 to 87 % of its pulley | 10 % at 1500 rpm: 450 rpm, 30 % [about 31 %] | 90 % at 1500 rpm: 1300 rpm, 87 % [about 80 %] | Pulses a turn: 5.0 [6] | but: The pickup gives 5.0 pulses a turn and not 6: the control unit takes the fan for slower than it is | in words: 10 %: 450 of 1500 rpm, 90 %: 1300 of 1500 rpm'
    ]
  ])('its speed pickup: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, plough)).toBe(says)
  );

  it.each([
    [
      {
        pairs: [
          { commandPct: 0, engineRpm: 1500, fanRpm: 150 },
          { commandPct: 75, engineRpm: 1500, fanRpm: 1050 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'pass (sound): Follows its command, from 10 to 70 % of its pulley | 0 % at 1500 rpm: 150 rpm, 10 % [about 10 %] | 75 % at 1500 rpm: 1050 rpm, 70 % [about 70 %] | in words: 0 %: 150 of 1500 rpm, 75 %: 1050 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 0, engineRpm: 1500, fanRpm: 150 },
          { commandPct: 75, engineRpm: 1500, fanRpm: 500 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'fail (weak): Does not speed up: 33 % of its pulley’s speed at a command of 75 %, about 70 % expected | 0 % at 1500 rpm: 150 rpm, 10 % [about 10 %] | 75 % at 1500 rpm: 500 rpm, 33 % [about 70 %] | in words: 0 %: 150 of 1500 rpm, 75 %: 500 of 1500 rpm'
    ],
    [
      {
        pairs: [
          { commandPct: 25, engineRpm: 1500, fanRpm: 450 },
          { commandPct: 100, engineRpm: 1500, fanRpm: 1350 }
        ],
        unplugged: null,
        plugV: null,
        pickup: null
      },
      'pass (sound): Follows its command, from 30 to 90 % of its pulley | 25 % at 1500 rpm: 450 rpm, 30 % [about 30 %] | 100 % at 1500 rpm: 1350 rpm, 90 % [about 90 %] | in words: 25 %: 450 of 1500 rpm, 100 %: 1350 of 1500 rpm'
    ]
  ])('an electronic clutch with a table of speeds: %j', (readings, says) =>
    expect(told('clutch-electronic', readings, tabled)).toBe(says)
  );
});
