import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge, sheetOf, stopped } from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';

const of = (name: string) => context([stopped(14)], sheetOf(name));
const minibus = context([stopped(14)], curlew);
const post = of('qh-07-parcel');

describe('volts at a relay’s socket', () => {
  const socket = (taken: [string, string, number][], circuit = 'fan-relay') =>
    judge(
      'relay-socket',
      { circuit, batteryV: 12.6, taken: taken.map(([state, at, value]) => ({ state, at, value })) },
      minibus
    );
  it('find burnt contacts, and clear the rest', () => {
    const o = socket([
      ['on', '30', 12.4],
      ['on', '87', 7.1],
      ['on', '85', 0.1],
      ['on', 'turns', 1]
    ]);
    expect([o.result, o.says]).toEqual(['fail', 'Relay contacts burnt, by 4 readings']);
    expect(faults(o, 'for')).toEqual(['fan-relay-contacts']);
    expect(faults(o, 'against')).toEqual(
      expect.arrayContaining(['fan-feed-open', 'fan-command-missing', 'fan-relay-coil'])
    );
  });
  it('say what to measure next while more than one element fits', () => {
    const o = socket([['on', 'turns', 0]]);
    expect(o.result).toBe('unclear');
    expect(o.says).toContain('Measure next: ');
  });
  it('pass where everything is as a sound circuit shows it', () => {
    const o = socket([
      ['off', '30', 12.6],
      ['off', '87', 0],
      ['on', '30', 12.2],
      ['on', '87', 11.9],
      ['on', 'motorPlus', 11.7],
      ['on', 'motorMinus', 0.2],
      ['on', '85', 0.1],
      ['on', 'turns', 2]
    ]);
    expect(o.result).toBe('pass');
  });
  it('of two fans: a changeover that stays', () => {
    const o = socket(
      [
        ['low', 'fan1', 1],
        ['low', 'fan2', 1],
        ['high', 'fan1', 0],
        ['high', 'fan2', 2],
        ['high', 'C85', 0.1],
        ['high', 'C87', 0.02]
      ],
      'fan-pair'
    );
    expect(o.says).toContain('Relay C does not change over');
  });
  it('above the battery are refused by name, as is a place this circuit has not', () => {
    const refused = checkOf('relay-socket').refuse(
      { circuit: 'fan-relay', batteryV: 12.6, taken: [{ state: 'on', at: '87', value: 14.4 }] },
      curlew
    );
    expect(refused).toEqual([
      { field: 'taken.0', message: expect.stringMatching(/Load pin: 14\.4.* is above the battery/) as string }
    ]);
    const nowhere = { circuit: 'fan-relay', batteryV: 12.6, taken: [{ state: 'on', at: '86a', value: 1 }] };
    expect(checkOf('relay-socket').readings.safeParse(nowhere).error?.issues[0].message).toContain(
      '86a cannot be measured'
    );
  });
});

describe('a fan controller, in and out', () => {
  const controller = (taken: [string, string, number][]) =>
    judge(
      'controller-in-out',
      {
        circuit: 'fan-controller',
        batteryV: 12.6,
        taken: taken.map(([state, at, value]) => ({ state, at, value }))
      },
      post
    );
  it('that drives without command is shorted; pressed, it wanders', () => {
    const o = controller([
      ['rest', 'command', 0.2],
      ['rest', 'output', 8.1],
      ['rest', 'pressed', 1]
    ]);
    expect([o.result, ...faults(o, 'for')]).toEqual(['fail', 'fan-controller-shorted']);
  });
  it('that has a stuck command is not', () => {
    const o = controller([
      ['rest', 'command', 3.9],
      ['rest', 'output', 12.1]
    ]);
    expect(faults(o, 'for')).not.toContain('fan-controller-shorted');
    expect(o.says).toContain('Command stands at demand');
  });
  it('with supply and command and no output is dead', () => {
    const o = controller([
      ['demand', 'supply', 12.5],
      ['demand', 'ground', 0.02],
      ['demand', 'command', 3.9],
      ['demand', 'output', 0.05]
    ]);
    expect(faults(o, 'for')).toEqual(['fan-controller-dead']);
  });
});

