import { describe, expect, it } from 'vitest';
import { context, curlew, entry, fathom, finding, stopped } from '../../../tests/support/check-bench';
import { checkOf, type CheckId } from '../checks/registry';
import { FAULTS } from '../faults/registry';
import { USUAL_COSTS } from '../record/shop-costs';
import type { FaultId } from '../vehicle/faults';
import { adviceOf, choicesOf } from './decide';
import type { Finding } from './finding';
import { findingsOf, runFinding } from './findings';
import { openChecks } from './next';
import { posteriorOf } from './posterior';

/** What was made of findings: each case is named after what a technician was misled by. */
const cold = context([stopped(14)], curlew);

describe('the advice', () => {
  it('“no repair, cures 0 %” for two faults that are both certain: both are offered in one go', () => {
    const both = posteriorOf(
      [finding({ 'thermostat-stuck-open': 12 }, 'a', 'hand'), finding({ 'gauge-fault': 12 }, 'b', 'gauge')],
      curlew
    );
    const best = choicesOf(both, USUAL_COSTS)[0];
    expect([...best.repairs].sort()).toEqual(['gauge', 'thermostat']);
    expect(best.cures).toBeGreaterThan(0.8);
  });

  it('doing nothing while a fault is likelier than not', () => {
    const ill = posteriorOf([finding({ 'clutch-bearing': 5, 'water-pump-bearing': 5 })], fathom);
    expect(ill.suspects[0].fault).not.toBe('none');
    expect(choicesOf(ill, { ...USUAL_COSTS, comeback: 0 })[0].repairs).not.toEqual(['none']);
  });

  it('“works as designed” before codes, the level and a run', () => {
    const asked = (done: readonly CheckId[], symptoms: string[] = []) => ({
      findings: [finding({ none: 9 }), ...symptoms.map((s) => finding({}, s, 'complaint'))],
      sheet: curlew,
      state: { phase: 'regulating' as const },
      open: openChecks(done.map((check) => ({ check, outcome: { result: 'pass' } })))
    });
    const next = (...args: Parameters<typeof asked>) => {
      const { actNow, check } = adviceOf(asked(...args), USUAL_COSTS);
      return actNow ? null : check!.id;
    };
    expect(next([])).toBe('level-and-look');
    expect(next(['level-and-look', 'codes'])).toBe('warm-up-run');
    expect(next(['level-and-look', 'codes', 'warm-up-run'])).toBeNull();
    expect(next(['level-and-look', 'codes', 'warm-up-run'], ['complaint/smell-steam'])).toBe('cap-test');
  });
});

describe('before a part is changed', () => {
  const looked = ['level-and-look', 'codes', 'warm-up-run'] as const;
  const asked = (findings: Finding[], done: readonly CheckId[] = looked) => ({
    findings,
    sheet: curlew,
    state: { phase: 'regulating' as const },
    open: openChecks(done.map((check) => ({ check, outcome: { result: 'pass' as const } })))
  });
  const altered = { 'fan-setpoint-modified': 6 };
  it('“take it out” on the word of a run: the fan is watched first', () => {
    const { act, actNow, check } = adviceOf(asked([finding(altered, 'run', 'run')]), USUAL_COSTS);
    expect(act.repairs).toEqual(['modification-out']);
    expect(actNow).toBe(false);
    expect(checkOf(check!.id).speaksTo).toContain('fan-setpoint-modified');
  });
  it('unless nothing is left that could measure it', () => {
    const left = adviceOf({ ...asked([finding(altered, 'run', 'run')]), open: [] }, USUAL_COSTS);
    expect(left.actNow).toBe(true);
  });
});

it('the same finding twice is no second witness', () => {
  const rush = entry('hose-rush', { felt: 'gradual', coolantC: 60, by: 'hand', coolantBy: 'probe' }, cold);
  const once = posteriorOf(findingsOf({ symptoms: [], done: [rush], runs: [], sheet: curlew }), curlew);
  const twice = posteriorOf(
    findingsOf({ symptoms: [], done: [rush, { ...rush, id: 'again' }], runs: [], sheet: curlew }),
    curlew
  );
  expect(twice.suspects[0]).toEqual(once.suspects[0]);
});

describe('the same run again', () => {
  const shares = (probability: number, fault: 'airflow-restricted' | 'radiator-clogged', alike: FaultId) => ({
    fault,
    probability,
    alike: [alike],
    severity: 0.6
  });
  const run = (id: string) =>
    runFinding({
      id,
      title: 'Airflow restricted',
      suspects: [
        shares(0.7, 'airflow-restricted', 'radiator-clogged'),
        shares(0.28, 'radiator-clogged', 'airflow-restricted')
      ],
      blind: []
    });
  const of = (times: number) => {
    const { suspects } = posteriorOf(
      Array.from({ length: times }, (_, i) => run(`run ${i}`)),
      curlew
    );
    return (f: FaultId) => suspects.find((s) => s.fault === f)!.probability;
  };

  it('does not split what draws nearly one curve: only its priors do', () => {
    const priors = FAULTS['airflow-restricted'].prior / FAULTS['radiator-clogged'].prior;
    for (const times of [1, 5])
      expect(of(times)('airflow-restricted') / of(times)('radiator-clogged')).toBeLessThan(1.25 * priors);
  });

  it('adds little to what it said: runs of one vehicle are wrong in the same way', () => {
    const odds = (p: number) => Math.log(p / (1 - p));
    const either = (times: number) => of(times)('airflow-restricted') + of(times)('radiator-clogged');
    expect(odds(either(2)) - odds(either(1))).toBeLessThan(0.4 * (odds(either(1)) - odds(either(0))));
  });
});

describe('a sound vehicle', () => {
  const heater: Finding = {
    id: 'complaint/heater-weak',
    title: 'Complaint',
    says: 'Heater weak',
    llr: {},
    group: 'complaint'
  };
  const sound: Finding = { id: 'all', title: 'All', says: 'All is well', llr: { none: 9 }, group: 'all' };
  const open = (...done: CheckId[]) =>
    openChecks([]).filter((id) => !['level-and-look', 'codes', 'warm-up-run', ...done].includes(id));
  const advice = (done: CheckId[]) =>
    adviceOf(
      { findings: [heater, sound], sheet: curlew, state: { phase: 'regulating' }, open: open(...done) },
      USUAL_COSTS
    );

  it('is not sent home before what was complained of was tried', () => {
    expect(advice([])).toMatchObject({ actNow: false, check: { id: 'heater-air' } });
    expect(advice(['heater-air'])).toMatchObject({ actNow: true, act: { repairs: ['none'] } });
  });
});
