import type { SpecSheet } from '../vehicle/spec-sheet';
import { curesOf, repairFor } from '../faults/registry';
import { USUAL_CHECKS } from '../record/shop-checks';
import { describe, expect, it } from 'vitest';
import { curlew, fathom } from '../../../tests/support/check-bench';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import type { Finding } from './finding';
import { openChecks } from './next';
import { posteriorOf } from './posterior';
import { REPAIR_IDS, repairOf } from '../vehicle/repairs';
import { costsWith, DRAIN_MIN, priceOf } from './costs';
import { shopCostsSchema, USUAL_COSTS } from '../record/shop-costs';
import { adviceOf, choiceOf, choicesOf, offersOf } from './decide';
import { endingOf, needless } from './ending';
import { closings } from './closings';
import type { Proof } from './proof';
import { costOfUncertainty } from './cost-of-uncertainty';
import { hypothesesOf } from './hypotheses';
import { canBeQuick, heldBack, sheetOn, stepsOf, torqueOf } from './steps';

const finding = (llr: Finding['llr']): Finding => ({ id: 'f', title: 'f', says: '', llr, group: 'meter' });

describe('repairs', () => {
  it('every fault of the catalogue has one that cures it', () => {
    for (const fault of FAULT_IDS) expect(curesOf(repairFor(fault))).toContain(fault);
  });

  it('two in one go share a drain and a ferry', () => {
    const [a, b] = [priceOf(['thermostat'], USUAL_COSTS), priceOf(['ect-sensor'], USUAL_COSTS)];
    const both = priceOf(['thermostat', 'ect-sensor'], USUAL_COSTS);
    expect(both.labourMin).toBe(a.labourMin + b.labourMin - DRAIN_MIN);
    expect(both.days).toBe(2);
    // 48 + 26 for parts, 55 min at 60 an hour, two days at 40.
    expect(both.total).toBeCloseTo(48 + 26 + 55 + 80, 9);
    const shelf = shopCostsSchema.parse({ parts: { thermostat: { price: 30, shelf: true } } });
    expect(priceOf(['thermostat'], shelf)).toMatchObject({ parts: 30, days: 0, total: 30 + 55 });
  });

  it('are priced by the quote that is cheapest with its wait, and only where there is one', () => {
    const quote = { repair: 'thermostat' as const, partNo: '' };
    const ferry = { ...quote, supplier: 'Mainland by ferry', price: 40, days: 4 };
    const shelf = { ...quote, supplier: 'Harbour stores', price: 62, days: 0 };
    // 40 and four days at 40 against 62 at once.
    expect(priceOf(['thermostat'], costsWith(USUAL_COSTS, [shelf, ferry]))).toMatchObject({
      parts: 62,
      days: 0
    });
    const patient = { ...USUAL_COSTS, dayOffRoad: 2 };
    expect(priceOf(['thermostat'], costsWith(patient, [shelf, ferry]))).toMatchObject({ parts: 40, days: 4 });
    expect(costsWith(USUAL_COSTS, [])).toEqual(USUAL_COSTS);
    // Both in one go wait for the slower of the two.
    expect(priceOf(['thermostat', 'ect-sensor'], costsWith(patient, [ferry])).days).toBe(4);
  });

  it('hold the cap shut until the engine is known to be cool, and hands away while it runs', () => {
    const step = (id: string) => stepsOf(['thermostat', 'fan-clutch']).find((s) => s.id === id)!;
    const hot = { running: false, safeToOpen: false, coolantC: 82 };
    expect(heldBack(step('cap-open'), hot, curlew)).toBe('About 82\u00a0°C: below 50\u00a0°C first');
    expect(heldBack(step('fan-clutch/stopped'), hot, curlew)).toBeNull();
    expect(heldBack(step('cap-open'), { ...hot, safeToOpen: true }, curlew)).toBeNull();
    expect(heldBack(step('fan-clutch/stopped'), { ...hot, running: true }, curlew)).toBe('The engine runs');
    expect(
      heldBack(step('cap-open'), { running: false, safeToOpen: null, coolantC: null }, curlew)
    ).toBeNull();
  });

  it('tell at the step what the sheet tells of it', () => {
    const step = (id: string) => stepsOf(['thermostat', 'fan-clutch']).find((s) => s.id === id)!;
    const sheet: SpecSheet = {
      ...curlew,
      clutchNut: 'left',
      bleedPoints: 'screw on the heater pipe',
      thermostat: { ...curlew.thermostat, place: 'under the intake' }
    };
    expect(sheetOn(step('bled'), sheet)).toBe('Bleed points: screw on the heater pipe');
    expect(sheetOn(step('thermostat/housing-off'), sheet)).toBe('It sits: under the intake');
    expect(sheetOn(step('fan-clutch/nut'), sheet)).toBe('Left-hand thread: it unscrews clockwise');
    for (const s of stepsOf(['thermostat', 'fan-clutch'])) expect(sheetOn(s, curlew)).toBeNull();
  });

  it('are counted: parts that do not cure what it was are needless, work without a part is not', () => {
    expect(needless(['ect-sensor', 'thermostat', 'radiator-outside'], 'thermostat-stuck-open')).toEqual([
      'ect-sensor'
    ]);
    const done = (repairs: ('thermostat' | 'ect-sensor')[]) => ({
      id: '',
      at: '2026-03-02T08:00:00Z',
      who: '',
      done: { repairs } as never
    });
    expect(
      endingOf(
        {
          checks: [],
          runIds: ['a'],
          comebacks: 1,
          repairs: [done(['ect-sensor']), done(['thermostat'])],
          promised: '2026-03-03T16:00:00Z'
        },
        USUAL_CHECKS,
        2,
        null
      )
    ).toEqual({
      repairs: ['ect-sensor', 'thermostat'],
      goes: 2,
      repairedAt: '2026-03-02T08:00:00Z',
      comebacks: 1,
      minutes: 25 + 25 + 55,
      promised: '2026-03-03T16:00:00Z',
      lostSoaks: 2,
      waited: null
    });
  });

  it('have steps once for all: one drain, one fill, each with its cautions', () => {
    const ids = stepsOf(['thermostat', 'water-pump']).map((s) => s.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.indexOf('drained')).toBeLessThan(ids.indexOf('thermostat/housing-off'));
    expect(ids.indexOf('water-pump/belt-on')).toBeLessThan(ids.indexOf('filled'));
    expect(stepsOf(['none'])).toEqual([]);
    for (const id of REPAIR_IDS)
      if (repairOf(id).drains)
        expect(stepsOf([id]).find((s) => s.id === 'cap-open')!.cautions).toContain('hot-cap');
    // The sensor alone is changed for another without a drain; nothing is drained, and what spilled is filled up.
    const quick = stepsOf(['ect-sensor'], true).map((s) => s.id);
    expect(quick).toEqual(expect.arrayContaining(['ready', 'catch', 'ect-sensor/sensor-in', 'filled']));
    expect(quick).not.toContain('drained');
    expect(canBeQuick(['ect-sensor'], curlew)).toBe(true);
    expect(canBeQuick(['ect-sensor', 'thermostat'], curlew)).toBe(false);
    const low = { ...curlew, ect: { ...curlew.ect, location: 'Lower radiator hose' } };
    expect(canBeQuick(['ect-sensor'], low)).toBe(false);
    const on = stepsOf(['thermostat']).find((s) => s.id === 'thermostat/housing-on')!;
    expect([torqueOf(on, curlew), torqueOf(on, null)]).toEqual([9, null]);
  });
});

