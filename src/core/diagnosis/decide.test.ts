import { describe, expect, it } from 'vitest';
import { curlew, finding } from '../../../tests/support/check-bench';
import { minutesOf, USUAL_CHECKS } from '../record/shop-checks';
import { USUAL_COSTS } from '../record/shop-costs';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import { priceOf } from './costs';
import { adviceOf, choiceOf, choicesOf, offersOf } from './decide';
import { openChecks } from './next';
import type { Posterior } from './posterior';

/** What is believed, by hand: each hypothesis with its chance, the likeliest first. */
function believed(...hypotheses: (readonly [readonly FaultId[], number])[]): Posterior {
  const faults = [...new Set(hypotheses.flatMap(([f]) => f))];
  const of = (fault: FaultId) => hypotheses.reduce((sum, [f, p]) => sum + (f.includes(fault) ? p : 0), 0);
  return {
    hypotheses: hypotheses.map(([f, probability]) => ({ faults: f, probability })),
    suspects: faults
      .map((fault) => ({ fault, probability: of(fault) }))
      .sort((a, b) => b.probability - a.probability),
    impossible: []
  };
}
const costs = { ...USUAL_COSTS, comeback: 100 };
const priced = (...ids: RepairId[]) => priceOf(ids, costs).total;
const lists = (choices: readonly { repairs: readonly RepairId[] }[]) =>
  choices.map((c) => c.repairs.join('+'));

describe('what a repair costs in the end', () => {
  const now = believed([['thermostat-stuck-open'], 0.6], [['gauge-fault'], 0.3], [['none'], 0.1]);

  it('is the work, and where it does not cure the vehicle that comes back and the repair it needed', () => {
    expect(choiceOf(['thermostat'], now, costs)).toMatchObject({
      cures: expect.closeTo(0.7, 9),
      expected: expect.closeTo(priced('thermostat') + 0.3 * (100 + priced('gauge')), 9)
    });
    expect(choiceOf(['none'], now, costs)).toMatchObject({
      cures: expect.closeTo(0.1, 9),
      expected: expect.closeTo(0.6 * (100 + priced('thermostat')) + 0.3 * (100 + priced('gauge')), 9)
    });
    expect(choiceOf(['thermostat', 'gauge'], now, costs)).toMatchObject({
      cures: expect.closeTo(1, 9),
      expected: expect.closeTo(priced('thermostat', 'gauge'), 9)
    });
  });

  it('of two faults at once leaves the other', () => {
    const both = believed([['thermostat-stuck-open', 'gauge-fault'], 1]);
    expect(choiceOf(['thermostat'], both, costs)).toMatchObject({
      cures: 0,
      expected: expect.closeTo(priced('thermostat') + 100 + priced('gauge'), 9)
    });
  });

  it('is asked of what is likely; the rest comes out like it', () => {
    const rare = believed(
      [['thermostat-stuck-open'], 0.6],
      [['gauge-fault'], 0.3],
      [['coolant-low'], 4e-4],
      [['fan-motor-dead'], 3e-4]
    );
    expect(choiceOf(['thermostat'], rare, costs)).toMatchObject({
      cures: expect.closeTo(2 / 3, 9),
      expected: expect.closeTo(priced('thermostat') + (100 + priced('gauge')) / 3, 9)
    });
    const scarce = believed([['thermostat-stuck-open'], 0.75], [['gauge-fault'], 5e-4]);
    expect(choiceOf(['thermostat'], scarce, costs).cures).toBeCloseTo(0.75 / 0.7505, 9);
  });
});

describe('the choices', () => {
  it('are the cheapest in the end first', () => {
    const now = believed([['thermostat-stuck-open'], 0.7], [['gauge-fault'], 0.3]);
    const found = choicesOf(now, costs);
    expect(found[0].repairs).toEqual(['thermostat']);
    expect(found.map((c) => c.expected)).toEqual(found.map((c) => c.expected).sort((a, b) => a - b));
  });

  it('are no part while nothing is likelier wrong than not, however dear a comeback', () => {
    const now = believed([['none'], 0.5], [['gauge-fault'], 0.5]);
    expect(lists(choicesOf(now, { ...costs, comeback: 1e6 }))).toEqual(['none', 'gauge']);
  });

  it('are not to do nothing while a fault is likelier than not, however cheap', () => {
    const now = believed([['gauge-fault'], 0.51], [['none'], 0.49]);
    expect(lists(choicesOf(now, { ...costs, comeback: 0 }))).toEqual(['gauge']);
  });

  it('stay where no repair cures half: the likeliest causes, and never nothing', () => {
    const now = believed([['gauge-fault'], 0.35], [['thermostat-stuck-open'], 0.33], [['none'], 0.32]);
    expect(lists(choicesOf(now, costs)).sort()).toEqual(['gauge', 'thermostat']);
  });

  it('bundle two faults that are there together, where that is likely', () => {
    const pair = (p: number) =>
      believed([['gauge-fault'], 1 - p], [['thermostat-stuck-open', 'fan-motor-dead'], p]);
    const bundled = (p: number) =>
      choicesOf(pair(p), costs).some((c) => c.repairs.length === 2 && c.repairs.includes('thermostat'));
    expect([0.06, 0.05].map(bundled)).toEqual([true, false]);
    // One part for both is no bundle.
    const one = believed([['thermostat-stuck-open', 'thermostat-sluggish'], 1]);
    expect(choicesOf(one, costs).every((c) => c.repairs.length === 1)).toBe(true);
  });

  it('are not made of what stands seventh', () => {
    const seven = believed(
      [['thermostat-stuck-open'], 0.3],
      [['gauge-fault'], 0.25],
      [['fan-motor-dead'], 0.2],
      [['coolant-low'], 0.1],
      [['airflow-restricted'], 0.08],
      [['pressure-cap-weak'], 0.04],
      [['heater-core-restricted'], 0.03]
    );
    const found = lists(choicesOf(seven, costs));
    expect(found).toHaveLength(6);
    expect(found.join()).toContain('cap');
    expect(found.join()).not.toContain('heater');
  });
});

