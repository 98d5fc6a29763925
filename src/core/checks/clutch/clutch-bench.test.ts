import { describe, expect, it } from 'vitest';
import { context, fathom, faults, judge, sheetOf, stopped } from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';

const of = (name: string) => context([stopped(14)], sheetOf(name));

describe('clutch speeds', () => {
  const speeds = (
    pairs: [number, number, number | null, number | null][],
    more: object = {},
    sheet = fathom
  ) =>
    judge(
      'clutch-hot-speed',
      {
        pairs: pairs.map(([engineRpm, fanRpm, airC, sinceStartMin]) => ({
          engineRpm,
          fanRpm,
          airC,
          sinceStartMin
        })),
        coolantC: null,
        ...more
      },
      context([stopped(14)], sheet)
    );
  it('a clutch that drives when hot is cleared', () => {
    const o = speeds([[1000, 850, 74, null]]);
    expect(o.result).toBe('pass');
    expect(faults(o, 'against')).toEqual(['clutch-slipping', 'clutch-engages-late', 'clutch-seized']);
  });
  it('one that is free or slips when hot has lost its fluid, or engages late', () => {
    expect(faults(speeds([[1000, 320, 76, null]]), 'for')).toEqual([
      'clutch-slipping',
      'clutch-engages-late'
    ]);
    const late = speeds([
      [1000, 260, 60, null],
      [1000, 270, 82, null],
      [1000, 860, 90, null]
    ]);
    expect(faults(late, 'for')).toEqual(['clutch-engages-late']);
    expect(late.says).toContain('late');
  });
  it('one that drives in cool air is locked, but not in its first minutes', () => {
    expect(faults(speeds([[1200, 1150, 30, 12]]), 'for')).toEqual(['clutch-seized']);
    expect(speeds([[1200, 1050, 30, 1]]).result).toBe('unclear');
  });
  it('its limit and its cut-out are no slip', () => {
    expect(speeds([[3300, 2550, 80, null]]).result).toBe('pass');
    expect(speeds([[3800, 900, 80, null]]).result).toBe('unclear');
  });
  it('a fan faster than its pulley cannot be', () => {
    const refused = checkOf('clutch-hot-speed').refuse(
      {
        pairs: [{ engineRpm: 800, fanRpm: 1600, airC: null, sinceStartMin: null }],
        pulley: 1,
        coolantC: null
      },
      fathom
    );
    expect(refused[0]).toMatchObject({
      field: 'pairs.0.fanRpm',
      message: expect.stringContaining('faster than the pulley') as string
    });
  });
  it('one that follows a command is not judged by the air', () => {
    const lacks = checkOf('clutch-hot-speed').lacks!;
    expect(lacks(sheetOf('qh-19-plough'))).toContain('follows a command');
    expect(lacks(fathom)).toBeNull();
  });
  it('a fixed one is held to its two ratios', () => {
    const heron = sheetOf('qh-22-heron');
    expect(speeds([[1000, 620, null, null]], {}, heron).result).toBe('pass');
    expect(faults(speeds([[1000, 400, null, null]], {}, heron), 'for')).toEqual(['clutch-slipping']);
    expect(faults(speeds([[1000, 960, null, null]], {}, heron), 'for')).toEqual(['clutch-seized']);
  });
});

describe('an electronic clutch', () => {
  const plough = of('qh-19-plough');
  const electronic = (pairs: [number, number, number][], more: object = {}) =>
    judge(
      'clutch-electronic',
      {
        pairs: pairs.map(([commandPct, engineRpm, fanRpm]) => ({ commandPct, engineRpm, fanRpm })),
        unplugged: null,
        pickup: null,
        ...more
      },
      plough
    );
  it('follows, is locked, or does not come up', () => {
    expect(
      electronic([
        [0, 1000, 240],
        [90, 1000, 830]
      ]).result
    ).toBe('pass');
    const locked = electronic(
      [
        [0, 1000, 930],
        [80, 1000, 940]
      ],
      { unplugged: { engineRpm: 1000, fanRpm: 935 } }
    );
    expect(faults(locked, 'for')).toEqual(['clutch-circuit-open', 'clutch-seized']);
    expect(locked.says).toContain('Volts at its plug');
    expect(
      faults(
        electronic([
          [0, 1000, 240],
          [90, 1000, 330]
        ]),
        'for'
      )
    ).toEqual(['clutch-slipping']);
  });
  it('tells a locked one with power at its plug from one without', () => {
    const engaged: [number, number, number][] = [
      [10, 1200, 1120],
      [90, 1200, 1130]
    ];
    const powered = electronic(engaged, { plugV: 12.5 });
    expect([faults(powered, 'for'), faults(powered, 'against')]).toEqual([
      ['clutch-seized'],
      ['clutch-circuit-open', 'clutch-slipping']
    ]);
    const dead = electronic(engaged, { plugV: 0.2 });
    expect(faults(dead, 'for')).toEqual(['clutch-circuit-open']);
    expect(dead.says).toContain('nothing frees it');
  });
  it('wants commands that lie apart, and counts the pulses of a turn', () => {
    expect(
      electronic([
        [20, 1000, 400],
        [40, 1000, 520]
      ]).says
    ).toContain('command 90 % as well');
    const o = electronic(
      [
        [0, 1000, 240],
        [90, 1000, 830]
      ],
      { pickup: { hz: 40, fanRpm: 800 } }
    );
    expect(o.doubts[0]).toContain('3.0 pulses a turn and not 6');
  });
});
