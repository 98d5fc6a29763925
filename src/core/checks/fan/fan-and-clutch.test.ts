import { describe, expect, it } from 'vitest';
import {
  at,
  context,
  curlew,
  fathom,
  faults,
  judge,
  sheetOf,
  soaked,
  stopped
} from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';

describe('clutch, first turn cold', () => {
  const turn = (firstTurn: string, freeTurns: number | null = null, c = soaked) =>
    judge('clutch-cold-turn', { firstTurn, freeTurns, laterTurns: null }, c);
  it.each([
    ['none', null, 'fail', 'clutch-slipping'],
    ['slight', 8, 'fail', 'clutch-slipping'],
    ['locked', null, 'fail', 'clutch-seized'],
    ['slight', 4, 'unclear', undefined],
    ['firm', 1, 'pass', undefined]
  ])('%s with %s free turns: %s', (first, free, result, suspect) => {
    const o = turn(first, free);
    expect([o.result, faults(o, 'for')[0]]).toEqual([result, suspect]);
  });
  it('says nothing of a locked electronic clutch without power', () => {
    expect(turn('locked', null, context([stopped(14)], sheetOf('qh-19-plough'))).result).toBe('unclear');
  });
  it('counts only once after standing', () => {
    const earlier = [{ at: '2026-11-25T07:45:00.000Z', readings: {} }];
    const second = turn('none', null, { ...soaked, earlier });
    expect([second.result, second.voidShort, second.countsFrom]).toEqual([
      'void',
      'not the first turn',
      '2026-11-25T13:45:00.000Z'
    ]);
    expect(
      turn('none', null, { ...soaked, earlier: [{ at: '2026-11-24T20:00:00.000Z', readings: {} }] }).result
    ).toBe('fail');
  });
});

describe('clutch play', () => {
  const play = (tipMm: number, moves: string, feels = 'smooth', sheet = fathom) =>
    judge('clutch-play', { tipMm, moves, feels }, context([stopped(14)], sheet));
  it('asks which part moves: the pump is not the clutch', () => {
    expect(faults(play(9, 'pump'), 'for')).toEqual(['water-pump-bearing']);
    expect(faults(play(9, 'clutch'), 'for')).toEqual(['clutch-bearing']);
    expect(faults(play(9, 'clutch'), 'against')).toEqual(['water-pump-bearing']);
    expect(play(9, 'blade').result).toBe('unclear');
  });
  it('takes the limit of the sheet, else a typical one, and says which', () => {
    expect(play(5.5, 'clutch').says).toContain('by the sheet');
    expect(play(5.5, 'clutch').result).toBe('fail');
    expect(play(5.5, 'clutch', 'smooth', sheetOf('qh-22-heron'))).toMatchObject({ result: 'pass' });
    expect(play(5.5, 'clutch', 'smooth', sheetOf('qh-22-heron')).says).toContain(
      'typical; the sheet gives none'
    );
    expect(play(2, 'nothing', 'rough').result).toBe('fail');
  });
});

describe('hose rush', () => {
  const hose = (felt: string, coolantC: number, sheet = curlew) =>
    judge('hose-rush', { felt, coolantC, by: 'hand' }, context([], sheet));
  it.each([
    ['rush', 88, 'pass', undefined],
    ['rush', 70, 'fail', 'thermostat-low-rating'],
    ['rush', 104, 'unclear', 'thermostat-sluggish'],
    ['gradual', 50, 'fail', 'thermostat-stuck-open'],
    ['never', 104, 'fail', 'thermostat-stuck-closed'],
    ['never', 92, 'unclear', undefined]
  ])('%s at %d °C: %s', (felt, at, result, suspect) => {
    const o = hose(felt, at);
    expect([o.result, faults(o, 'for')[0]]).toEqual([result, suspect]);
  });
  it('knows which hose by the side of the thermostat', () => {
    expect(hose('rush', 86, fathom).numbers[0].name).toBe('Lower hose');
    expect(hose('rush', 86).numbers[0].name).toBe('Upper hose');
  });
});

