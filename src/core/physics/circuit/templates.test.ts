import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { FAN_CONTROLLER } from './fan-controller';
import { FAN_PAIR } from './fan-pair';
import { FAN_RELAY } from './fan-relay';
import { GAUGE_CIRCUIT } from './gauge-circuit';
import { GROUND, voltagesOf, type Network } from './network';
import { locate, probesOf, soundAt, type Measured, type Template } from './template';

const TEMPLATES = [FAN_RELAY, FAN_PAIR, FAN_CONTROLLER, GAUGE_CIRCUIT];
const volts = (...taken: [string, string, number][]): Measured[] =>
  taken.map(([state, at, value]) => ({ state, at, value }));
const leader = (t: Template, taken: Measured[]) => locate(t, taken, 12.6).ranked[0];

describe('a relay that stays silent with its control pin pulled down', () => {
  const silent = volts(['on', '30', 12.55], ['on', '87', 0], ['on', '85', 0.07], ['on', 'clicks', 0]);
  it('has an open coil or no feed for it, and the feed pin is asked for', () => {
    const { ranked, next } = locate(FAN_RELAY, silent, 12.5);
    const shareOf = (id: string) => ranked.find((r) => r.id === id)!.probability;
    expect(shareOf('coil-open')).toBeGreaterThan(0.3);
    expect(shareOf('coil-feed-open')).toBeGreaterThan(0.3);
    expect(next).toMatchObject({ at: '86' });
  });
  it('has an open coil where its feed is there', () => {
    expect(leader(FAN_RELAY, [...silent, ...volts(['on', '86', 12.5])]).id).toBe('coil-open');
  });
});

describe('networks of random resistors and sources', () => {
  const ohm = between(0.01, 1e5);
  it('give out as much power as they take in', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(5), fc.nat(5), ohm), { minLength: 6, maxLength: 20 }),
        fc.array(fc.tuple(fc.nat(5), between(1, 24), ohm), {
          minLength: 1,
          maxLength: 3
        }),
        (resistors, sources) => {
          const name = (n: number) => (n === 0 ? GROUND : `n${n}`);
          const network: Network = {
            resistors: [
              ...resistors.filter(([a, b]) => a !== b).map(([a, b, r]) => [name(a), name(b), r] as const),
              // Every node hangs together, so that the small leak of a lone one does not count.
              ...[1, 2, 3, 4, 5].map((n) => [name(n), GROUND, 1e5] as const)
            ],
            sources: sources.map(([n, v, r]) => ({ node: name(n || 1), volts: v, ohm: r }))
          };
          const at = voltagesOf(network);
          const v = (n: string) => at.get(n) ?? 0;
          const taken = network.resistors.reduce((sum, [a, b, r]) => sum + (v(a) - v(b)) ** 2 / r, 0);
          const lost = network.sources.reduce((sum, s) => sum + (s.volts - v(s.node)) ** 2 / s.ohm, 0);
          const given = network.sources.reduce(
            (sum, s) => sum + (s.volts * (s.volts - v(s.node))) / s.ohm,
            0
          );
          expect((taken + lost) / given).toBeCloseTo(1, 6);
        }
      )
    );
  });
});

describe('a sound circuit', () => {
  it('of one relay has the battery where it should, and what hand sums give under load', () => {
    expect(soundAt(FAN_RELAY, 'off', '30', 12.6)).toBeCloseTo(12.6, 1);
    expect(soundAt(FAN_RELAY, 'off', '87', 12.6)).toBeLessThan(0.01);
    // Not commanded, the control pin has the battery through the coil.
    expect(soundAt(FAN_RELAY, 'off', '85', 12.6)).toBeCloseTo(12.6, 1);
    expect(soundAt(FAN_RELAY, 'on', '85', 12.6)).toBeLessThan(0.12);
    // 12.6 V over 0.012 + 0.015 + 0.02 + 0.015 + 0.8 + 0.015 Ω: 14.37 A.
    const amps = 12.6 / 0.877;
    expect(soundAt(FAN_RELAY, 'on', '30', 12.6)).toBeCloseTo(12.6 - amps * 0.027, 3);
    expect(soundAt(FAN_RELAY, 'on', 'motorMinus', 12.6)).toBeCloseTo(amps * 0.015, 3);
  });

  it('of two fans halves the battery between them at low speed and gives each all of it at high', () => {
    expect(soundAt(FAN_PAIR, 'low', 'fan2Plus', 12.6)).toBeCloseTo((12.6 * 0.815) / 1.682, 2);
    expect(soundAt(FAN_PAIR, 'high', 'fan2Plus', 12.6)).toBeGreaterThan(11.7);
    expect(soundAt(FAN_PAIR, 'high', 'fan1Minus', 12.6)).toBeLessThan(0.6);
    expect(soundAt(FAN_PAIR, 'low', 'fan1', 12.6)).toBe(1);
    expect(soundAt(FAN_PAIR, 'high', 'fan1', 12.6)).toBe(2);
  });

  it('of a controller gives nothing at rest and nearly all at demand', () => {
    expect(soundAt(FAN_CONTROLLER, 'rest', 'output', 12.6)).toBeLessThan(0.1);
    expect(soundAt(FAN_CONTROLLER, 'demand', 'output', 12.6)).toBeGreaterThan(11.5);
    expect(soundAt(FAN_CONTROLLER, 'demand', 'command', 12.6)).toBeCloseTo(3.9, 1);
  });
});

