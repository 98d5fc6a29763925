import type { RunSummary } from '../runs/run-summary';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import { logFrom } from '../runs/log-from';
import { analyse } from '../runs/analyse';
import { judgeRoad, runAsChecks } from './run-checks';

const curlew: SpecSheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));

function run(fault: FaultId, severity: number, drive: DriveName, ambientC: number) {
  const spec = curlew;
  const legs = DRIVES[drive];
  const log = logFrom({
    spec,
    fault,
    severity,
    legs,
    ambientC,
    startC: ambientC,
    columns: 'all',
    seed: 8
  });
  return analyse(log, curlew).features;
}

describe('the road run', () => {
  it.each([
    ['none', 0, 'mixed', 12, 'pass', null],
    ['none', 0, 'ridge', 28, 'pass', null],
    ['thermostat-stuck-open', 0.6, 'mixed', 5, 'fail', 'thermostat-stuck-open'],
    ['radiator-clogged', 0.75, 'ridge', 24, 'fail', 'radiator-clogged']
  ] as const)('%s %f on %s at %i °C: %s', (fault, severity, drive, ambientC, result, named) => {
    const judged = judgeRoad(run(fault, severity, drive, ambientC), curlew)!;
    expect(judged.result).toBe(result);
    if (named) expect(judged.points).toContainEqual(expect.objectContaining({ fault: named, way: 'for' }));
  });

  const segment = (kind: 'idle' | 'town' | 'road', celsius: number, fromS = 0) => ({
    kind,
    fromS,
    toS: fromS + 300,
    celsius,
    spreadC: 1,
    meanLoadPct: kind === 'idle' ? 20 : 40
  });

  it('tells missing airflow from a clogged core: hot standing, cool moving', () => {
    const hot = judgeRoad({ segments: [segment('idle', 109), segment('road', 90)], perLoadC: null }, curlew)!;
    expect(hot.result).toBe('fail');
    expect(hot.points).toContainEqual(expect.objectContaining({ fault: 'airflow-restricted', way: 'for' }));
    expect(hot.points).toContainEqual(expect.objectContaining({ fault: 'radiator-clogged', way: 'against' }));
  });

  it('is not judged on a run that only stood, or only moved', () => {
    expect(judgeRoad({ segments: [segment('idle', 90)], perLoadC: null }, curlew)).toBeNull();
    expect(judgeRoad({ segments: [segment('road', 90)], perLoadC: null }, curlew)).toBeNull();
  });
});

it('a stored run stands on the plan by its verdict, and as a road run where it was driven', () => {
  const stored = (verdict: 'none' | 'not-enough' | 'thermostat-stuck-open', drive: DriveName) =>
    runAsChecks(
      {
        id: 'r',
        at: '2026-11-20T08:00:00Z',
        fileName: 'a.csv',
        title: 'x',
        verdict,
        features: run('none', 0, drive, 12)
      } as RunSummary,
      curlew
    ).map((c) => `${c.check} ${c.outcome.result}`);
  expect(stored('none', 'mixed')).toEqual(['warm-up-run pass', 'road-run pass']);
  expect(stored('not-enough', 'idle')).toEqual(['warm-up-run unclear']);
  expect(stored('thermostat-stuck-open', 'idle')).toEqual(['warm-up-run fail']);
});
