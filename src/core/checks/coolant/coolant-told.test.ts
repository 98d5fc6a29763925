import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';
import { lossIn10Min } from './pressure-hold';

const minibus = context([stopped(14)], curlew);
const noSheet = context([stopped(14)], null);
const warm = context([stopped(1)], curlew);

describe('what is told of checks of coolant and cap', () => {
  it.each([
    [
      { opensKPa: [110], holds: 'yes', seal: 'good' },
      'pass (sound): Opens at 110 kPa and holds below it | Opens at: 110 kPa [110 kPa ± 12 %] | Below that: Holds below it | Seal: Clean and whole | in words: Opens at 110 kPa, holds below it'
    ],
    [
      { opensKPa: [97, 92, 98], holds: 'yes', seal: null },
      'pass (sound): Opens at 97 kPa and holds below it | Opens at: 97 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 97 kPa, 92 kPa, 98 kPa, holds below it'
    ],
    [
      { opensKPa: [80, 96], holds: 'yes', seal: null },
      'fail (weak): Opens at 80 kPa, and not at 110 kPa: the coolant boils earlier | Opens at: 80 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 80 kPa, 96 kPa, holds below it'
    ],
    [
      { opensKPa: [96.7], holds: 'yes', seal: null },
      'fail (weak): Opens at 96.7 kPa, and not at 110 kPa: the coolant boils earlier | Opens at: 96.7 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 96.7 kPa, holds below it'
    ],
    [
      { opensKPa: [96.9], holds: 'yes', seal: null },
      'pass (sound): Opens at 96.9 kPa and holds below it | Opens at: 96.9 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 96.9 kPa, holds below it'
    ],
    [
      { opensKPa: [110], holds: null, seal: null },
      'unclear: Opens at 110 kPa as it should; see whether it holds just below | Opens at: 110 kPa [110 kPa ± 12 %] | in words: Opens at 110 kPa'
    ],
    [
      { opensKPa: [112], holds: 'no', seal: 'worn' },
      'fail (weak): Does not hold below its opening pressure | Opens at: 112 kPa [110 kPa ± 12 %] | Below that: Sinks | Seal: Hard, cracked or dirty | in words: Opens at 112 kPa, sinks'
    ],
    [
      { opensKPa: [136.3], holds: 'yes', seal: null },
      'pass (sound): Opens at 136.3 kPa and holds below it | Opens at: 136.3 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 136.3 kPa, holds below it'
    ],
    [
      { opensKPa: [136.5], holds: 'yes', seal: null },
      'fail: Opens only at 136.5 kPa, 110 kPa by the sheet: a wrong or stuck cap strains hoses and radiator | Opens at: 136.5 kPa [110 kPa ± 12 %] | Below that: Holds below it | in words: Opens at 136.5 kPa, holds below it'
    ]
  ])('a cap of 110 kPa: %j', (readings, says) => expect(told('cap-test', readings, minibus)).toBe(says));

  it.each([
    [
      { opensKPa: [95], holds: null, seal: null },
      'unclear: Opens at 95 kPa; the sheet does not say where it should | Opens at: 95 kPa | in words: Opens at 95 kPa'
    ],
    [
      { opensKPa: [95], holds: 'no', seal: null },
      'fail (weak): Does not hold below its opening pressure | Opens at: 95 kPa | Below that: Sinks | in words: Opens at 95 kPa, sinks'
    ]
  ])('a cap of nobody knows what: %j', (readings, says) =>
    expect(told('cap-test', readings, noSheet)).toBe(says)
  );

  it.each([
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 10, kPa: 98 }
        ],
        seen: null,
        engineRan: false
      },
      'pass (holdsStopped): Holds its pressure, 2 kPa in ten minutes | Lost in ten minutes: 2 kPa [at most 8 kPa] | Watched for: 10 min from 100 kPa | in words: 100 kPa at 0 min, 98 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 5, kPa: 99 }
        ],
        seen: 'none',
        engineRan: true
      },
      'pass (sound): Holds its pressure, 2 kPa in ten minutes | Lost in ten minutes: 2 kPa [at most 8 kPa] | Watched for: 5 min from 100 kPa | in words: 100 kPa at 0 min, 99 kPa at 5 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 4, kPa: 100 }
        ],
        seen: null,
        engineRan: false
      },
      'unclear: Holds for 4 min; watch 5 at least | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 4 min from 100 kPa | in words: 100 kPa at 0 min, 100 kPa at 4 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 10, kPa: 91.9 }
        ],
        seen: 'outside',
        engineRan: false
      },
      'fail (falls): Loses 8.1 kPa in ten minutes, and coolant is seen | Lost in ten minutes: 8.1 kPa [at most 8 kPa] | Watched for: 10 min from 100 kPa | in words: 100 kPa at 0 min, 91.9 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 10, kPa: 92 }
        ],
        seen: null,
        engineRan: false
      },
      'pass (holdsStopped): Holds its pressure, 8 kPa in ten minutes | Lost in ten minutes: 8 kPa [at most 8 kPa] | Watched for: 10 min from 100 kPa | in words: 100 kPa at 0 min, 92 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 10, kPa: 80 }
        ],
        seen: 'inside',
        engineRan: false
      },
      'fail (falls, unseen): Loses 20 kPa in ten minutes, into the engine or the cabin | Lost in ten minutes: 20 kPa [at most 8 kPa] | Watched for: 10 min from 100 kPa | in words: 100 kPa at 0 min, 80 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 100 },
          { min: 10, kPa: 80 }
        ],
        seen: null,
        engineRan: false
      },
      'fail (falls, unseen): Loses 20 kPa in ten minutes, and nothing is seen outside | Lost in ten minutes: 20 kPa [at most 8 kPa] | Watched for: 10 min from 100 kPa | in words: 100 kPa at 0 min, 80 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 148 },
          { min: 10, kPa: 140 },
          { min: 10, kPa: 139 }
        ],
        seen: null,
        engineRan: false
      },
      'fail (falls, unseen): Loses 8.5 kPa in ten minutes, and nothing is seen outside | Lost in ten minutes: 8.5 kPa [at most 8 kPa] | Watched for: 10 min from 148 kPa | refused: 148 kPa is far above the cap’s 110 kPa: do not pump higher than the cap | refused: Row 3 is not later than the row before | in words: 148 kPa at 0 min, 140 kPa at 10 min, 139 kPa at 10 min'
    ]
  ])('kept shut: %j', (readings, says) => expect(told('pressure-hold', readings, minibus)).toBe(says));

  it.each([
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 1, kPa: 66 }
        ],
        seen: null,
        engineRan: true
      },
      'fail (rises): The pressure rises by 6 kPa in the first minute of running, before anything is warm: gas comes into the coolant. Refer on | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 1 min from 60 kPa | in words: 60 kPa at 0 min, 66 kPa at 1 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 1, kPa: 65 },
          { min: 10, kPa: 80 }
        ],
        seen: null,
        engineRan: true
      },
      'unclear: The pressure rises by 18.7 kPa in ten minutes: an engine that warms lifts it by itself. Begin cold, and read it after half a minute of running | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 10 min from 60 kPa | in words: 60 kPa at 0 min, 65 kPa at 1 min, 80 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 2, kPa: 75 },
          { min: 10, kPa: 80 }
        ],
        seen: null,
        engineRan: true
      },
      'unclear: The pressure rises by 16.1 kPa in ten minutes: an engine that warms lifts it by itself. Begin cold, and read it after half a minute of running | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 10 min from 60 kPa | in words: 60 kPa at 0 min, 75 kPa at 2 min, 80 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 10, kPa: 67 }
        ],
        seen: null,
        engineRan: false
      },
      'fail (rises): The pressure rises by itself on a cold engine that stands, 7 kPa in ten minutes: gas comes into the coolant. Refer on | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 10 min from 60 kPa | in words: 60 kPa at 0 min, 67 kPa at 10 min'
    ],
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 10, kPa: 65 }
        ],
        seen: null,
        engineRan: false
      },
      'pass (holdsStopped): Holds its pressure, 0 kPa in ten minutes | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 10 min from 60 kPa | in words: 60 kPa at 0 min, 65 kPa at 10 min'
    ]
  ])('that rises: %j', (readings, says) => expect(told('pressure-hold', readings, minibus)).toBe(says));

  it.each([
    [
      {
        points: [
          { min: 0, kPa: 60 },
          { min: 10, kPa: 67 }
        ],
        seen: null,
        engineRan: false
      },
      'unclear: The pressure rises by itself, 7 kPa in ten minutes; let the engine cool and watch again | Lost in ten minutes: 0 kPa [at most 8 kPa] | Watched for: 10 min from 60 kPa | in words: 60 kPa at 0 min, 67 kPa at 10 min'
    ]
  ])('that rises while it is warm: %j', (readings, says) =>
    expect(told('pressure-hold', readings, warm)).toBe(says)
  );

  it.each([
    [
      { by: 'fluid', seen: 'gas', dry: true, worked: true, bubbles: null },
      'fail (gas): Combustion gas in the coolant. Refer on: no part of the cooling system cures it | Test: Test fluid | Shows: Gas | in words: Test fluid: gas'
    ],
    [
      { by: 'meter', seen: 'gas', dry: true, worked: true, bubbles: 'steady' },
      'fail (gas): Combustion gas in the coolant. Refer on: no part of the cooling system cures it | Test: Exhaust gas meter | Shows: Gas | Bubbles: A steady stream | in words: Exhaust gas meter: gas, bubbles: a steady stream'
    ],
    [
      { by: 'look', seen: 'gas', dry: true, worked: true, bubbles: null },
      'unclear (signs): Signs of gas: test again with fresh fluid, and the level low enough | Test: Bubbles only | Shows: Gas | in words: Bubbles only: gas'
    ],
    [
      { by: 'fluid', seen: 'gas', dry: false, worked: true, bubbles: null },
      'unclear (signs): Signs of gas: test again with fresh fluid, and the level low enough | Test: Test fluid | Shows: Gas | but: Coolant in the tester spoils it: lower the level first | in words: Test fluid: gas'
    ],
    [
      { by: 'fluid', seen: 'clear', dry: true, worked: true, bubbles: 'steady' },
      'unclear (signs): Signs of gas: test again with fresh fluid, and the level low enough | Test: Test fluid | Shows: No gas | Bubbles: A steady stream | in words: Test fluid: no gas, bubbles: a steady stream'
    ]
  ])('gas: %j', (readings, says) => expect(told('combustion-gas', readings, minibus)).toBe(says));

  it.each([
    [
      { by: 'fluid', seen: 'clear', dry: true, worked: true, bubbles: null },
      'pass (sound): No combustion gas after work under load | Test: Test fluid | Shows: No gas | in words: Test fluid: no gas'
    ],
    [
      { by: 'fluid', seen: 'clear', dry: true, worked: false, bubbles: null },
      'unclear: No gas so far; let it work for some minutes and test again | Test: Test fluid | Shows: No gas | but: A small leak shows only after minutes under load | in words: Test fluid: no gas'
    ],
    [
      { by: 'fluid', seen: 'clear', dry: false, worked: true, bubbles: null },
      'unclear: No gas so far; let it work for some minutes and test again | Test: Test fluid | Shows: No gas | but: Coolant in the tester spoils it: lower the level first | in words: Test fluid: no gas'
    ],
    [
      { by: 'look', seen: 'clear', dry: true, worked: true, bubbles: null },
      'unclear: No gas so far; let it work for some minutes and test again | Test: Bubbles only | Shows: No gas | in words: Bubbles only: no gas'
    ],
    [
      { by: 'fluid', seen: 'doubtful', dry: true, worked: false, bubbles: null },
      'unclear: Doubtful: test again with fresh fluid | Test: Test fluid | Shows: Doubtful | in words: Test fluid: doubtful'
    ],
    [
      { by: 'meter', seen: 'doubtful', dry: true, worked: true, bubbles: 'some' },
      'unclear: Doubtful: test again with fresh fluid | Test: Exhaust gas meter | Shows: Doubtful | Bubbles: A few | in words: Exhaust gas meter: doubtful, bubbles: a few'
    ]
  ])('no gas: %j', (readings, says) => expect(told('combustion-gas', readings, minibus)).toBe(says));
});

