import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { curlew } from '../../../../tests/support/check-bench';
import { GROUND, meterReads, METER_OHM, voltagesOf } from './network';
import { nextProbe, rankElements } from './rank';
import { SENSOR_CIRCUIT_FAULTS, sensorProbes, type SensorCircuitFault } from './sensor-circuit';

describe('a network', () => {
  it('divides as Ohm says', () => {
    fc.assert(
      fc.property(between(1, 1e6), between(1, 1e6), between(1, 48), (top, bottom, volts) => {
        const v = voltagesOf({
          sources: [{ node: 'a', volts, ohm: top }],
          resistors: [['a', GROUND, bottom]]
        });
        expect(v.get('a')! / ((volts * bottom) / (top + bottom))).toBeCloseTo(1, 6);
      })
    );
  });

  it('balances a bridge, and unbalances it by the sum worked by hand', () => {
    const bridge = (d: number) => {
      const v = voltagesOf({
        sources: [{ node: 'top', volts: 12, ohm: 1e-6 }],
        resistors: [
          ['top', 'left', 100],
          ['left', GROUND, 200],
          ['top', 'right', 1000],
          ['right', GROUND, d],
          ['left', 'right', 1e9]
        ]
      });
      return v.get('left')! - v.get('right')!;
    };
    expect(bridge(2000)).toBeCloseTo(0, 5);
    // Left stays at 8 V; right is 12·3000/4000 = 9 V.
    expect(bridge(3000)).toBeCloseTo(-1, 4);
  });

  it('shows a hanging pin as a meter would, by the meter’s own ten megohms', () => {
    const hanging = { sources: [{ node: 'a', volts: 5, ohm: 1e6 }], resistors: [] };
    expect(meterReads(hanging, 'a', GROUND)).toBeCloseTo((5 * METER_OHM) / (METER_OHM + 1e6), 6);
    const cut = { sources: [{ node: 'a', volts: 5, ohm: 100 }], resistors: [['a', 'b', 1e9] as const] };
    expect(meterReads(cut, 'b', GROUND)).toBeCloseTo((5 * 1e7) / (1e9 + 1e7), 3);
    expect(() => voltagesOf({ sources: [], resistors: [['a', GROUND, 0]] })).toThrow(/above 0/);
  });
});

describe('a sensor’s circuit', () => {
  const probes = sensorProbes(curlew);
  const rank = (taken: Record<string, number>) =>
    rankElements(
      SENSOR_CIRCUIT_FAULTS,
      probes,
      Object.entries(taken).map(([key, value]) => ({ key, value }))
    );
  it.each<[string, Record<string, number>, SensorCircuitFault]>([
    ['both extremes reached', { unpluggedC: -40, bridgedC: 140 }, 'sound'],
    ['always open', { unpluggedC: -40, bridgedC: -40, signalV: 0.1, openV: 0.1 }, 'signal-open'],
    ['open, with its supply at the plug', { unpluggedC: -40, bridgedC: -40, signalV: 5 }, 'ground-open'],
    [
      'bridged it reads warm, no more',
      { unpluggedC: -40, bridgedC: 78, signalV: 5, groundV: 0.77 },
      'ground-resists'
    ],
    ['always short', { unpluggedC: 140, bridgedC: 140, signalV: 0 }, 'signal-grounded'],
    ['more than its reference', { unpluggedC: -40, signalV: 12.6 }, 'signal-on-battery']
  ])('%s', (_, taken, id) => {
    expect(rank(taken)[0].id).toBe(id);
    expect(rank(taken)[0].probability).toBeGreaterThan(0.6);
  });

  it('names the measurement that tells the leaders apart, and it does', () => {
    const taken = { unpluggedC: -40, bridgedC: -40 };
    const before = rank(taken);
    expect(
      before
        .slice(0, 2)
        .map((r) => r.id)
        .sort()
    ).toEqual(['ground-open', 'signal-open']);
    const next = nextProbe(
      before,
      probes,
      Object.entries(taken).map(([key, value]) => ({ key, value }))
    )!;
    for (const truth of ['ground-open', 'signal-open'] as const) {
      const after = rank({ ...taken, [next.key]: next.shows(truth)[1] });
      expect(after[0].id).toBe(truth);
      expect(after[0].probability).toBeGreaterThan(0.85);
    }
  });

  it('asks for nothing more where everything has been measured', () => {
    const taken = probes.map((p) => ({ key: p.key, value: p.shows('sound')[0] }));
    expect(nextProbe(rankElements(SENSOR_CIRCUIT_FAULTS, probes, taken), probes, taken)).toBeNull();
  });
});
