import { describe, expect, it } from 'vitest';
import { fathom } from '../../../tests/support/check-bench';
import { done, hour, item, met, NO_CODES, proof, run, suspect } from '../../../tests/support/proof-bench';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import { analyse } from '../runs/analyse';
import { logFrom } from '../runs/log-from';
import { summaryOfRun } from '../runs/run-summary';
import { plainText } from '../units/say';
import type { ProofRun } from './proof-run';

describe('a run that proves', () => {
  it('came after the repair, and no later one is worse', () => {
    expect(met(proof({ runs: [run(-1, 'none')] }), 'run')).toBe(false);
    expect(met(proof({ runs: [run(1, 'none')] }), 'run')).toBe(true);
    expect(met(proof({ runs: [run(1, 'none'), run(2, 'thermostat-stuck-open')] }), 'run')).toBe(false);
  });

  it('could have shown what was repaired: a mild drive proves nothing of it', () => {
    const blind = run(1, 'none', { blind: ['thermostat-stuck-open'], shownFrom: {} });
    const p = proof({ runs: [run(-1, 'thermostat-stuck-open'), blind] });
    expect(met(p, 'run')).toBe(false);
    expect(plainText(item(p, 'run').says)).toMatch(/^This run could not show thermostat stuck open: /);
    expect(p.next!.check).toBe('level-and-look');
  });

  it('could have shown it as mild as it was before', () => {
    const before = (severity: number) =>
      run(-1, 'airflow-restricted', { suspects: [suspect('airflow-restricted', severity)] });
    const p = (severity: number) =>
      proof({
        repairs: ['radiator-outside'],
        cause: 'airflow-restricted',
        runs: [before(severity), run(1, 'none')]
      });
    expect(met(p(0.9), 'run')).toBe(true);
    expect(met(p(0.4), 'run')).toBe(false);
    expect(item(p(0.4), 'run').says).toContain('as mild as it was');
  });

  it('an ambulance that boiled at 34 °C is not proven by a mild drive at 8 °C with the fault still in it', () => {
    const made = (h: number, drive: DriveName, ambientC: number): ProofRun =>
      summaryOfRun({
        id: `r${h}`,
        fileName: 'r.csv',
        importedAt: hour(h),
        startedAt: null,
        durationS: 1800,
        endC: 90,
        analysis: analyse(
          logFrom({
            spec: fathom,
            fault: 'airflow-restricted',
            severity: 0.7,
            legs: DRIVES[drive],
            ambientC,
            startC: ambientC,
            columns: 'scan',
            seed: 5
          }),
          fathom
        )
      });
    const after = made(1, 'mixed', 8);
    const p = proof({
      repairs: ['radiator-outside'],
      cause: 'airflow-restricted',
      sheet: fathom,
      runs: [made(-1, 'ridge', 34), after],
      done: [done(2, 'codes', NO_CODES, fathom)]
    });
    expect(after.verdict).toBe('none');
    expect(met(p, 'run')).toBe(false);
    expect(plainText(item(p, 'run').says)).toContain('could not show airflow restricted');
  });
});
