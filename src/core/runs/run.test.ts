import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Log } from '../logs/channels';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { readLog } from '../logs/csv-import';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import { logFrom } from './log-from';
import { analyse, bandFor } from './analyse';
import { findJumps } from './jumps';
import { findKnee } from './knee';
import { smooth } from './smooth';
import { thin } from './thin';

const sheet = (file: string): SpecSheet => JSON.parse(readFileSync(`demo/specs/${file}.spec.json`, 'utf8'));
const curlew = sheet('qh-03-curlew');
const made = (
  fault: FaultId,
  severity: number,
  drive: DriveName,
  ambientC: number,
  more: Partial<Parameters<typeof logFrom>[0]> = {}
): Log =>
  logFrom({
    spec: curlew,
    fault,
    severity,
    legs: DRIVES[drive],
    ambientC,
    startC: ambientC,
    columns: 'scan',
    seed: 5,
    ...more
  });
const longIdle = [{ minutes: 55, speedKmh: 0, load: 0.22, rpm: 850 }];
const demo = (file: string): Log => {
  const result = readLog(readFileSync(`demo/runs/${file}.csv`));
  if (!result.ok) throw new Error(result.problems[0].message);
  return result.value.log;
};
const logOf = (ect: ArrayLike<number>, dt = 1): Log => ({
  t: Float64Array.from({ length: ect.length }, (_, i) => i * dt),
  channels: { ect_c: Float32Array.from(ect) },
  events: []
});

describe('jumps that no coolant can make', () => {
  it('are found, counted and bridged', () => {
    const ect = Float32Array.from({ length: 200 }, (_, i) =>
      i >= 50 && i < 56 ? -40 : i >= 120 && i < 130 ? -40 : 20 + Math.round(i / 5)
    );
    const jumps = findJumps(
      Float64Array.from({ length: 200 }, (_, i) => i),
      ect,
      curlew
    );
    expect(jumps.count).toBe(4);
    expect(jumps.excursions.map((e) => [e.fromS, e.toS, e.samples, e.reachedC])).toEqual([
      [50, 56, 6, -40],
      [120, 130, 10, -40]
    ]);
    expect(jumps.cleaned[52]).toBeNaN();
    expect(jumps.cleaned[60]).toBe(32);
  });

  it('are not seen in any run an engine can make, at any sampling', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1, 2, 5, 10),
        fc.integer({ min: -5, max: 30 }),
        fc.constantFrom('mixed', 'ridge', 'queue'),
        (every, ambient, drive) => {
          const log = made('thermostat-sluggish', 1, drive, ambient);
          const t = log.t.filter((_, i) => i % every === 0);
          expect(
            findJumps(
              t,
              log.channels.ect_c!.filter((_, i) => i % every === 0),
              curlew
            ).count
          ).toBe(0);
        }
      ),
      { numRuns: 20 }
    );
  });
});

describe('the knee', () => {
  const straight = Float64Array.from({ length: 1200 }, (_, i) => i / 10);
  it('is found where a straight rise stops, within its own uncertainty', () => {
    const ect = straight.map((_, i) => Math.min(12 + i * 0.12, 84 + (i > 600 ? 0.002 * (i - 600) : 0)));
    const knee = findKnee(ect.map(Math.round), straight, 1)!;
    expect(Math.abs(knee.celsius - 84)).toBeLessThan(3 * knee.uncertaintyC);
    expect(Math.abs(knee.atS - 600)).toBeLessThan(45);
  });

  it('is not found in an exponential approach, nor in a rise that never stops', () => {
    expect(
      findKnee(
        straight.map((_, i) => 72 - 60 * Math.exp(-i / 330)),
        straight,
        1
      )
    ).toBeNull();
    expect(
      findKnee(
        straight.map((_, i) => 10 + i * 0.09),
        straight,
        1
      )
    ).toBeNull();
  });
});

it('smooths as a plain mean of the neighbours does, blanks left out', () => {
  expect([...smooth(Float64Array.of(1, 2, NaN, 4, 9), 3)]).toEqual([1.5, 1.5, 3, 6.5, 6.5]);
});