describe('a relay on the bench', () => {
  const bench = (r: object) =>
    judge(
      'relay-bench',
      { coilOhm: null, clicks: null, dropV: null, loadA: null, restOhm: null, ...r },
      minibus
    );
  it.each<[string, object, string, string[]]>([
    ['an open coil', { coilOhm: 10e6, clicks: 'no' }, 'fail', ['fan-relay-coil']],
    [
      'a click that passes nothing',
      { coilOhm: 85, clicks: 'yes', dropV: 1.4, loadA: 10 },
      'fail',
      ['fan-relay-contacts']
    ],
    ['welded contacts', { coilOhm: 85, restOhm: 0.2 }, 'fail', ['fan-relay-welded']],
    ['a sound one', { coilOhm: 85, clicks: 'yes', dropV: 0.08, loadA: 10, restOhm: 10e6 }, 'pass', []],
    ['a click alone', { coilOhm: 85, clicks: 'yes' }, 'unclear', []]
  ])('%s', (_, r, result, suspects) => {
    expect([bench(r).result, faults(bench(r), 'for')]).toEqual([result, suspects]);
  });
  it('asks for the current with the drop', () => {
    const parsed = checkOf('relay-bench').readings.safeParse({
      coilOhm: 85,
      clicks: 'yes',
      dropV: 0.3,
      loadA: null,
      restOhm: null
    });
    expect(parsed.error?.issues[0].message).toContain('without the current');
  });
});

describe('a relay swap', () => {
  const swap = { identical: true, donor: 'horn', donorSafe: true, putBack: true, then: 'runs' };
  it('names the relay where the fan runs with another, and reminds to put it back', () => {
    const o = judge('relay-swap', { ...swap, putBack: false }, minibus);
    expect(faults(o, 'for')).toEqual(['fan-relay-contacts', 'fan-relay-coil']);
    expect(o.doubts[0]).toContain('horn has not been put back');
    expect(faults(judge('relay-swap', { ...swap, then: 'stops' }, minibus), 'for')).toEqual([
      'fan-relay-welded'
    ]);
    expect(judge('relay-swap', { ...swap, then: 'dead' }, minibus).result).toBe('pass');
  });
  it('is refused with another part number, or from a circuit the engine needs', () => {
    const fields = (r: object) =>
      checkOf('relay-swap')
        .refuse({ ...swap, ...r }, curlew)
        .map((p) => p.field);
    expect(fields({ identical: false, donorSafe: false })).toEqual(['identical', 'donorSafe']);
    expect(fields({})).toEqual([]);
  });
});

describe('a fan fed directly', () => {
  const fed = (turns: string, amps: number | null, at = 'plug', sheet = curlew) =>
    judge('fan-direct-feed', { at, turns, amps, feedV: 12.3 }, context([stopped(14)], sheet));
  it('judges its current: nothing, too much, too little', () => {
    expect(fed('no', 0).says).toContain('draws nothing');
    expect(faults(fed('no', 0), 'for')).toEqual(['fan-motor-dead']);
    expect(faults(fed('no', 0, 'socket'), 'for')).toEqual(['fan-motor-dead', 'fan-feed-open']);
    expect(fed('no', 42).says).toContain('stuck or shorted');
    expect(fed('slow', 44).says).toContain('tight bearings');
    expect(fed('slow', 3).says).toContain('worn brushes');
    expect(fed('full', 14).result).toBe('pass');
  });
  it('goes by the sheet’s own current where it has one', () => {
    const own = { ...curlew, fan: { ...curlew.fan!, ratedA: 18 } };
    expect(fed('full', 26, 'plug', own).result).toBe('fail');
    expect(fed('full', 26).result).toBe('pass');
  });
});

describe('a gauge and its circuit', () => {
  const gauge = (needlePct: number, taken: [string, string, number][]) =>
    judge('gauge-compare', {
      needlePct,
      scanC: 92,
      thermometer: null,
      sender: {
        circuit: 'gauge',
        batteryV: 12.6,
        taken: taken.map(([state, at, value]) => ({ state, at, value }))
      }
    });
  it('says which part of it, where the needle lies', () => {
    const o = gauge(2, [
      ['off', 'needle', 0],
      ['grounded', 'needle', 0],
      ['off', 'wire', 0.02],
      ['off', 'gauge', 12.5]
    ]);
    expect(faults(o, 'for')).toEqual(['gauge-fault']);
    expect(o.says).toContain('By its circuit: Sender wire open');
  });
  it('is a remark where the needle is right', () => {
    const o = gauge(50, [['connected', 'body', 4.5]]);
    expect([o.result, o.doubts.at(-1)]).toEqual(['pass', 'Sender has poor ground, by 1 reading']);
  });
});
