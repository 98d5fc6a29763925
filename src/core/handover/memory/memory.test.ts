import { describe, expect, it } from 'vitest';
import { normalDraw, seeded } from '../../base/random';
import { driftOf, typicalOf } from './drift';
import { fingerprintOf, type Fingerprint, type TracedRun } from './fingerprint';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { learnableFrom } from './learned';
import { memoryOf, spanWords } from './memory';

const day = (n: number) => new Date(Date.parse('2025-12-01T08:00:00Z') + n * 86_400_000).toISOString();
const sheetOpensC = 86;
/** Fortnightly runs that regulate at 88 °C, 0.05 °C more for each degree of ambient, with noise, and a change. */
const year = (change: (n: number) => number, noise = 0.8, seed = 1): Fingerprint[] => {
  const random = seeded(seed);
  return Array.from({ length: 24 }, (_, i) => {
    const n = i * 14;
    const ambientC = 11 - 8 * Math.cos((2 * Math.PI * n) / 365);
    const celsius = 88 + 0.05 * (ambientC - 10) + change(n) + noise * normalDraw(random);
    return { runId: `${n}`, at: day(n), ambientC, marks: { regulates: { celsius, sd: 0.3 } } };
  });
};

describe('drift', () => {
  it('gives the change back, with an interval that holds it, the weather taken out', () => {
    const drift = driftOf(
      year((n) => (n > 280 ? -6 : 0)),
      'regulates'
    )!;
    expect(Math.abs(drift.byC + 6)).toBeLessThan(drift.withinC);
    expect(drift).toMatchObject({ sure: true, now: { runs: 3 }, then: { runs: 21 } });
    expect(drift.withinC).toBeGreaterThan(1);
    expect(drift.withinC).toBeLessThan(4);
  });

  it('is none in years of weather alone: no alarm in fifty vehicles, looked at after every run', () => {
    for (let seed = 1; seed <= 50; seed++) {
      const fingerprints = year(() => 0, 1, seed);
      for (let k = 8; k <= fingerprints.length; k++)
        expect(memoryOf(fingerprints.slice(0, k), null).warnings, `seed ${seed} after ${k}`).toEqual([]);
    }
  });

  it('is not told from one strange run, nor from too few', () => {
    const strange = year(() => 0).map((p, i) =>
      i === 23 ? { ...p, marks: { regulates: { celsius: 60, sd: 0.3 } } } : p
    );
    expect(driftOf(strange, 'regulates')!.sure).toBe(false);
    expect(driftOf(year(() => 0).slice(0, 7), 'regulates')).toBeNull();
    expect(
      driftOf(
        year(() => 0),
        'opening'
      )
    ).toBeNull();
  });

  it('begins anew at a repair, and says in words what has moved', () => {
    const fingerprints = year((n) => (n > 280 ? -6 : 0));
    const [warning] = memoryOf(fingerprints, null).warnings;
    expect(warning).toMatch(
      /^Regulates \d(\.\d)?\u202f°C ± \d(\.\d)?\u202f°C lower than in December 2025 to September 2026\. Check the thermostat before it sticks open$/
    );
    const after = memoryOf(fingerprints, day(283));
    expect(after).toMatchObject({ warnings: [], runs: 3, since: day(283) });
    expect(after.typical.find((t) => t.trait === 'regulates')!.celsius).toBeCloseTo(82, -0.5);
  });

  it('knows what is usual at a usual ambient', () => {
    const typical = typicalOf(
      year(() => 0),
      'regulates'
    )!;
    expect(Math.abs(typical.celsius - 88)).toBeLessThan(typical.withinC + 0.2);
    expect(typicalOf([], 'regulates')).toBeNull();
  });
});

