import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Log } from '../logs/channels';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { analysisFile } from '../handover/analysis-file';
import { DRIVES } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import { logFrom } from './log-from';
import { analyse } from './analyse';
import { readFan } from './fan-events';
import { driveOf, toGrid } from './grid';
import { explainedBy, groupedBlindSpots, verdictSentence, verdictTitle } from './words';
import { midSentence, sayLikely } from '../base/text';

const curlew: SpecSheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const seconds = (n: number, every = 1) => Float64Array.from({ length: n }, (_, i) => i * every);
const column = (n: number, value: (i: number) => number) =>
  Float32Array.from({ length: n }, (_, i) => value(i));
const logOf = (channels: Log['channels'], n: number, every = 1): Log => ({
  t: seconds(n, every),
  channels,
  events: []
});

describe('the grid', () => {
  it('lies straight between samples and leaves long gaps blank', () => {
    const grid = toGrid(
      {
        t: Float64Array.of(0, 10, 20, 100),
        channels: { ect_c: Float32Array.of(20, 30, 40, 50) },
        events: []
      },
      curlew
    );
    expect([grid.ect[5], grid.ect[15]]).toEqual([25, 35]);
    expect(grid.ect[60]).toBeNaN();
    expect(grid.ect[100]).toBe(50);
  });

  it('holds switches instead of sloping them', () => {
    const grid = toGrid(
      {
        t: Float64Array.of(0, 10),
        channels: { ect_c: Float32Array.of(20, 20), fan_pct: Float32Array.of(0, 100) },
        events: []
      },
      curlew
    );
    expect([grid.channels.fan_pct![9], grid.channels.fan_pct![10]]).toEqual([0, 100]);
  });

  it('reads the first four hours of a longer log and says how much was left', () => {
    const n = 6 * 360;
    const grid = toGrid(logOf({ ect_c: column(n, () => 88) }, n, 10), curlew);
    expect(grid.leftOutS).toBeCloseTo((n - 1) * 10 - 4 * 3600, 6);
    expect(grid.dt).toBeGreaterThan(1);
  });
});

describe('the drive behind a log', () => {
  const n = 300;
  it('comes from the log where it has it', () => {
    const run = driveOf(
      toGrid(
        logOf(
          {
            ect_c: column(n, () => 60),
            rpm: column(n, () => 2000),
            speed_kmh: column(n, () => 50),
            load_pct: column(n, () => 40),
            ambient_c: column(n, () => 7)
          },
          n
        ),
        curlew
      ),
      1
    );
    expect(run.assumed).toEqual([]);
    expect([run.drive.rpm[100], run.drive.speedKmh[100], run.ambientC, run.ambientFrom]).toEqual([
      2000,
      50,
      7,
      'ambient'
    ]);
    expect(run.drive.load[100]).toBeCloseTo(0.4, 6);
  });

  it('is filled from the other channels where it is missing, and says so', () => {
    const run = driveOf(
      toGrid(
        logOf({ ect_c: column(n, () => 60), speed_kmh: column(n, (i) => (i < 150 ? 0 : 60)) }, n),
        curlew
      ),
      1
    );
    expect(run.assumed).toEqual(['engine speed', 'load']);
    expect(run.drive.rpm[50]).toBe(800);
    expect(run.drive.rpm[250]).toBeGreaterThan(1500);
    expect(run.ambientFrom).toBe('assumed');
  });
});

describe('fan switching', () => {
  const n = 400;
  const grid = (more: Log['channels'] = {}) =>
    toGrid(
      logOf(
        {
          ect_c: column(n, (i) => 90 + Math.floor(i / 20)),
          fan_pct: column(n, (i) => (i >= 220 && i < 320 ? 50 : i === 100 ? 100 : 0)),
          ...more
        },
        n
      ),
      curlew
    );

  it('is read with the coolant it happened at, and a blink is not a switch', () => {
    expect(readFan(grid(), true).switches.map((s) => [s.to, s.atS, s.celsius])).toEqual([
      ['on', 220, 101],
      ['off', 320, 106]
    ]);
  });

  it('by the A/C is marked as such', () => {
    expect(readFan(grid({ ac_on: column(n, (i) => (i >= 219 ? 1 : 0)) }), true).switches[0].withAc).toBe(
      true
    );
  });

  it('does not exist on a belt-driven fan, which has a ratio instead', () => {
    const fan = readFan(
      toGrid(
        logOf({ ect_c: column(n, () => 80), rpm: column(n, () => 2000), fan_rpm: column(n, () => 500) }, n),
        curlew
      ),
      false
    );
    expect(fan.switches).toEqual([]);
    expect(fan.ratio).toBeCloseTo(0.25, 9);
  });
});

