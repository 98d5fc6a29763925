import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { weightOf } from '../diagnosis/belief';
import { runFinding } from '../diagnosis/findings';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { analyse } from './analyse';
import { logFrom } from './log-from';
import { hiddenFaults, notShownBy } from './words';

const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8')) as SpecSheet;
const judged = (fault: FaultId, drive: DriveName, ambientC: number, columns: 'scan' | 'all' = 'scan') =>
  analyse(
    logFrom({
      spec: curlew,
      fault,
      severity: 0.9,
      legs: DRIVES[drive],
      ambientC,
      startC: ambientC,
      columns,
      seed: 3
    }),
    curlew
  );

describe('what the leading fault hides', () => {
  const cold = judged('thermostat-stuck-open', 'mixed', 8);

  it('a dead fan hides behind a thermostat that keeps the engine cold, and the run says so', () => {
    expect(cold.verdict).toBe('thermostat-stuck-open');
    expect(cold.beside?.leading).toBe('thermostat-stuck-open');
    expect(hiddenFaults(cold.beside)).toContain('fan-motor-dead');
    const told = notShownBy(cold).find((b) => b.fault === 'fan-motor-dead')!;
    expect(told.because).not.toBe('');
    expect(notShownBy(cold).map((b) => b.fault)).toEqual([...new Set(notShownBy(cold).map((b) => b.fault))]);
  });

  it('both together are not ruled out by what only the second would have shown alone', () => {
    const finding = runFinding({
      id: 'r',
      title: 'Cold',
      suspects: cold.suspects,
      blind: cold.couldNotShow.map((b) => b.fault),
      beside: cold.beside
    });
    const one = weightOf(finding, ['thermostat-stuck-open']);
    // Choked air would have shown on the hill by itself; behind the leak it would not.
    for (const second of ['airflow-restricted', 'radiator-clogged'] as const) {
      const both = weightOf(finding, ['thermostat-stuck-open', second]);
      expect(both, second).toBeGreaterThan(one - 1.2);
      expect(both, second).toBeLessThan(one + 1.2);
    }
    // A sensor that reads hot on top would have shown all along.
    expect(weightOf(finding, ['thermostat-stuck-open', 'ect-reads-hot'])).toBeLessThan(one - 0.5);
  });

  it('where nothing leads nothing hides', () => {
    expect(judged('none', 'mixed', 14).beside).toBeNull();
  });
});