describe('a fault is located', () => {
  it.each<[string, Template, Measured[], string]>([
    [
      'burnt contacts, from volts before and after',
      FAN_RELAY,
      volts(['on', '30', 12.5], ['on', '87', 6.8], ['on', '85', 0.1]),
      'contacts-burnt'
    ],
    ['no supply', FAN_RELAY, volts(['off', '30', 0.02], ['on', '30', 0.01]), 'fuse-open'],
    [
      'a command that does not come',
      FAN_RELAY,
      volts(['on', '85', 12.5], ['on', 'unit', 12.5]),
      'command-missing'
    ],
    [
      'a control wire that is cut',
      FAN_RELAY,
      volts(['on', '85', 12.5], ['on', 'unit', 0.02]),
      'command-wire-open'
    ],
    ['a lost ground', FAN_RELAY, volts(['on', '87', 12.5], ['on', 'motorMinus', 12.4]), 'ground-open'],
    [
      'a weak motor, with all volts right',
      FAN_RELAY,
      volts(['on', 'motorPlus', 12.2], ['on', 'motorMinus', 0.1], ['on', 'turns', 1]),
      'motor-weak'
    ],
    [
      'welded contacts, relay in, not commanded',
      FAN_RELAY,
      volts(['off', '87', 12.2], ['off', '85', 12.5]),
      'contacts-welded'
    ],
    [
      'a changeover that stays at rest',
      FAN_PAIR,
      volts(['high', 'fan1Minus', 12.3], ['high', 'C85', 0.1], ['high', 'C87', 0.02]),
      'changeover-stays'
    ],
    [
      'a second fan without ground',
      FAN_PAIR,
      volts(['high', 'fan2Plus', 12.4], ['high', 'fan2Minus', 12.3]),
      'ground-2-open'
    ],
    [
      'a controller that drives without command',
      FAN_CONTROLLER,
      volts(['rest', 'command', 0.25], ['rest', 'output', 7.5], ['rest', 'turns', 1]),
      'controller-shorted'
    ],
    [
      'a dead controller',
      FAN_CONTROLLER,
      volts(
        ['demand', 'supply', 12.5],
        ['demand', 'ground', 0.01],
        ['demand', 'command', 3.9],
        ['demand', 'output', 0.02]
      ),
      'controller-dead'
    ],
    [
      'a gauge wire that is cut',
      GAUGE_CIRCUIT,
      volts(['off', 'needle', 0], ['grounded', 'needle', 0], ['off', 'wire', 0.05]),
      'wire-open'
    ],
    [
      'a sender with poor ground',
      GAUGE_CIRCUIT,
      volts(['off', 'needle', 0], ['grounded', 'needle', 2], ['connected', 'body', 6.2]),
      'body-resists'
    ]
  ])('%s', (_, template, taken, id) => {
    expect(leader(template, taken).id).toBe(id);
    expect(leader(template, taken).probability).toBeGreaterThan(0.5);
  });

  it('keeps every element possible, and adds up to one, whatever was read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TEMPLATES),
        fc.array(fc.tuple(fc.nat(200), between(0, 14)), { maxLength: 5 }),
        (t, readings) => {
          const probes = probesOf(t, 12.6);
          const taken = readings.map(([n, value]) => {
            const [state, at] = probes[n % probes.length].key.split('/');
            return { state, at, value };
          });
          const { ranked } = locate(t, taken, 12.6);
          expect(ranked.reduce((s, r) => s + r.probability, 0)).toBeCloseTo(1, 9);
          expect(ranked.every((r) => r.probability > 0)).toBe(true);
        }
      ),
      { numRuns: 40 }
    );
  });

  it('asks first for what splits a dead fan, and never twice for the same', () => {
    let taken = volts(['on', 'turns', 0]);
    for (let i = 0; i < 6; i++) {
      const { next } = locate(FAN_RELAY, taken, 12.6);
      if (!next) break;
      expect(taken.some((m) => m.state === next.state && m.at === next.at)).toBe(false);
      // The truth: the control wire is cut.
      const probe = probesOf(FAN_RELAY, 12.6).find((p) => p.key === `${next.state}/${next.at}`)!;
      taken = [...taken, { ...next, value: probe.shows('command-wire-open')[0] }];
    }
    expect(leader(FAN_RELAY, taken).id).toBe('command-wire-open');
    expect(taken.length).toBeLessThanOrEqual(6);
  });
});