describe('words', () => {
  const a = analyse(logOf({ ect_c: column(200, (i) => 20 + i / 20) }, 200), curlew);

  it('tell faults that draw nearly one curve in one row, with what they have together', () => {
    const row = (fault: FaultId, probability: number, ...alike: FaultId[]) => ({
      fault,
      probability,
      alike,
      severity: 0.5
    });
    const suspects = [
      row('airflow-restricted', 0.5, 'radiator-clogged', 'fan-motor-weak'),
      row('none', 0.2),
      row('radiator-clogged', 0.15, 'airflow-restricted'),
      row('fan-motor-weak', 0.1, 'airflow-restricted', 'fan-relay-coil')
    ];
    const rows = explainedBy(suspects);
    expect(rows.map((r) => r.faults)).toEqual([
      ['airflow-restricted', 'radiator-clogged', 'fan-motor-weak'],
      ['none']
    ]);
    expect(rows[0].probability).toBeCloseTo(0.75, 9);
    expect(rows[0].alike).toEqual([]);
    const said = verdictSentence({ verdict: 'airflow-restricted', suspects, couldNotShow: [] });
    expect(said).toContain('or radiator clogged inside, fan motor weak, which draws nearly the same curve');
    expect(said).toContain('Together likely.');
  });

  it('of a run that says too little name what would say more', () => {
    expect(verdictTitle(a)).toBe('Not enough to say');
    expect(verdictSentence(a)).toMatch(/^Coolant never reached start-to-open at 86\s°C\. Run on until/);
  });

  it('tell blind spots of one cause together, each once', () => {
    const groups = groupedBlindSpots(a.couldNotShow);
    expect(groups.reduce((sum, g) => sum + g.titles.length, 0)).toBe(a.couldNotShow.length);
    expect(groups.length).toBeLessThan(a.couldNotShow.length);
  });

  it('keep abbreviations and measure sureness', () => {
    expect([midSentence('ECT reads hot'), midSentence('Fan feed open')]).toEqual([
      'ECT reads hot',
      'fan feed open'
    ]);
    expect([0.97, 0.965, 0.95, 0.75, 0.5, 0.2, 0.05].map(sayLikely)).toEqual([
      'almost certain',
      'almost certain',
      'very likely',
      'likely',
      'possible',
      'unlikely',
      'very unlikely'
    ]);
  });

  it('and numbers go into the analysis file with the contract’s fields, and survive JSON', () => {
    const file = JSON.parse(JSON.stringify(analysisFile(a, ['a warning'])));
    expect(file).toMatchObject({
      format: 'pyrethos.analysis',
      version: 1,
      verdict: 'not-enough',
      features: { openingC: null, plateauC: null, fanOnC: [] }
    });
    expect(file.warnings).toContain('a warning');
  });
});

describe('a run that was read by hand', () => {
  /** Coolant alone, every `everyS`, as a person writes it down. */
  const typed = (fault: FaultId, severity: number, everyS: number): Log => {
    const spec = curlew;
    const made = { spec, fault, severity, legs: DRIVES.idle, ambientC: 18, startC: 18, seed: 4 };
    const log = logFrom({ ...made, columns: 'bare' });
    const kept = log.t.filter((t) => t % everyS === 0);
    return {
      t: kept,
      channels: { ect_c: Float32Array.from(kept, (t) => log.channels.ect_c![t]) },
      events: []
    };
  };
  const contact = (uncertaintyC: number) => ({ kind: 'contact' as const, name: '', uncertaintyC });

  it('is read at the pace it was written: two minutes apart are no gap', () => {
    // Coolant alone cannot tell every fault from an engine that is only otherwise than most: healthy leads, and no more.
    const healthy = analyse(typed('none', 0, 120), curlew, contact(1.5));
    expect(healthy.suspects[0]).toMatchObject({ fault: 'none' });
    expect(['none', 'not-enough']).toContain(healthy.verdict);
    expect(analyse(typed('thermostat-stuck-closed', 1, 120), curlew, contact(1.5)).verdict).toBe(
      'thermostat-stuck-closed'
    );
  });

  it('counts what its thermometer may be off: a poor one settles less, and it is said', () => {
    const share = (uncertaintyC: number) =>
      analyse(typed('thermostat-stuck-closed', 1, 60), curlew, contact(uncertaintyC)).suspects.find(
        (s) => s.fault === 'thermostat-stuck-closed'
      )!.probability;
    expect(share(12)).toBeLessThan(share(1.5));
    const said = analyse(typed('none', 0, 60), curlew, contact(2.5)).evidence.map((e) => e.text);
    expect(said.some((text) => text.startsWith('Read by hand with contact probe, ± 2.5'))).toBe(true);
  });
});