describe('the verdict', () => {
  it.each([
    ['qh-03-ridge-road', 'qh-03-curlew', 'thermostat-stuck-open'],
    ['qh-03-proof', 'qh-03-curlew', 'none'],
    ['qh-03-last-autumn', 'qh-03-curlew', 'none'],
    ['qh-07-post-round', 'qh-07-parcel', 'fan-controller-shorted'],
    ['qh-11-harbour-queue', 'qh-11-fathom', 'airflow-restricted'],
    ['qh-14-district-round', 'qh-14-pip', 'sensor-branch-restricted'],
    ['qh-19-night-shift', 'qh-19-plough', 'clutch-circuit-open'],
    ['qh-22-chapel-hill', 'qh-22-heron', 'fan-setpoint-modified'],
    ['qh-26-car-park', 'qh-26-scoot', 'ect-intermittent'],
    ['qh-26-short-hop', 'qh-26-scoot', 'not-enough']
  ])('on %s tells the story of the demo', (file, spec, verdict) => {
    expect(analyse(demo(file), sheet(spec)).verdict).toBe(verdict);
  });

  it.each([
    ['thermostat-stuck-open', 0.5, 'mixed', 5],
    ['thermostat-stuck-closed', 1, 'mixed', 15],
    ['thermostat-low-rating', 0.6, 'mixed', 5],
    ['ect-reads-hot', 0.7, 'mixed', 5],
    ['ect-open-circuit', 1, 'mixed', 10],
    ['ect-short-circuit', 1, 'mixed', 10],
    ['none', 0, 'mixed', 20]
  ] as const)('names %s from a plain scan log', (fault, severity, drive, ambient) => {
    const a = analyse(made(fault, severity, drive, ambient), curlew);
    expect([a.verdict, a.suspects[0].fault]).toEqual([fault, fault]);
  });

  it('shares probabilities that never claim certainty', () => {
    const a = analyse(made('thermostat-stuck-open', 0.5, 'mixed', 5), curlew);
    const total = a.suspects.reduce((sum, s) => sum + s.probability, 0);
    expect(total).toBeGreaterThan(0.9);
    expect(total).toBeLessThanOrEqual(0.9801);
  });

  it('does not hold against an engine that its logger has no speed, revs, load or ambient', () => {
    expect(['none', 'not-enough']).toContain(
      analyse(made('none', 0, 'mixed', 12, { columns: 'bare' }), curlew).verdict
    );
  });

  it('says what a fan that is never heard of looks like, and what stands for the same curve', () => {
    const [first] = analyse(made('fan-motor-dead', 1, 'idle', 32, { legs: longIdle }), curlew).suspects;
    expect(first.fault).toBe('fan-motor-dead');
    expect(first.alike).toContain('fan-relay-contacts');
    expect(first.alike).toContain('fan-command-missing');
    expect(first.alike).not.toContain('fan-controller-dead');
  });

  it('is not given on two minutes of idling', () => {
    const log = made('none', 0, 'short', 10);
    const cut: Log = {
      ...log,
      t: log.t.slice(0, 100),
      channels: { ect_c: log.channels.ect_c!.slice(0, 100) }
    };
    expect(analyse(cut, curlew).verdict).toBe('not-enough');
  });
});

describe('what a run could not show', () => {
  it('names the fan where the coolant never came to its switching point, and the drive that would show it', () => {
    const spot = analyse(made('none', 0, 'mixed', 5), curlew).couldNotShow.find(
      (b) => b.fault === 'fan-motor-dead'
    );
    expect(spot?.because).toBe('coolant never reached 101\u00a0°C, where the fan should come on');
    expect(spot?.toShow).toContain('fast idle');
  });

  it('nor does it name what this vehicle cannot have', () => {
    const blind = (spec: SpecSheet) =>
      analyse({ ...made('none', 0, 'mixed', 5) }, spec).couldNotShow.map((b) => b.fault);
    const without = blind(curlew);
    for (const fault of ['active-shutter-stuck', 'coolant-pump-electric-dead', 'clutch-bearing'] as const)
      expect(without).not.toContain(fault);
    expect(blind(sheet('qh-11-fathom'))).toContain('clutch-bearing');
    const shuttered = { ...curlew, engine: { ...curlew.engine, shutter: 'driven' as const } };
    expect(blind(shuttered)).toContain('active-shutter-stuck');
  });

  it('does not name a fault that this run would have shown', () => {
    const blind = analyse(made('none', 0, 'mixed', 5), curlew).couldNotShow.map((b) => b.fault);
    expect(blind).not.toContain('thermostat-stuck-open');
    expect(blind).not.toContain('thermostat-stuck-closed');
  });
});

describe('features', () => {
  it('of a healthy run agree with the sheet that made it', () => {
    const { features: f } = analyse(made('none', 0, 'idle', 30, { columns: 'all', legs: longIdle }), curlew);
    expect(Math.abs(f.knee!.celsius - 87)).toBeLessThan(3);
    expect(f.fan.switches.map((s) => [s.to, s.celsius]).slice(0, 2)).toEqual([
      ['on', 101],
      ['off', 96]
    ]);
    expect(f.hose.kind).toBe('rush');
  });

  it('of a leaking thermostat show the hose creeping and the plateau falling with speed', () => {
    const { features: f } = analyse(demo('qh-03-ridge-road'), curlew);
    expect(f.knee).toBeNull();
    expect(f.hose.kind).toBe('creep');
    expect(f.roadMinusIdleC!).toBeLessThan(-5);
  });

  it('survive gaps, blanks, uneven sampling and a coarse clock', () => {
    const log = made('none', 0, 'mixed', 8);
    const keep = [...log.t.keys()].filter((i) => (i * 7919) % 5 !== 0 && !(i > 300 && i < 320));
    const pick = (values: Float32Array) => Float32Array.from(keep, (i) => values[i]);
    const rough: Log = {
      t: Float64Array.from(keep, (i) => log.t[i]),
      channels: Object.fromEntries(Object.entries(log.channels).map(([k, v]) => [k, pick(v)])),
      events: []
    };
    const a = analyse(rough, curlew);
    expect(a.verdict).toBe('none');
    expect(a.jumps).toBe(0);
  });
});

it('draws the band of a run from the same conditions: the proof run lies in it', () => {
  const log = demo('qh-03-proof');
  const band = bandFor(log, curlew);
  const outside = band.t.filter(
    (t, i) => log.channels.ect_c![t] < band.low[i] - 1 || log.channels.ect_c![t] > band.high[i] + 1
  );
  expect(outside.length / band.t.length).toBeLessThan(0.1);
});

it('thins a log without losing a peak or a drop-out', () => {
  const ect = Array.from({ length: 100_000 }, (_, i) => (i === 4321 ? -40 : i === 77_777 ? 131 : 80));
  const { t, channels, total } = thin(logOf(ect, 0.1), 600);
  expect(total).toBe(100_000);
  expect(t.length).toBeLessThan(800);
  expect(channels.ect_c).toContain(-40);
  expect(channels.ect_c).toContain(131);
  expect(thin(logOf(ect, 0.1), 600, 430, 440).total).toBe(101);
});
