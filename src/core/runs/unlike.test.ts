import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { CHANNELS, type Log } from '../logs/channels';
import { DRIVES, type DriveName, type Leg } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { analyse } from './analyse';
import { logFrom } from './log-from';

/** Runs that are not a drive from a cold start to its end, and sheets that do not say everything. */
const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8')) as SpecSheet;
const OFF = { speedKmh: 0, load: 0, rpm: 0 };
const made = (fault: FaultId, legs: readonly Leg[], columns: 'scan' | 'all' = 'scan', seed = 5) =>
  logFrom({ spec: curlew, fault, severity: 0.8, legs, ambientC: 8, startC: 8, columns, seed });
const from = (log: Log, fromS: number): Log => ({
  ...log,
  t: log.t.slice(fromS).map((t) => t - fromS),
  channels: Object.fromEntries(
    CHANNELS.flatMap(({ key }) => (log.channels[key] ? [[key, log.channels[key].slice(fromS)]] : []))
  )
});
const seconds = (legs: readonly Leg[]) => legs.reduce((sum, leg) => sum + 60 * leg.minutes, 0);
const WELL = ['none', 'not-enough'];

describe('a log begun in mid-drive', () => {
  it.each([300, 600, 960])('after %i s accuses no engine that is well', (fromS) => {
    for (const drive of ['mixed', 'queue'] as const satisfies readonly DriveName[])
      expect(WELL, drive).toContain(analyse(from(made('none', DRIVES[drive]), fromS), curlew).verdict);
  });
  it('still shows a thermostat that leaks', () => {
    expect(analyse(from(made('thermostat-stuck-open', DRIVES.mixed), 300), curlew).verdict).toBe(
      'thermostat-stuck-open'
    );
  });
});

describe('an engine that was off in mid-run', () => {
  const stopped = (minutes: number): Leg[] => {
    const legs: readonly Leg[] = DRIVES.mixed;
    const half = legs.length >> 1;
    return [...legs.slice(0, half), { minutes, ...OFF }, ...legs.slice(half)];
  };
  it.each([3, 12])('for %i minutes is not held against it', (minutes) => {
    expect(WELL).toContain(analyse(made('none', stopped(minutes)), curlew).verdict);
  });
  it('hides no leak by a short stop', () => {
    expect(analyse(made('thermostat-stuck-open', stopped(3)), curlew).verdict).toBe('thermostat-stuck-open');
  });
  it('at every halt of a town drive is not held against it', () => {
    const legs = (DRIVES.mixed as readonly Leg[]).map((leg) =>
      leg.speedKmh === 0 && leg.minutes < 2 ? { ...leg, ...OFF } : leg
    );
    expect(WELL).toContain(analyse(made('none', legs), curlew).verdict);
  });
});

it('an engine started warm, a quarter of an hour after it was driven, is taken as it is', () => {
  const before: Leg[] = [...DRIVES.mixed, { minutes: 15, ...OFF }];
  const warm = from(made('none', [...before, ...DRIVES.queue]), seconds(before));
  expect(warm.channels.ect_c![0]).toBeGreaterThan(55);
  expect(WELL).toContain(analyse(warm, curlew).verdict);
});

describe('a fan whose switching points nobody gave', () => {
  const shifted = (c: number): SpecSheet => ({
    ...curlew,
    fan: {
      ...curlew.fan!,
      stages: curlew.fan!.stages!.map((s) => ({ ...s, onC: s.onC + c, offC: s.offC + c }))
    }
  });
  // A sound vehicle whose maker lets its fan come on 8 °C lower than is usual.
  const log = logFrom({
    spec: shifted(-8),
    fault: 'none',
    severity: 0,
    legs: [{ minutes: 34, speedKmh: 0, load: 0.3, rpm: 1900 }],
    ambientC: 22,
    startC: 22,
    columns: 'all',
    seed: 9
  });
  it('is no finding wherever it comes on', () => {
    const { features, suspects, verdict } = analyse(log, { ...curlew, fan: undefined });
    expect(features.fan.switches.some((s) => s.to === 'on')).toBe(true);
    expect(WELL).toContain(verdict);
    expect(suspects[0].fault).toBe('none');
  });
  it('is one where the sheet wants another point', () => {
    expect(analyse(log, curlew).suspects[0].fault).toBe('fan-setpoint-modified');
  });
});

describe('a thermostat whose number nobody gave', () => {
  const of = (startOpenC: number, fault: FaultId = 'none', severity = 0.8) =>
    logFrom({
      spec: {
        ...curlew,
        regulating: null,
        thermostat: { ...curlew.thermostat, startOpenC, fullOpenC: startOpenC + 12, closedByC: null }
      },
      fault,
      severity,
      legs: DRIVES.mixed,
      ambientC: 8,
      startC: 8,
      columns: 'scan',
      seed: 5
    });
  const bare: SpecSheet = { format: 'pyrethos.spec-sheet', version: 1, name: 'A Curlew without a book' };
  it.each([77, 82, 87, 92])('is no finding where it opens at %i °C', (startOpenC) => {
    const { verdict, evidence } = analyse(of(startOpenC), bare);
    expect(WELL).toContain(verdict);
    expect(evidence.filter((e) => e.state === 'off').map((e) => e.text)).toEqual([]);
  });
  it('is still seen to leak', () => {
    expect(analyse(of(87, 'thermostat-stuck-open'), bare).verdict).toBe('thermostat-stuck-open');
  });
  it('is called of too low a rating only against a number', () => {
    const low = of(70);
    expect(analyse(low, bare).suspects.map((s) => s.fault)).not.toContain('thermostat-low-rating');
    expect(analyse(low, { ...bare, thermostat: { startOpenC: 88 } }).suspects[0].fault).toBe(
      'thermostat-low-rating'
    );
  });
});