describe('fan switching', () => {
  const fan = (onC: number | null, offC: number | null, hottestC: number, more: object = {}) =>
    judge(
      'fan-switching',
      { stages: [{ name: 'low', onC, offC }], hottestC, acOn: false, moving: false, ...more },
      context([], curlew)
    );
  it('holds on and off against the sheet, 101 and 96 °C', () => {
    expect(fan(101, 96, 103).result).toBe('pass');
    expect(fan(105, 100, 106).result).toBe('unclear');
    expect(faults(fan(92, 87, 95), 'for')).toEqual([
      'fan-setpoint-modified',
      'ect-reads-hot',
      'ect-wrong-part',
      'ect-wiring'
    ]);
    expect(faults(fan(109, 104, 110), 'for')).toEqual([
      'fan-setpoint-modified',
      'ect-reads-cold',
      'ect-wrong-part',
      'ect-wiring'
    ]);
    expect(fan(101, 90, 103).result).toBe('unclear');
  });
  it('does not blame the sensor for what the control unit switches by its own reading', () => {
    expect(faults(fan(92, 87, 95, { by: 'scan' }), 'for')).toEqual(['fan-setpoint-modified']);
    expect(faults(fan(92, 87, 95, { by: 'thermometer' }), 'for')).toContain('ect-reads-hot');
  });
  it('takes a fan that runs from the first minute for one that knows no command', () => {
    expect(faults(fan(44, null, 70, { by: 'scan' }), 'for')).toContain('fan-relay-welded');
    const failsafe = fan(-40, null, -40, { by: 'scan' });
    expect(faults(failsafe, 'for')).toEqual(['ect-open-circuit', 'ect-wiring']);
    expect(failsafe.says).toContain('failsafe');
  });
  it('does not blame a fan that was never called for, nor one the A/C called', () => {
    expect(fan(null, null, 98)).toMatchObject({ result: 'unclear' });
    expect(faults(fan(null, null, 106), 'for')).toContain('fan-motor-dead');
    expect(fan(80, 76, 90, { acOn: true }).says).toContain('A/C on');
  });
  it('refuses a fan that goes off hotter than it came on', () => {
    const read = checkOf('fan-switching').readings.safeParse({
      stages: [{ name: 'low', onC: 96, offC: 101 }],
      hottestC: 102,
      acOn: false,
      moving: false
    });
    expect(read.error!.issues[0].message).toContain('lower temperature than it comes on');
  });
});

describe('commanded fan', () => {
  const command = (click: string, turns: string, commandedPct = 100, sheet = curlew) =>
    judge('fan-command', { click, turns, commandedPct }, context([], sheet));
  it('tells the command path from the power path', () => {
    expect(command('yes', 'full').result).toBe('pass');
    expect(faults(command('yes', 'no'), 'for')[0]).toBe('fan-relay-contacts');
    expect(faults(command('yes', 'no'), 'against')).toEqual(['fan-command-missing', 'fan-relay-coil']);
    expect(faults(command('no', 'no'), 'for').slice(0, 2)).toEqual(['fan-relay-coil', 'fan-command-missing']);
    // It stands still all the same: anything that can keep it from running may.
    expect(faults(command('unknown', 'no'), 'for')).toContain('fan-motor-dead');
    expect(faults(command('unknown', 'no'), 'for')).toContain('fan-relay-coil');
    expect(faults(command('no', 'no', 100, sheetOf('qh-07-parcel')), 'for')).toEqual([
      'fan-motor-dead',
      'fan-feed-open',
      'fan-command-missing',
      'fan-controller-dead'
    ]);
  });
  it('judges a slow fan only at a full command', () => {
    expect(command('yes', 'slow', 50).result).toBe('unclear');
    expect(faults(command('yes', 'slow', 100), 'for')[0]).toBe('fan-motor-weak');
  });
});

describe('fan after key-off', () => {
  const fan = (ranMin: number, coolantC: number | null, stillRunning = false, sheet = curlew) =>
    judge('key-off-fan', { ranMin, stillRunning, coolantC }, context([], sheet));
  it('is by its rule within the sheet’s 6 minutes, a fault beyond or on a cool engine', () => {
    expect(fan(4, 103).result).toBe('pass');
    expect(faults(fan(9, 103), 'for')[0]).toBe('fan-relay-welded');
    expect(faults(fan(3, 60), 'for')[0]).toBe('fan-relay-welded');
    expect(fan(4, 103, true).result).toBe('unclear');
    expect(fan(0, 90).result).toBe('pass');
    expect(fan(0, 104).result).toBe('unclear');
    expect(faults(fan(30, null, true, sheetOf('qh-07-parcel')), 'for')[0]).toBe('fan-controller-shorted');
  });
  it('a diesel that ran on once may have burnt its filter clean; twice is a finding', () => {
    const diesel = { ...curlew, engine: { ...curlew.engine, fuel: 'diesel' as const } };
    const readings = { ranMin: 12, coolantC: 92, stillRunning: false };
    const once = judge('key-off-fan', readings, context([], diesel));
    expect([once.result, faults(once, 'for')]).toEqual(['unclear', []]);
    const again = context([], diesel, { earlier: [{ at: '2026-11-24T08:00:00.000Z', readings }] });
    expect(judge('key-off-fan', readings, again).result).toBe('fail');
  });
  it('tells what it costs the battery: 9 minutes at 20 A are 3 A·h', () => {
    expect(fan(9, 103).numbers[1].value).toBe('3.0 A·h, 5 % of 60 A·h');
  });
  it('tells when the engine was switched off', () => {
    const [fact] = checkOf('key-off-fan').facts({ ranMin: 10, stillRunning: false, coolantC: 97 }, at);
    expect(fact).toEqual({ kind: 'ran-until', at: '2026-11-25T07:50:00.000Z', coolantC: 97, ambientC: null });
  });
});