describe('what is offered', () => {
  it('is four singles and the two likeliest in one go, the cheapest in the end first', () => {
    const now = believed(
      [['thermostat-stuck-open'], 0.3],
      [['gauge-fault'], 0.25],
      [['fan-motor-dead'], 0.2],
      [['coolant-low'], 0.15],
      [['airflow-restricted'], 0.1]
    );
    const found = offersOf(now, costs);
    expect(found).toHaveLength(5);
    expect(lists(found)).toContain('thermostat+gauge');
    expect(found.map((c) => c.expected)).toEqual(found.map((c) => c.expected).sort((a, b) => a - b));
  });

  it('puts both in one go first where either alone would likely come back, dearly', () => {
    const now = believed([['thermostat-stuck-open'], 0.5], [['gauge-fault'], 0.5]);
    expect(
      lists(offersOf(now, { ...costs, comeback: 5000 }))[0]
        .split('+')
        .sort()
    ).toEqual(['gauge', 'thermostat']);
  });

  it('is no bundle where one repair alone is in question', () => {
    const one = believed([['thermostat-stuck-open'], 0.6], [['thermostat-sluggish'], 0.3], [['none'], 0.1]);
    expect(lists(offersOf(one, costs))).toEqual(['thermostat']);
  });
});

describe('to act or to check on', () => {
  const findings = [finding({ 'thermostat-stuck-open': 4, 'ect-reads-cold': 4 }, 'told', 'meter')];
  const asked = {
    findings,
    sheet: curlew,
    state: { phase: 'cold' as const },
    open: openChecks([]).filter((id) => !['level-and-look', 'codes'].includes(id))
  };
  const at = (labourPerHour: number) => adviceOf(asked, { ...costs, labourPerHour });

  it('is to check while that is cheaper than being wrong, and to act where an hour costs more than a comeback', () => {
    expect(at(1)).toMatchObject({ actNow: false });
    expect(at(100_000)).toMatchObject({ actNow: true });
    const sure = [
      finding({ 'thermostat-stuck-open': 30 }, 'a', 'x'),
      finding({ 'thermostat-stuck-open': 30 }, 'b', 'y')
    ];
    expect(adviceOf({ ...asked, findings: sure }, costs).actNow).toBe(true);
  });

  it('says what being sure would take at the pace of its check, and never less than the check itself', () => {
    const { check, unsureCosts } = at(30);
    expect(check!.minutesToSure).toBeGreaterThanOrEqual(minutesOf(check!.id, USUAL_CHECKS));
    expect(check!.toSureCosts).toBeCloseTo(check!.minutesToSure / 2, 9);
    expect(unsureCosts).toBeGreaterThan(check!.toSureCosts);
  });

  it('is still one check where being sure would be dearer, if it saves more than its minutes cost', () => {
    const rates = Array.from({ length: 60 }, (_, i) => 20 * 1.15 ** i);
    const dear = rates.map(at).filter((a) => !a.actNow && a.unsureCosts <= a.check!.toSureCosts);
    expect(dear.length).toBeGreaterThan(0);
    for (const { check, unsureCosts } of dear)
      expect((minutesOf(check!.id, USUAL_CHECKS) / check!.minutesToSure) * check!.toSureCosts).toBeLessThan(
        unsureCosts
      );
    // Dearer hours never ask for more checks.
    const acts = rates.map((r) => at(r).actNow);
    expect(acts).toEqual([...acts].sort((a, b) => Number(a) - Number(b)));
  });

  it('is first what is owed before a vehicle is called sound, for what its minutes cost', () => {
    const sound = { ...asked, findings: [finding({ none: 9 })], open: openChecks([]) };
    const { actNow, check } = adviceOf(sound, { ...costs, labourPerHour: 60 });
    expect([actNow, check!.id]).toEqual([false, 'level-and-look']);
    const minutes = minutesOf('level-and-look', USUAL_CHECKS);
    expect(check).toMatchObject({ minutesToSure: minutes, toSureCosts: minutes });
  });

  it('is to act where no check is left', () => {
    expect(adviceOf({ ...asked, open: [] }, { ...costs, labourPerHour: 1 })).toMatchObject({
      actNow: true,
      check: null
    });
  });
});
