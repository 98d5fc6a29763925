import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CHECK_IDS } from '../../src/core/checks/registry';
import type { CaseFile } from '../../src/core/handover/case-file';
import type { JobFile } from '../../src/core/handover/job-file';

const folder = mkdtempSync(join(tmpdir(), 'pyrethos-case-'));
const curlew = resolve('demo/specs/qh-03-curlew.spec.json');
const YEAR = resolve('demo/year');
const read = (name: string) => JSON.parse(readFileSync(join(YEAR, name), 'utf8')) as JobFile;
const files = readdirSync(YEAR).sort();
/** A job that was repaired and proven, with a run before and after. */
const proven = files.find((f) =>
  read(f).events.some((e) => e.kind === 'job.closed' && e.payload.outcome === 'fixed and proven')
)!;

const run = (args: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(resolve('bin/pyrethos'), args, {
    cwd: folder,
    encoding: 'utf8',
    input,
    maxBuffer: 64 * 1024 * 1024
  });
  return { status, stdout, stderr };
};
const file = (name: string, content: unknown) => (
  writeFileSync(join(folder, name), typeof content === 'string' ? content : JSON.stringify(content)),
  name
);

beforeAll(() => void run(['--help']), 60_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('bin/pyrethos case', () => {
  it('prints everything that is known of a job, from its file alone', () => {
    const { status, stdout } = run(['case', join(YEAR, proven), '--json']);
    expect(status).toBe(0);
    const job = JSON.parse(stdout) as CaseFile & { number: number };
    expect(job).toMatchObject({
      format: 'pyrethos.case',
      version: 1,
      number: read(proven).number,
      state: 'closed',
      outcome: 'fixed and proven',
      proof: { proven: true }
    });
    expect(job.suspects.reduce((sum, s) => sum + s.probability, 0)).toBeGreaterThanOrEqual(1);
    expect(job.suspects.map((s) => s.probability)).toEqual(
      job.suspects.map((s) => s.probability).toSorted((a, b) => b - a)
    );
    const codes = job.checks.find((c) => c.check === 'codes')!;
    expect(codes).toMatchObject({ result: 'pass', says: 'No code stored or pending' });
    expect(job.checks.find((c) => c.check === 'soak')!.limits).toContainEqual(
      expect.objectContaining({ name: 'Above ambient', limit: 'below 2 °C' })
    );
    // Every check there is stands on the plan once, or is told as lacking.
    const planned = [...job.plan.line, ...job.plan.anyTime, ...job.plan.bench].map((p) => p.check);
    expect(new Set([...planned, ...job.plan.lacking.map((l) => l.id)]).size).toBe(CHECK_IDS.length);
    expect(job.repairs.map((r) => r.expectedCost)).toEqual(
      job.repairs.map((r) => r.expectedCost).toSorted((a, b) => a - b)
    );
    expect(stdout).not.toMatch(/[\u00a0\u202f]/);
  });

  it('says what it knows in words for a person', () => {
    const { status, stdout } = run(['case', join(YEAR, proven)]);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^job \d+ of QH-\d\d, closed: fixed and proven/);
    expect(stdout).toMatch(/\nSuspects\n +(> )?\d+ % {2}[A-Z]/);
    expect(stdout).toMatch(/\nProven\n/);
  });

  it('of an open job advises by the moment it is asked for', () => {
    const open = read(proven);
    // Two hours after the engine was stopped, before anything was checked.
    open.events = open.events.slice(0, 2);
    open.runs = [];
    const [, noted] = open.events;
    const stopped = noted.kind === 'engine.noted' ? Date.parse(noted.payload.at) : NaN;
    const at = (hours: number) => new Date(stopped + hours * 3_600_000).toISOString();
    const name = file('open.job.json', open);
    const asked = (moment: string) =>
      JSON.parse(run(['case', name, '--json', '--at', moment]).stdout) as CaseFile;
    const warm = asked(at(15));
    expect(warm.state).toBe('open');
    expect(warm.heat.phase).toBe('cold');
    expect(warm.next!.minutes).toBeGreaterThan(0);
    expect(warm.plan.line.find((p) => p.check === 'soak')!.possibleNow).toBe(true);
    const agreement = (c: CaseFile) => c.plan.line.find((p) => p.check === 'cold-agreement')!;
    expect(agreement(warm).heldBack).toBeNull();
    open.events.push({ ...noted, id: '5f6a7c1e-1111-4111-8111-111111111111', at: at(14.5) });
    const again = open.events[2];
    if (again.kind === 'engine.noted') again.payload = { kind: 'started', at: at(14.5) };
    file('open.job.json', open);
    expect(agreement(asked(at(15))).heldBack).toMatch(/must stand cold first/);
  });

  it('answers a line for a line, and one that is broken without stopping', () => {
    const jobs = files.slice(0, 3).map(read);
    const lines = [
      JSON.stringify(jobs[0]),
      '{',
      JSON.stringify(jobs[1]),
      '{"format": "x"}',
      JSON.stringify(jobs[2])
    ];
    const { status, stdout } = run(['case', '--lines'], `${lines.join('\n')}\n`);
    expect(status).toBe(0);
    const answers = stdout
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l));
    expect(answers.map((a) => a.format)).toEqual([
      'pyrethos.case',
      'pyrethos.problems',
      'pyrethos.case',
      'pyrethos.problems',
      'pyrethos.case'
    ]);
    expect(answers[1].problems[0]).toMatch(/^not JSON/);
    expect(answers[3].problems[0]).toMatch(/^format: is "x"; expected "pyrethos.job"/);
    const alone = JSON.parse(run(['case', join(YEAR, files[2]), '--json']).stdout);
    expect(answers[4]).toEqual(alone);
  });

  it.each([
    [
      'a file that is no job',
      () => file('no.json', { format: 'pyrethos.spec-sheet' }),
      /format: is "pyrethos.spec-sheet"/
    ],
    [
      'a run that is spoken of and missing',
      () => file('torn.job.json', { ...read(proven), runs: [] }),
      /run .* is spoken of and is not in the file/
    ]
  ])('ends with status 2 and one line on %s', (_, name, expected) => {
    const { status, stderr } = run(['case', name()]);
    expect(status).toBe(2);
    expect(stderr).toMatch(expected);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });
});

