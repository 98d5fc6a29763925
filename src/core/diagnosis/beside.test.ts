import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { weightOf } from './belief';
import { runFinding } from './findings';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { analyse } from '../runs/analyse';
import { logFrom } from '../runs/log-from';
import { notShownBy, notShownSpots } from '../runs/words';

const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8')) as SpecSheet;
const judged = (fault: FaultId, drive: DriveName, ambientC: number) =>
  analyse(
    logFrom({
      spec: curlew,
      fault,
      severity: 0.9,
      legs: DRIVES[drive],
      ambientC,
      startC: ambientC,
      columns: 'all',
      seed: 3
    }),
    curlew
  );

describe('what the leading fault hides', () => {
  const leaking = judged('thermostat-stuck-open', 'ridge', 38);
  const blind = leaking.couldNotShow.map((b) => b.fault);

  it('is told where the run would have shown it by itself, with what hides it', () => {
    expect(leaking.verdict).toBe('thermostat-stuck-open');
    // On a grade at 38 °C a clogged radiator shows, but not behind a thermostat that never shuts.
    expect(blind).not.toContain('radiator-clogged');
    const told = notShownSpots(leaking).find((b) => b.fault === 'radiator-clogged');
    expect(told?.because).toBe(
      'thermostat stuck open hides it: this run does not tell whether both are there'
    );
  });

  it('is told once each, and by the same faults with and without the reasons', () => {
    const ids = notShownBy({ verdict: leaking.verdict, blind, beside: leaking.beside });
    expect(ids).toEqual(notShownSpots(leaking).map((b) => b.fault));
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBeGreaterThan(blind.length);
  });

  it('is not told where the run settles on nothing', () => {
    expect(notShownSpots({ ...leaking, verdict: 'not-enough' })).toEqual(leaking.couldNotShow);
    expect(judged('none', 'mixed', 14).beside).toBeNull();
  });

  it('is not ruled out beside it by what it would have shown alone', () => {
    const run = { id: 'r', title: 'Cold', suspects: leaking.suspects, blind };
    const alone = runFinding(run);
    const together = runFinding({ ...run, id: 's', beside: leaking.beside });
    const one = weightOf(together, ['thermostat-stuck-open']);
    for (const hidden of ['radiator-clogged', 'fan-motor-dead'] as const) {
      expect(weightOf(alone, ['thermostat-stuck-open', hidden]), hidden).toBeLessThan(one - 1);
      expect(weightOf(together, ['thermostat-stuck-open', hidden]), hidden).toBeCloseTo(one, 1);
    }
    // A sensor that reads hot on top would have shown all along.
    expect(weightOf(together, ['thermostat-stuck-open', 'ect-reads-hot'])).toBeLessThan(one - 1);
    // Nor does a curve that one fault explains make a second one likelier.
    for (const { fault } of leaking.beside!.faults)
      expect(weightOf(together, ['thermostat-stuck-open', fault]), fault).toBeLessThanOrEqual(one + 1e-9);
  });
});

describe('a leading fault that takes a part away', () => {
  const heated = JSON.parse(readFileSync('demo/specs/qh-07-parcel.spec.json', 'utf8')) as SpecSheet;
  it.each([
    ['thermostat-map-control', 'mixed', 20],
    ['thermostat-heater-failed', 'ridge', 32]
  ] as const)(
    '%s leaves nothing of that part to fail beside it, and the run is judged',
    (fault, drive, ambientC) => {
      const summary = analyse(
        logFrom({
          spec: heated,
          fault,
          severity: 1,
          legs: DRIVES[drive],
          ambientC,
          startC: ambientC,
          columns: 'all',
          seed: 3
        }),
        heated
      );
      expect(summary.beside?.leading).toBe(fault);
      const told = summary.beside!.faults.map((f) => f.fault);
      expect(told).not.toContain('thermostat-heater-failed');
      expect(told).not.toContain('thermostat-map-control');
    }
  );
});
