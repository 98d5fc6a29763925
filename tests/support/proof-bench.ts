import type { CheckId } from '../../src/core/checks/registry';
import type { JudgedCheck } from '../../src/core/diagnosis/judged';
import { proofOf, type Proof, type Repaired } from '../../src/core/diagnosis/proof';
import type { ProofRun } from '../../src/core/diagnosis/proof-run';
import type { FaultId } from '../../src/core/vehicle/faults';
import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import { at, context, curlew, judge } from './check-bench';

/** A thermostat that was changed at hour 0, with what a test adds to its record. */
export const hour = (h: number) => new Date(Date.parse(at) + h * 3_600_000).toISOString();

export const run = (
  h: number,
  verdict: ProofRun['verdict'],
  more: Partial<ProofRun> = {},
  fan: object[] = []
): ProofRun => ({
  id: `run${h}`,
  at: hour(h),
  title: verdict === 'none' ? 'Works as designed' : 'Thermostat stuck open',
  verdict,
  suspects: [],
  blind: [],
  shownFrom: { 'thermostat-stuck-open': 0.4, 'airflow-restricted': 0.7 },
  features: {
    fan: { switches: fan },
    maxC: 97,
    startC: 5,
    startMinusAmbientC: 0,
    segments: [],
    durationS: 1800
  } as never,
  ...more
});
export const suspect = (fault: FaultId, severity: number) => ({
  fault,
  severity,
  probability: 0.9,
  alike: []
});
export const done = (h: number, check: CheckId, readings: object, sheet: SpecSheet = curlew): JudgedCheck =>
  ({
    id: `${check}${h}`,
    check,
    at: hour(h),
    outcome: judge(check, readings, context([], sheet))
  }) as JudgedCheck;
export const NO_CODES = { codes: [] };

export const proof = (more: Partial<Repaired>): Proof =>
  proofOf({
    repairedAt: hour(0),
    repairs: ['thermostat'],
    cause: 'thermostat-stuck-open',
    done: [],
    runs: [],
    sheet: curlew,
    ...more
  });
export const item = (p: Proof, id: string) => p.items.find((i) => i.id === id)!;
export const met = (p: Proof, id: string) => item(p, id).met;