describe('bin/pyrethos judge', () => {
  const agreement = {
    ect: { celsius: 12, instrument: { kind: 'scan', uncertaintyC: 1 } },
    iat: { celsius: 5, instrument: { kind: 'scan', uncertaintyC: 1 } },
    ambient: { celsius: 5, instrument: { kind: 'glass', uncertaintyC: 0.7 } },
    housing: { celsius: 5, instrument: { kind: 'contact', uncertaintyC: 1.5 } }
  };
  const judge = (id: string, readings: unknown, ...more: string[]) =>
    run(['judge', id, '--readings', file('readings.json', readings), '--spec', curlew, '--json', ...more]);

  it('counts a cold check on a soaked engine, and voids it where nobody knows', () => {
    const soaked = judge('cold-agreement', agreement, '--stood', '14', '--last', '90', '--ambient', '5');
    expect(soaked.status).toBe(0);
    expect(JSON.parse(soaked.stdout)).toMatchObject({
      format: 'pyrethos.check',
      check: 'cold-agreement',
      result: 'fail',
      for: expect.arrayContaining(['ect-reads-hot'])
    });
    const unknown = JSON.parse(judge('cold-agreement', agreement).stdout);
    expect(unknown).toMatchObject({
      result: 'void',
      for: [],
      voidBecause: expect.stringContaining('not known')
    });
  });

  it.each([
    ['readings of another shape', 'soak', { hoursStood: 'long' }, [], /readings\.json, hoursStood/],
    [
      'readings the sheet rules out',
      'soak',
      { hoursStood: 1, lastC: 150, ambientC: 20 },
      [],
      /hotter than this sealed system/
    ],
    ['a check there is not', 'taste', {}, [], /no check “taste”; expected one of soak, codes/],
    ['hours that are none', 'soak', {}, ['--stood', 'long'], /--readings|--stood is “long”|hoursStood/]
  ])('refuses %s in one line', (_, id, readings, more, expected) => {
    const { status, stderr } = judge(id, readings, ...more);
    expect(status).toBe(2);
    expect(stderr.trim()).toMatch(expected);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });
});

describe('bin/pyrethos checks', () => {
  it('lists what a vehicle can have with the schema of its readings, and what it lacks with the reason', () => {
    const { stdout } = run(['checks', '--spec', curlew, '--json']);
    const { checks, lacking } = JSON.parse(stdout) as {
      checks: { check: string; readings: { type: string; properties: object } }[];
      lacking: { check: string; because: string }[];
    };
    const soak = checks.find((c) => c.check === 'soak')!;
    expect(soak.readings).toMatchObject({
      type: 'object',
      properties: { hoursStood: { type: 'number', minimum: 0 } }
    });
    expect(lacking).toContainEqual(
      expect.objectContaining({ check: 'clutch-play', because: 'no fan clutch' })
    );
    expect(new Set([...checks, ...lacking].map((c) => c.check)).size).toBe(CHECK_IDS.length);
  });
});
