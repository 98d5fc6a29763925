import { describe, expect, it } from 'vitest';
import { done, item, met, proof, run } from '../../../tests/support/proof-bench';
import { plainText } from '../units/say';
import type { FaultId } from '../vehicle/faults';
import type { JudgedCheck } from './judged';

describe('a fan that was repaired', () => {
  const to = (way: 'on' | 'off', atS: number, celsius = 101, withAc = false) => ({
    to: way,
    atS,
    celsius,
    withAc
  });
  const fan = (cause: FaultId, switches: object[][], checks: JudgedCheck[] = [], maxC = 108) => {
    const runs = switches.map((s, i) => {
      const r = run(i + 1, 'none', {}, s);
      return { ...r, features: { ...r.features, maxC } };
    });
    const p = proof({ repairs: ['relay'], cause, runs, done: checks });
    return [met(p, 'fan'), plainText(item(p, 'fan').says)] as const;
  };
  const runs = 'fan-motor-dead';
  const stops = 'fan-relay-welded';
  const point = 'fan-setpoint-modified';

  it('and never ran is seen on and then off, in one run', () => {
    expect(fan(runs, [[to('on', 600), to('off', 700)]])[0]).toBe(true);
    expect(fan(runs, [[to('off', 600), to('on', 700)]])).toEqual([
      false,
      'Came on and was not seen to go off: let it idle until it does'
    ]);
    expect(fan(runs, [[to('off', 600)]])).toEqual([false, 'Not seen in the log']);
    expect(fan(runs, [[], [to('on', 600), to('off', 700)]])[0]).toBe(true);
  });

  it('is asked for by what is missing: a run, or heat', () => {
    expect(fan(runs, [])[1]).toBe(
      'Not seen since the repair: watch it switch, command it, or log a run hot enough'
    );
    expect(fan(runs, [[]], [], 99)[1]).toContain(
      'Not needed in this run: the hottest was 99 °C, it comes on at 101 °C'
    );
  });

  it('and never stopped is seen off while cold first, and then on', () => {
    expect(fan(stops, [[to('on', 600), to('off', 700)]])[0]).toBe(true);
    // On from the first seconds, or only seen to stop: it still runs unasked.
    expect(fan(stops, [[to('on', 5), to('off', 700)]])[0]).toBe(false);
    expect(fan(stops, [[to('off', 600)]])[0]).toBe(false);
    const keyOff = done(1, 'key-off-fan', { ranMin: 0, coolantC: 90, stillRunning: false });
    expect(fan(stops, [[]], [keyOff])).toEqual([false, 'Stays off; see that it comes on when it is due']);
    expect(fan(stops, [[to('on', 5)]], [keyOff])[0]).toBe(true);
  });

  it('and came at the wrong point is seen at its own, the A/C not asking for it', () => {
    expect(fan(point, [[to('on', 600, 101)]])[0]).toBe(true);
    expect(fan(point, [[to('on', 600, 105)]])[0]).toBe(true);
    expect(fan(point, [[to('on', 600, 106)]])[0]).toBe(false);
    expect(fan(point, [[to('on', 600, 101, true)]])[0]).toBe(false);
    expect(fan(point, [[to('on', 400, 90), to('off', 450), to('on', 600, 102)]])[0]).toBe(true);
  });

  it('is also shown by the check that watches it switch, and a dead one by a command', () => {
    const switching = done(1, 'fan-switching', {
      stages: [{ name: 'low', onC: 101, offC: 96 }],
      hottestC: 103,
      by: 'scan',
      acOn: false,
      moving: false
    });
    for (const cause of [runs, stops, point] as const)
      expect(fan(cause, [], [switching])[0], cause).toBe(true);
    const commanded = done(1, 'fan-command', { commandedPct: 100, click: 'yes', turns: 'full' });
    expect(fan(runs, [], [commanded])[0]).toBe(true);
    expect(fan(stops, [], [commanded])[0]).toBe(false);
  });
});