describe('acting or checking on', () => {
  it('a choice costs the work, and the comeback as often as it does not cure', () => {
    const now = posteriorOf([finding({ 'airflow-restricted': 9 })], fathom);
    const choice = choiceOf(['radiator-outside'], now, USUAL_COSTS);
    expect(choice.total).toBe(50);
    expect(choice.cures).toBeGreaterThan(0.9);
    const wrong = choiceOf(['fan-clutch'], now, USUAL_COSTS);
    expect(wrong.expected).toBeGreaterThan(wrong.total + 0.9 * USUAL_COSTS.comeback);
    expect(choicesOf(now, USUAL_COSTS)[0].repairs).toEqual(['radiator-outside']);
  });

  it('acts once not knowing is cheaper than finding out, and not before', () => {
    const asked = (llr: Finding['llr']) => ({
      findings: [finding(llr)],
      sheet: fathom,
      state: { phase: 'cold' as const },
      open: openChecks([])
    });
    const open = adviceOf(asked({ 'airflow-restricted': 2, 'clutch-slipping': 2 }), USUAL_COSTS);
    expect(open.actNow).toBe(false);
    expect(open.unsureCosts).toBeGreaterThan(open.check!.toSureCosts);
    const known = {
      ...asked({ 'airflow-restricted': 7 }),
      findings: ['meter', 'hand', 'eye'].map((group) => ({
        ...finding({ 'airflow-restricted': 5 }),
        id: group,
        group
      }))
    };
    expect(adviceOf(known, USUAL_COSTS)).toMatchObject({
      actNow: true,
      act: { repairs: ['radiator-outside'] }
    });
    // The dearer a comeback, the longer it checks.
    const careful = adviceOf(known, { ...USUAL_COSTS, comeback: 50_000, misnamed: 50_000 });
    expect(careful.unsureCosts).toBeGreaterThan(adviceOf(known, USUAL_COSTS).unsureCosts);
  });
});