describe('the fingerprint of a run', () => {
  const run = (change: Omit<Partial<TracedRun>, 'features'> & { features?: object } = {}): TracedRun => ({
    id: 'r',
    at: day(0),
    verdict: 'none',
    jumps: 0,
    ...change,
    features: {
      knee: { celsius: 86.5, atS: 500, uncertaintyC: 0.7, slopeRatio: 0.1 },
      segments: [
        { kind: 'idle', fromS: 900, toS: 1900, celsius: 83, spreadC: 1, meanLoadPct: 20 },
        { kind: 'road', fromS: 600, toS: 800, celsius: 87, spreadC: 1, meanLoadPct: 42 }
      ],
      warmRateCPerMin: 6,
      startC: 7,
      startMinusAmbientC: 2,
      fan: {
        from: 'fan_pct',
        switches: [
          { atS: 900, celsius: 101, to: 'on', withAc: false },
          { atS: 960, celsius: 96, to: 'off', withAc: false }
        ],
        onShare: 0.1,
        ratio: null
      },
      ...change.features
    } as TracedRun['features']
  });

  it('holds where it opened, what it regulated at on the road, the fan and the air', () => {
    const fingerprint = fingerprintOf(run(), sheetOpensC)!;
    expect(fingerprint.ambientC).toBe(5);
    expect(fingerprint.marks).toMatchObject({
      opening: { celsius: 86.5, sd: 0.7 },
      regulates: { celsius: 87 },
      rate: { celsius: 6 },
      fanOn: { celsius: 101 }
    });
  });

  it('takes no bend far from the sheet for an opening, and nothing from a sensor that jumps', () => {
    const bend = { knee: { celsius: 60, atS: 200, uncertaintyC: 0.7, slopeRatio: 0.1 } };
    expect(fingerprintOf(run({ features: bend }), sheetOpensC)!.marks.opening).toBeUndefined();
    expect(fingerprintOf(run({ jumps: 2 }), sheetOpensC)).toBeNull();
    expect(fingerprintOf(run({ verdict: 'ect-open-circuit' }), sheetOpensC)).toBeNull();
  });
});

describe('a span in words', () => {
  it.each([
    ['2026-03-02T08:00:00Z', '2026-03-20T08:00:00Z', 'March 2026'],
    ['2026-03-02T08:00:00Z', '2026-05-20T08:00:00Z', 'March to May 2026'],
    ['2025-12-02T08:00:00Z', '2026-02-20T08:00:00Z', 'December 2025 to February 2026']
  ])('%s to %s is %s', (from, to, words) => expect(spanWords({ from, to })).toBe(words));
});

describe('limits from good runs', () => {
  const at = (opens: number, fan: number | null, n: number): Fingerprint => ({
    runId: `${n}`,
    at: day(n),
    ambientC: 12,
    marks: {
      opening: { celsius: opens, sd: 0.5 },
      ...(fan === null ? {} : { fanOn: { celsius: fan, sd: 0.3 } })
    }
  });
  const bare = { format: 'pyrethos.spec-sheet', version: 1, name: 'A Parcel without a book' } as const;
  const offered = (prints: Fingerprint[], sheet: SpecSheet | null = bare) =>
    learnableFrom(prints, sheet).map(({ limit, celsius, runs }) => [limit, celsius, runs]);

  it('are offered where the sheet gives none and the runs agree', () => {
    const runs = [at(83.6, 97.2, 1), at(84.0, 97.4, 9), at(83.8, null, 20)];
    expect(offered(runs)).toEqual([
      ['startOpenC', 83.8, 3],
      ['fanOnC', 97.3, 2]
    ]);
    expect(offered(runs, { ...bare, thermostat: { startOpenC: 84 } })).toEqual([['fanOnC', 97.3, 2]]);
    // One that was taken is learned, and is not offered again; a fan on the engine has no switching point.
    expect(offered(runs, { ...bare, learned: { startOpenC: 83.8, fanOnC: 97.3 } })).toEqual([]);
    expect(offered(runs, { ...bare, clutch: { kind: 'thermal' } })).toEqual([['startOpenC', 83.8, 3]]);
  });

  it('are not offered from one run, nor from runs that disagree', () => {
    expect(offered([at(83.6, 97, 1)])).toEqual([]);
    expect(offered([at(76, 90, 1), at(88, 103, 5)])).toEqual([]);
  });
});