describe('what a watched system loses in ten minutes', () => {
  const points = (...list: [number, number][]) => list.map(([min, kPa]) => ({ min, kPa }));
  it.each([
    ['falls on a line, whenever the watch began', points([5, 100], [10, 96], [15, 92]), 8],
    ['rises', points([0, 60], [20, 70]), -5],
    ['stands', points([0, 60], [5, 60], [10, 60]), 0],
    // Worked by hand: about their means −5·2 + 0·(−1) + 5·(−1) = −15 over 50.
    ['is read unevenly', points([0, 62], [5, 59], [10, 59]), 3],
    ['was read once', points([7, 80]), 0]
  ])('that %s', (_, list, kPa) => expect(lossIn10Min(list)).toBeCloseTo(kPa, 9));

  it('is no pulse of gas where the watch began late and nothing was read in its first minute', () => {
    const late = { seen: null, engineRan: true };
    expect(
      told('pressure-hold', { ...late, points: points([5, 60], [5.5, 66], [15, 67]) }, minibus)
    ).toContain('fail (rises): The pressure rises by 6 kPa in the first minute');
    expect(
      told('pressure-hold', { ...late, points: points([5, 60], [6.5, 66], [15, 72]) }, minibus)
    ).toContain('unclear: The pressure rises by');
    // The most of the first minute counts, and an engine that stands has no strokes.
    const two = points([0, 60], [0.5, 66], [1, 61], [10, 60]);
    expect(told('pressure-hold', { ...late, points: two }, minibus)).toContain('fail (rises)');
    expect(told('pressure-hold', { ...late, engineRan: false, points: two }, minibus)).not.toContain(
      'rises by'
    );
    expect(told('pressure-hold', { ...late, points: points([5, 60], [15, 60]) }, minibus)).toContain(
      'Watched for: 10 min from 60 kPa'
    );
  });

  it('is asked of no cap that nobody described, and refused far above the one that is', () => {
    const pumped = (kPa: number) => ({ points: points([0, kPa], [10, kPa]), seen: 'none', engineRan: false });
    // The minibus has 110 kPa on its cap.
    expect(told('pressure-hold', pumped(147), minibus)).toContain('pass');
    expect(told('pressure-hold', pumped(148), minibus)).toContain('far above the cap’s 110 kPa');
    expect(told('pressure-hold', pumped(148), noSheet)).not.toContain('far above');
  });
});