describe('what not knowing costs', () => {
  const { space } = hypothesesOf(curlew);
  const sure = (fault: FaultId) =>
    Float64Array.from(space.sets, (w) => (w.length === 1 && w[0] === fault ? 1 : 0));
  const half = (a: FaultId, b: FaultId) => sure(a).map((p, h) => (p + sure(b)[h]) / 2);
  const stakes = costOfUncertainty(space, USUAL_COSTS);

  it('is nothing where the cause is known, and grows with the doubt', () => {
    for (const fault of ['none', 'thermostat-stuck-open', 'ect-wiring'] as const)
      expect(stakes(sure(fault))).toBeCloseTo(0, 6);
    expect(stakes(half('thermostat-stuck-open', 'ect-wiring'))).toBeGreaterThan(150);
  });

  it('of two that one repair cures it is the wrong name alone', () => {
    // Contacts and coil: a new relay cures either, and half the time the wrong one is written down.
    expect(stakes(half('fan-relay-contacts', 'fan-relay-coil'))).toBeCloseTo(0.5 * USUAL_COSTS.misnamed, 6);
  });

  it('of two that are repaired apart it is the cheaper mistake, and the wrong name', () => {
    const [stat, sensor] = [priceOf(['thermostat'], USUAL_COSTS), priceOf(['ect-sensor'], USUAL_COSTS)];
    const dear = Math.min(stat.total, sensor.total);
    // Either first, and half the time the other after it with a comeback: beyond what knowing would have cost.
    expect(stakes(half('thermostat-stuck-open', 'ect-reads-hot'))).toBeCloseTo(
      0.5 * dear + 0.5 * USUAL_COSTS.comeback + 0.5 * USUAL_COSTS.misnamed,
      6
    );
  });

  it('asks on where one check saves more than its minutes cost, though being sure would be dearer', () => {
    // A weak cap in doubt on a hot engine: the cap test is cold, and still worth its wait at a low rate.
    const asked = {
      findings: [finding({ none: 5, 'pressure-cap-weak': 5.3 })],
      sheet: curlew,
      state: { phase: 'regulating' as const },
      open: openChecks([]).filter((id) => !['level-and-look', 'codes', 'warm-up-run'].includes(id))
    };
    const at = (labourPerHour: number) => adviceOf(asked, { ...USUAL_COSTS, labourPerHour });
    const { actNow, unsureCosts, check } = at(40);
    expect([actNow, check!.id]).toEqual([false, 'cap-test']);
    expect(unsureCosts).toBeLessThan(check!.toSureCosts);
    expect(at(9000).actNow).toBe(true);
  });
});

describe('the end of a repair', () => {
  it('lets a job close only in words it has earned', () => {
    const may = (repairs: string[], p: Proof | null) =>
      closings(repairs, p)
        .filter((c) => c.refused === null)
        .map((c) => c.outcome);
    expect(may([], null)).toEqual(['no fault found', 'referred on', 'declined']);
    expect(may(['thermostat'], { items: [], proven: false, next: null })).toEqual(['fixed, unproven']);
    expect(may(['thermostat'], { items: [], proven: true, next: null })).toEqual(['fixed and proven']);
    expect(may(['refer-on'], null)).toEqual(['referred on', 'declined']);
  });

  it('says why a job may not close as it would like to, naming what is still missing', () => {
    const item = (title: string, needed: boolean, met: boolean) =>
      ({
        id: 'leak',
        title,
        needed,
        met,
        says: '',
        check: null,
        done: null
      }) as unknown as Proof['items'][number];
    const half: Proof = {
      items: [item('No leak', true, false), item('A run', true, true), item('A look', false, false)],
      proven: false,
      next: null
    };
    const why = (repairs: string[], p: Proof | null) =>
      Object.fromEntries(closings(repairs, p).map((c) => [c.outcome, c.refused]));
    expect(why(['thermostat'], half)).toEqual({
      'fixed and proven': 'not proven yet: no leak',
      'fixed, unproven': null,
      'no fault found': 'a repair is on record',
      'referred on': 'a repair is on record',
      declined: 'a repair is on record'
    });
    expect(why(['thermostat'], { ...half, proven: true })['fixed, unproven']).toBe('it is proven');
    // Repaired, and nothing yet to prove it by: unproven it may close, and not as proven.
    expect(why(['thermostat'], null)).toMatchObject({
      'fixed and proven': 'not proven yet: ',
      'fixed, unproven': null
    });
    expect(why(['none'], null)).toMatchObject({
      'no fault found': null,
      'fixed, unproven': 'no repair is on record'
    });
    expect(why(['refer-on'], null)).toMatchObject({
      'no fault found': 'a repair is on record',
      'referred on': null
    });
  });

  it('offers both of the two likeliest in one go beside each alone, the cheapest in the end first', () => {
    const now = posteriorOf([finding({ 'thermostat-stuck-open': 4, 'ect-reads-cold': 3.8 })], curlew);
    const offers = offersOf(now, USUAL_COSTS);
    expect(offers.map((o) => [...o.repairs].sort().join('+'))).toContain('ect-sensor+thermostat');
    expect(offers.map((o) => o.repairs.join('+'))).toContain('thermostat');
    const costs = offers.map((o) => o.expected);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });
});
