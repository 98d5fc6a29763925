import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'pyrethos-cli-'));
const spec = resolve('demo/specs/qh-03-curlew.spec.json');
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(resolve('bin/pyrethos'), args, {
    cwd: folder,
    encoding: 'utf8'
  });
  return { status, stdout, stderr };
};
const file = (name: string, text: string) => (writeFileSync(join(folder, name), text), name);

beforeAll(() => void run('--help'), 60_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('bin/pyrethos', () => {
  it('analyses a log from anywhere and prints the documented JSON', () => {
    const { status, stdout } = run(
      'analyse',
      resolve('demo/runs/qh-03-ridge-road.csv'),
      '--spec',
      spec,
      '--json'
    );
    const analysis = JSON.parse(stdout);
    expect(status).toBe(0);
    expect(analysis).toMatchObject({
      format: 'pyrethos.analysis',
      version: 1,
      verdict: 'thermostat-stuck-open',
      features: { openingC: null, fanOnC: [], fanOffC: [], jumps: 0 }
    });
    expect(analysis.suspects[0].fault).toBe('thermostat-stuck-open');
    expect(analysis.couldNotShow).toContainEqual(
      expect.objectContaining({
        fault: 'fan-motor-dead',
        because: 'coolant never reached 101 °C, where the fan should come on'
      })
    );
    expect(Object.keys(analysis.features)).toEqual(
      expect.arrayContaining(['startC', 'openingC', 'openingAtS', 'warmRateCPerMin', 'plateauC', 'maxC'])
    );
  });

  it('says the same four parts in words', () => {
    const { stdout } = run('analyse', resolve('demo/runs/qh-03-ridge-road.csv'), '--spec', spec);
    for (const part of [
      'Best match: Thermostat stuck open',
      'Other matches',
      'Evidence',
      'This run could not show'
    ])
      expect(stdout).toContain(part);
  });

  it('simulates a log that it then reads as what it was told to make', () => {
    expect(
      run(
        'simulate',
        '--spec',
        spec,
        '--fault',
        'thermostat-low-rating',
        '--severity',
        '0.6',
        '--ambient',
        '6',
        '--out',
        'made.csv'
      ).status
    ).toBe(0);
    expect(JSON.parse(run('analyse', 'made.csv', '--spec', spec, '--json').stdout).verdict).toBe(
      'thermostat-low-rating'
    );
    expect(readFileSync(join(folder, 'made.csv'), 'utf8').split('\r\n')[0]).toMatch(
      /^t_s,ect_c,iat_c,ambient_c,rpm,speed_kmh,load_pct/
    );
  });

  it('validates sheets and logs', () => {
    const { status, stdout } = run('validate', spec, resolve('demo/runs/qh-03-proof.csv'));
    expect([status, stdout.split('\n').length]).toEqual([0, 3]);
  });

  it.each([
    ['a missing file', () => ['analyse', 'none.csv', '--spec', spec], /^none\.csv: no such file$/],
    [
      'a broken row',
      () => ['analyse', file('broken.csv', 't_s,ect_c\n0,20\n1,x\n2,20\n'), '--spec', spec],
      /^broken\.csv, line 3, ect_c: “x” is not a reading; expected a number in °C/
    ],
    [
      'a sheet the wrong way round',
      () => [
        'analyse',
        resolve('demo/runs/qh-03-proof.csv'),
        '--spec',
        file(
          'odd.spec.json',
          JSON.stringify({
            ...JSON.parse(readFileSync(spec, 'utf8')),
            thermostat: { startOpenC: 90, fullOpenC: 80 }
          })
        )
      ],
      /^odd\.spec\.json, thermostat\.fullOpenC: full-open is 80 °C, not above start-to-open at 90 °C/
    ],
    ['a sheet that is not JSON', () => ['validate', file('text.json', 'not json')], /^text\.json: not JSON/],
    [
      'a fault there is not',
      () => ['simulate', '--spec', spec, '--fault', 'gremlins'],
      /--fault is “gremlins”; expected one of none, thermostat-stuck-open/
    ],
    [
      'no verb it knows',
      () => ['guess'],
      /no verb “guess”; expected analyse, case, judge, checks, simulate, validate/
    ]
  ])('ends with status 2 and one line on %s', (_, args, expected) => {
    const { status, stderr } = run(...args());
    expect(status).toBe(2);
    expect(stderr.trim()).toMatch(expected);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });

  it('fits a sensor curve, converts both ways and says what a resistor across it does', () => {
    const points = file('points.csv', 'degC,ohm\n-20,18534.7\n25,2300\n90,281.3\n');
    const { status, stdout } = run(
      ...['curve', points, '--at', '0,60', '--pull-up', '2200', '--volts', '0.567'],
      ...['--ohm', '170.1', '--across', '1000', '--on', '101', '--json']
    );
    const said = JSON.parse(stdout);
    expect(status).toBe(0);
    expect(said.nearest[0]).toMatchObject({ id: 'ntc-2k3-3500' });
    expect(said.at[0].ohm).toBeCloseTo(6735, -1);
    expect(said.at[1].volts).toBeCloseTo(1.167, 2);
    expect(said.ofOhm[0].celsius).toBeCloseTo(110, 0);
    expect(said.ofVolts[0].meanings[0].celsius).toBeCloseTo(90, 0);
    expect(said.across.switchesAtC).toBeCloseTo(91.7, 0);
    expect(run('curve', points, '--fit', 'beta').stdout).toMatch(
      /Curve: R25 (2299|2300)\.\d Ω, β 3500\.\d K/
    );
    expect(run('curve', '--families').stdout.split('\n').length).toBeGreaterThan(12);
  });

  it.each([
    ['a row that rises', '0,6735\n25,7000\n', 'row 2 (25 °C, 7000 Ω) is hotter than row 1'],
    ['a word for a number', '0,6735\nwarm,700\n40,1300\n', 'line 2: “warm 700” is not a temperature'],
    ['too few points', '0,6735\n25,2300\n', 'three temperatures or more']
  ])('refuses a curve with %s in one line', (_, text, message) => {
    const { status, stderr } = run('curve', file('bad-curve.csv', text));
    expect(status).toBe(2);
    expect(stderr).toContain(message);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });

  it('reads a bus capture like any log, and tells its codes', () => {
    const answer = (t: number, ...bytes: number[]) =>
      `(${t.toFixed(3)}) can0 7E8#${bytes.map((b) => b.toString(16).padStart(2, '0')).join('')}`;
    const lines = Array.from({ length: 900 }, (_, i) =>
      answer(i, 3, 0x41, 5, Math.min(126, 52 + Math.round(i / 9)))
    );
    const log = file('bus.log', [answer(0, 4, 0x43, 1, 0x01, 0x28), ...lines].join('\n'));
    const { status, stdout } = run('analyse', log, '--spec', spec, '--json');
    expect(status).toBe(0);
    const analysis = JSON.parse(stdout);
    expect(Math.abs(analysis.features.startC - 12)).toBeLessThanOrEqual(1);
    expect(analysis.features.maxC).toBe(86);
    expect(analysis.warnings.join()).toContain('P0128 stored');
    expect(run('validate', log).stdout).toContain('a log of 900 samples');
    const broken = run('analyse', file('cut.log', '(1.0) can0 3B1#01\n(2.0) can0 3B1#02\n'), '--spec', spec);
    expect(broken.status).toBe(2);
    expect(broken.stderr).toContain('fewer than two coolant temperatures');
  });

  it('validates a job file, and names what is wrong with one', () => {
    const entry = { who: 'Maren Oake', at: '2026-11-24T08:00:00Z' };
    const vehicleId = '00000000-0000-4000-8000-000000000001';
    const opening = {
      ...entry,
      id: '00000000-0000-4000-8000-000000000003',
      stream: 'job:00000000-0000-4000-8000-000000000002',
      kind: 'job.opened',
      payload: { vehicleId, complaint: 'Climbs on the hill', symptoms: [] }
    };
    const job = {
      format: 'pyrethos.job',
      version: 1,
      exportedAt: '2026-11-25T08:00:00Z',
      number: 7,
      vehicle: {
        id: vehicleId,
        fleetNo: 'QH-22',
        name: 'Tarrock Heron 3.0',
        note: '',
        events: [
          {
            ...entry,
            id: '00000000-0000-4000-8000-000000000004',
            stream: `vehicle:${vehicleId}`,
            kind: 'vehicle.entered',
            payload: { fleetNo: 'QH-22', name: 'Tarrock Heron 3.0' }
          }
        ]
      },
      sheet: null,
      events: [opening],
      checks: [],
      runs: [],
      photos: [],
      mood: 'kept'
    };
    const good = run('validate', file('good.job.json', JSON.stringify(job)));
    expect(good.stdout).toContain('job 7 of QH-22 with 0 checks, 0 runs, 0 photos');
    expect(good.stderr).toContain('mood: is not a field Pyrethos knows; kept as it is');
    const bad = run('validate', file('bad.job.json', JSON.stringify({ ...job, number: 'seven' })));
    expect([bad.status, bad.stderr]).toEqual([
      2,
      expect.stringContaining('number: is "seven"; expected a number')
    ]);
    const newer = run('validate', file('new.job.json', JSON.stringify({ ...job, version: 2 })));
    expect(newer.stderr).toContain('version: is 2; this Pyrethos reads up to version 1');
    const undone = {
      ...opening,
      id: '00000000-0000-4000-8000-000000000005',
      kind: 'undo',
      payload: { of: vehicleId }
    };
    const broken = run(
      'validate',
      file('broken.job.json', JSON.stringify({ ...job, events: [opening, undone] }))
    );
    expect([broken.status, broken.stderr]).toEqual([
      2,
      expect.stringContaining('events.1.payload.of: undoes')
    ]);
    const shop = {
      format: 'pyrethos.workshop',
      version: 1,
      exportedAt: entry.at,
      vehicles: [],
      curves: [],
      shop: [],
      jobs: []
    };
    expect(run('validate', file('workshop.json', JSON.stringify(shop))).stdout).toContain(
      'a workshop with 0 vehicles and 0 jobs'
    );
  });
});
