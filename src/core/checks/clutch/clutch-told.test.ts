import { describe, expect, it } from 'vitest';
import { context, entry, fathom, soaked, stopped, told } from '../../../../tests/support/check-bench';

const turnedAt = (moment: string) => ({
  ...soaked,
  earlier: [
    {
      ...entry('clutch-cold-turn', { firstTurn: 'firm', freeTurns: null, laterTurns: null }, soaked),
      at: moment
    }
  ]
});
const noLimit = context([stopped(14)], { ...fathom, clutch: { ...fathom.clutch!, tipPlayMaxMm: undefined } });
const electronic = context([stopped(14)], { ...fathom, clutch: { ...fathom.clutch!, kind: 'electronic' } });
const lately = turnedAt('2026-11-25T02:00:01.000Z');
const longAgo = turnedAt('2026-11-25T02:00:00.000Z');

describe('what is told of checks of a fan clutch', () => {
  it.each([
    [
      { tipMm: 2, moves: 'nothing', feels: 'smooth' },
      'pass (sound): 2 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 2 mm [up to 5 mm] | What moves: Nothing moves | Turned slowly: smooth | in words: 2 mm at the blade tip, nothing moves, smooth'
    ],
    [
      { tipMm: 2.1, moves: 'nothing', feels: 'smooth' },
      'pass (sound): 2.1 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 2.1 mm [up to 5 mm] | What moves: Nothing moves | Turned slowly: smooth | sure? 2.1 mm at the tip, and yet nothing moves | in words: 2.1 mm at the blade tip, nothing moves, smooth'
    ],
    [
      { tipMm: 5, moves: 'clutch', feels: 'smooth' },
      'pass (sound): 5 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 5 mm [up to 5 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: smooth | in words: 5 mm at the blade tip, fan and clutch move, the pump shaft stands still, smooth'
    ],
    [
      { tipMm: 5.1, moves: 'clutch', feels: 'smooth' },
      'fail (ofClutch): 5.1 mm at the blade tip; the limit is 5 mm, by the sheet; the pump shaft stands still | At the blade tip: 5.1 mm [up to 5 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: smooth | in words: 5.1 mm at the blade tip, fan and clutch move, the pump shaft stands still, smooth'
    ],
    [
      { tipMm: 5.1, moves: 'nothing', feels: 'smooth' },
      'unclear: 5.1 mm at the blade tip; the limit is 5 mm, by the sheet. See which part moves: that tells clutch from pump | At the blade tip: 5.1 mm [up to 5 mm] | What moves: Nothing moves | Turned slowly: smooth | sure? 5.1 mm at the tip, and yet nothing moves | in words: 5.1 mm at the blade tip, nothing moves, smooth'
    ],
    [
      { tipMm: 3, moves: 'clutch', feels: 'rough' },
      'fail (ofClutch): Turns roughly by hand. 3 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 3 mm [up to 5 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: rough | in words: 3 mm at the blade tip, fan and clutch move, the pump shaft stands still, rough'
    ],
    [
      { tipMm: 3, moves: 'nothing', feels: 'rough' },
      'fail (rough): Turns roughly by hand. 3 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 3 mm [up to 5 mm] | What moves: Nothing moves | Turned slowly: rough | sure? 3 mm at the tip, and yet nothing moves | in words: 3 mm at the blade tip, nothing moves, rough'
    ],
    [
      { tipMm: 8, moves: 'pump', feels: 'smooth' },
      'fail (ofPump): The pump shaft moves with the fan: 8 mm at the blade tip; the limit is 5 mm, by the sheet. The pump is at fault, not the clutch | At the blade tip: 8 mm [up to 5 mm] | What moves: The pump shaft and pulley move with the fan | Turned slowly: smooth | in words: 8 mm at the blade tip, the pump shaft and pulley move with the fan, smooth'
    ],
    [
      { tipMm: 8, moves: 'blade', feels: 'smooth' },
      'unclear: Only the blade bends. Measure again with the hand at the hub: 8 mm at the blade tip; the limit is 5 mm, by the sheet | At the blade tip: 8 mm [up to 5 mm] | What moves: Only the blade bends | Turned slowly: smooth | in words: 8 mm at the blade tip, only the blade bends, smooth'
    ],
    [
      { tipMm: 41, moves: 'clutch', feels: 'smooth' },
      'fail (ofClutch): 41 mm at the blade tip; the limit is 5 mm, by the sheet; the pump shaft stands still | At the blade tip: 41 mm [up to 5 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: smooth | sure? 41 mm at the blade tip is far more than a bearing in one piece allows | in words: 41 mm at the blade tip, fan and clutch move, the pump shaft stands still, smooth'
    ],
    [
      { tipMm: 40, moves: 'clutch', feels: 'smooth' },
      'fail (ofClutch): 40 mm at the blade tip; the limit is 5 mm, by the sheet; the pump shaft stands still | At the blade tip: 40 mm [up to 5 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: smooth | in words: 40 mm at the blade tip, fan and clutch move, the pump shaft stands still, smooth'
    ]
  ])('up to 5 mm by the sheet: %j', (readings, says) =>
    expect(told('clutch-play', readings, soaked)).toBe(says)
  );

  it.each([
    [
      { tipMm: 12, moves: 'clutch', feels: 'smooth' },
      'unclear (ofClutch): 12 mm at the blade tip; the limit is 6 mm, typical; the sheet gives none; the pump shaft stands still. Unusual for such an engine, and no more: the sheet’s play at the blade tip would decide | At the blade tip: 12 mm [up to 6 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: smooth | in words: 12 mm at the blade tip, fan and clutch move, the pump shaft stands still, smooth'
    ],
    [
      { tipMm: 12, moves: 'clutch', feels: 'rough' },
      'fail (ofClutch): Turns roughly by hand. 12 mm at the blade tip; the limit is 6 mm, typical; the sheet gives none | At the blade tip: 12 mm [up to 6 mm] | What moves: Fan and clutch move, the pump shaft stands still | Turned slowly: rough | in words: 12 mm at the blade tip, fan and clutch move, the pump shaft stands still, rough'
    ],
    [
      { tipMm: 12, moves: 'nothing', feels: 'smooth' },
      'unclear: 12 mm at the blade tip; the limit is 6 mm, typical; the sheet gives none. See which part moves: that tells clutch from pump | At the blade tip: 12 mm [up to 6 mm] | What moves: Nothing moves | Turned slowly: smooth | sure? 12 mm at the tip, and yet nothing moves | in words: 12 mm at the blade tip, nothing moves, smooth'
    ]
  ])('without a limit: %j', (readings, says) => expect(told('clutch-play', readings, noLimit)).toBe(says));

  it.each([
    [
      { firstTurn: 'firm', freeTurns: null, laterTurns: null },
      'pass (sound): Firm drag on the first turn, as a clutch with its fluid has | First turn: Firm drag [slight to firm] | in words: First turn: firm drag'
    ],
    [
      { firstTurn: 'slight', freeTurns: 2, laterTurns: null },
      'pass (sound): Slight drag on the first turn, as a clutch with its fluid has | First turn: Slight drag [slight to firm] | Turns after a flick: 2 [up to 2] | in words: First turn: slight drag, 2 turns after a flick'
    ],
    [
      { firstTurn: 'slight', freeTurns: 3, laterTurns: 'none' },
      'unclear: Drags, yet makes 3 turns after a flick; up to 2 is good, 5 and more is slipping | First turn: Slight drag [slight to firm] | Turns after a flick: 3 [up to 2] | in words: First turn: slight drag, 3 turns after a flick; later no drag'
    ],
    [
      { firstTurn: 'slight', freeTurns: 5, laterTurns: null },
      'fail (free): Runs on for 5 turns after a flick; a clutch with its fluid stops within 2 | First turn: Slight drag [slight to firm] | Turns after a flick: 5 [up to 2] | in words: First turn: slight drag, 5 turns after a flick'
    ],
    [
      { firstTurn: 'none', freeTurns: null, laterTurns: null },
      'fail (free): No drag on the first turn after standing; a clutch with its fluid drags | First turn: No drag [slight to firm] | in words: First turn: no drag'
    ],
    [
      { firstTurn: 'none', freeTurns: 1, laterTurns: null },
      'fail (free): No drag on the first turn after standing; a clutch with its fluid drags | First turn: No drag [slight to firm] | Turns after a flick: 1 [up to 2] | in words: First turn: no drag, one turn after a flick'
    ],
    [
      { firstTurn: 'locked', freeTurns: null, laterTurns: null },
      'fail (stuck): Cannot be turned by hand on a cold engine | First turn: Cannot be turned [slight to firm] | in words: First turn: cannot be turned'
    ],
    [
      { firstTurn: 'locked', freeTurns: 1, laterTurns: null },
      'fail (stuck): Cannot be turned by hand on a cold engine | First turn: Cannot be turned [slight to firm] | Turns after a flick: 1 [up to 2] | sure? It cannot be turned, yet it ran on after a flick | in words: First turn: cannot be turned, one turn after a flick'
    ],
    [
      { firstTurn: 'firm', freeTurns: 4, laterTurns: null },
      'unclear: Drags, yet makes 4 turns after a flick; up to 2 is good, 5 and more is slipping | First turn: Firm drag [slight to firm] | Turns after a flick: 4 [up to 2] | in words: First turn: firm drag, 4 turns after a flick'
    ]
  ])('the first turn: %j', (readings, says) => expect(told('clutch-cold-turn', readings, soaked)).toBe(says));

  it.each([
    [
      { firstTurn: 'locked', freeTurns: null, laterTurns: null },
      'unclear (unpowered): Cannot be turned: an electronic clutch without power is engaged, so this says nothing. Compare command and fan speed, and measure at its plug | First turn: Cannot be turned [slight to firm] | in words: First turn: cannot be turned'
    ],
    [
      { firstTurn: 'none', freeTurns: null, laterTurns: null },
      'fail (free): No drag on the first turn after standing; a clutch with its fluid drags | First turn: No drag [slight to firm] | in words: First turn: no drag'
    ]
  ])('the first turn, an electronic clutch: %j', (readings, says) =>
    expect(told('clutch-cold-turn', readings, electronic)).toBe(says)
  );

  it.each([
    [
      { firstTurn: 'none', freeTurns: null, laterTurns: null },
      'void: No drag on the first turn after standing; a clutch with its fluid drags | First turn: No drag [slight to firm] | void: The fan was turned by hand shortly before; only the first turn after standing counts | counts from 2026-11-25T08:00:01.000Z | in words: First turn: no drag'
    ]
  ])('the first turn, an hour too early: %j', (readings, says) =>
    expect(told('clutch-cold-turn', readings, lately)).toBe(says)
  );

  it.each([
    [
      { firstTurn: 'none', freeTurns: null, laterTurns: null },
      'fail (free): No drag on the first turn after standing; a clutch with its fluid drags | First turn: No drag [slight to firm] | in words: First turn: no drag'
    ]
  ])('the first turn, six hours after another: %j', (readings, says) =>
    expect(told('clutch-cold-turn', readings, longAgo)).toBe(says)
  );

  it.each([
    [
      { cold: 'fades', hot: null, coolantC: null },
      'pass (frees): It falls quiet after the start | After the start: roars, and falls quiet within two minutes | in words: cold: roars, and falls quiet within two minutes'
    ],
    [
      { cold: 'fades', hot: 'roars', coolantC: 101 },
      'pass (frees, engages): The roar sets in when it is hot | After the start: roars, and falls quiet within two minutes | Hot, at 101 °C: the roar sets in | in words: cold: roars, and falls quiet within two minutes; hot: the roar sets in'
    ],
    [
      { cold: 'quiet', hot: null, coolantC: null },
      'unclear: Quiet from the start: it had not stood for long, or holds no fluid | After the start: quiet from the start | in words: cold: quiet from the start'
    ],
    [
      { cold: 'roars', hot: 'roars', coolantC: 101 },
      'fail (roarsOn): It goes on roaring after the start: the fan never lets go | After the start: goes on roaring | Hot, at 101 °C: the roar sets in | in words: cold: goes on roaring; hot: the roar sets in'
    ],
    [
      { cold: null, hot: 'quiet', coolantC: 100 },
      'fail (silent): It stays quiet at 100 °C: the fan is hardly carried along | Hot, at 100 °C: stays quiet | in words: hot: stays quiet'
    ],
    [
      { cold: 'fades', hot: 'quiet', coolantC: 100 },
      'fail (silent, frees): It stays quiet at 100 °C: the fan is hardly carried along | After the start: roars, and falls quiet within two minutes | Hot, at 100 °C: stays quiet | in words: cold: roars, and falls quiet within two minutes; hot: stays quiet'
    ],
    [
      { cold: null, hot: 'quiet', coolantC: 99 },
      'unclear: It stays quiet; a clutch need not take hold before 100 °C | Hot, at 99 °C: stays quiet | in words: hot: stays quiet'
    ],
    [
      { cold: null, hot: 'quiet', coolantC: null },
      'unclear: It stays quiet; a clutch need not take hold before 100 °C | Hot: stays quiet | in words: hot: stays quiet'
    ],
    [
      { cold: null, hot: 'roars', coolantC: null },
      'pass (engages): The roar sets in when it is hot | Hot: the roar sets in | in words: hot: the roar sets in'
    ],
    [
      { cold: null, hot: null, coolantC: null },
      'unclear: Nothing was listened to | in words: Not listened to'
    ]
  ])('by ear, full open at 95: %j', (readings, says) =>
    expect(told('clutch-listen', readings, soaked)).toBe(says)
  );
});
