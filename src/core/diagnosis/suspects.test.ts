import { NOT_IN_A_LOG } from '../faults/registry';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../tests/support/between';
import { at, context, curlew, fathom, sheetOf, stopped } from '../../../tests/support/check-bench';
import { checkOf, CHECK_IDS, type CheckId } from '../checks/registry';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import type { JudgedCheck } from './judged';
import { findingOf, findingsOf, runFinding } from './findings';
import { BLUNDER, withBlunder, type Finding } from './finding';
import { believe, entropyOf, weightOf } from './belief';
import { hypothesesOf } from './hypotheses';
import { historyOf } from './history';
import { partRemoved, foresee, openChecks, waitFor, worthOf } from './next';
import { bearingsOn, leaningOn, posteriorOf } from './posterior';
import { TOOLS } from '../measure/tools';
import type { ShopChecks } from '../record/shop-checks';
import { sharesOf } from '../checks/results';

const finding = (llr: Finding['llr'], group = 'meter', id = JSON.stringify(llr)): Finding => ({
  id,
  title: id,
  says: '',
  llr,
  group
});
const some = fc
  .tuple(
    fc.subarray([...FAULT_IDS], { minLength: 1, maxLength: 5 }),
    between(-4, 4),
    fc.constantFrom('meter', 'hand', 'run', 'thermometer')
  )
  .map(([faults, llr, group]) =>
    finding(Object.fromEntries(faults.map((f, i) => [f, llr * (i % 2 ? -1 : 1)])), group)
  );
const many = fc.array(some, { maxLength: 8 });
const probabilities = (findings: readonly Finding[], sheet = curlew) =>
  new Map(posteriorOf(findings, sheet).suspects.map((s) => [s.fault, s.probability]));

/** A check as the record would judge it on the vehicle's sheet. */
const judged = (check: CheckId, readings: unknown, sheet = fathom): JudgedCheck => ({
  id: `${check}-1`,
  check,
  at,
  who: 'Maren Oake',
  byHand: false,
  readings,
  confirmed: [],
  words: '',
  outcome: checkOf(check).judge(checkOf(check).readings.parse(readings), context([stopped(14)], sheet))
});

const leaning = (findings: readonly Finding[]) =>
  leaningOn(believe(findings, hypothesesOf(fathom)), findings);

describe('what is believed', () => {
  it('adds up to one, and leaves no possible suspect at nothing, whatever was found', () => {
    fc.assert(
      fc.property(many, (findings) => {
        const { hypotheses, suspects } = posteriorOf(findings, curlew);
        expect(hypotheses.reduce((s, h) => s + h.probability, 0)).toBeCloseTo(1, 9);
        expect(suspects.every((s) => s.probability > 0)).toBe(true);
      }),
      { numRuns: 60 }
    );
  });

  it('does not depend on the order of findings, and forgets one that is undone', () => {
    fc.assert(
      fc.property(many, some, fc.infiniteStream(fc.nat(1000)), (findings, extra, keys) => {
        const before = probabilities(findings);
        const shuffled = findings.map((f) => [keys.next().value, f] as const).sort((a, b) => a[0] - b[0]);
        const other = probabilities(shuffled.map(([, f]) => f));
        const undone = probabilities([...findings, extra].filter((f) => f !== extra));
        for (const [fault, p] of before) {
          expect(other.get(fault)).toBeCloseTo(p, 9);
          expect(undone.get(fault)).toBeCloseTo(p, 9);
        }
      }),
      { numRuns: 40 }
    );
  });

  it('admits a blunder: no finding speaks against the truth by more than its chance', () => {
    expect(withBlunder(-50)).toBeCloseTo(Math.log(BLUNDER), 6);
    expect(withBlunder(0)).toBeCloseTo(0, 9);
    expect(withBlunder(3)).toBeGreaterThan(2.9);
  });

  it('takes two readings by one thermometer for less than two witnesses', () => {
    const twice = (a: string, b: string) =>
      probabilities([finding({ 'ect-reads-cold': 2 }, a, '1'), finding({ 'ect-reads-cold': 2 }, b, '2')]).get(
        'ect-reads-cold'
      )!;
    const once = probabilities([finding({ 'ect-reads-cold': 2 }, 'meter', '1')]).get('ect-reads-cold')!;
    expect(twice('thermometer', 'meter')).toBeGreaterThan(twice('thermometer', 'thermometer'));
    expect(twice('thermometer', 'thermometer')).toBeGreaterThan(once);
  });

  it('of two faults either explains what speaks for one, and both bear what speaks against', () => {
    const f = finding({ 'fan-motor-dead': 2, 'thermostat-stuck-open': -1 });
    expect(weightOf(f, ['fan-motor-dead', 'coolant-low'])).toBe(weightOf(f, ['fan-motor-dead']));
    expect(weightOf(f, ['fan-motor-dead', 'thermostat-stuck-open'])).toBeLessThan(
      weightOf(f, ['fan-motor-dead'])
    );
  });

  it('leans on the shop’s own past once there is enough of it, and never by more than fourfold', () => {
    expect(historyOf({ 'ect-intermittent': 19 })).toBeUndefined();
    const history = historyOf({ 'ect-intermittent': 60 })!;
    const before = probabilities([]).get('ect-intermittent')!;
    const after = posteriorOf([], curlew, history).suspects.find((s) => s.fault === 'ect-intermittent')!;
    expect(after.probability).toBeGreaterThan(2 * before);
    for (const factor of Object.values(history)) expect(factor).toBeGreaterThanOrEqual(0.25);
    for (const factor of Object.values(history)) expect(factor).toBeLessThanOrEqual(4);
  });

  it('tells apart what one run says as itself and as the checks it stands for', () => {
    const run = { id: 'one-run', title: '', suspects: [], blind: [] };
    const asChecks = [
      judged('clutch-cold-turn', { firstTurn: 'firm', freeTurns: 0, laterTurns: null }),
      judged('air-rise', { beforeC: 14, afterC: 96, coolantC: 97, fan: 'yes' })
    ].map((j) => ({ ...j, id: run.id }));
    const ids = findingsOf({ symptoms: [], done: asChecks, runs: [run], sheet: curlew }).map((f) => f.id);
    expect(ids.length).toBeGreaterThan(1);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('leaves out what the vehicle cannot have, with the reason', () => {
    const { impossible, suspects } = posteriorOf([], curlew);
    expect(impossible).toContainEqual({ fault: 'clutch-slipping', because: 'no fan clutch' });
    expect(suspects.some((s) => s.fault.startsWith('clutch-'))).toBe(false);
    expect(posteriorOf([], null).impossible).toEqual([]);
  });

  it('carries two faults at once where the findings speak for both', () => {
    const both = [finding({ 'fan-motor-dead': 7 }, 'meter'), finding({ 'thermostat-stuck-open': 7 }, 'hand')];
    const { hypotheses } = posteriorOf(both, curlew);
    expect([...hypotheses[0].faults].sort()).toEqual(['fan-motor-dead', 'thermostat-stuck-open']);
  });

  it('a run says of what it cannot show what it says of a healthy engine', () => {
    const { llr } = runFinding({
      id: 'r',
      title: 'In its band',
      suspects: [
        { fault: 'none', probability: 0.9, alike: [], severity: 0 },
        { fault: 'fan-motor-weak', probability: 0.08, alike: [], severity: 0.5 }
      ],
      blind: ['clutch-slipping', 'fan-motor-weak']
    });
    for (const { fault } of NOT_IN_A_LOG) expect(llr[fault]).toBe(llr.none);
    expect(llr['clutch-slipping']).toBe(llr.none);
    expect(llr['fan-motor-weak']!).toBeGreaterThan(llr.none!);
    expect(llr['thermostat-stuck-open']!).toBeLessThan(-1);
  });

  it('every check has a strength that speaks the right way', () => {
    for (const id of CHECK_IDS) {
      const { finds, falsely, because } = checkOf(id).strength;
      expect(finds, id).toBeGreaterThanOrEqual(falsely);
      expect(because.length, id).toBeGreaterThan(10);
      for (const fault of Object.keys(checkOf(id).strength.overrides) as FaultId[]) {
        const told = sharesOf(id, fault);
        expect(told.finds, `${id} of ${fault}`).toBeGreaterThanOrEqual(told.falsely);
        expect(checkOf(id).speaksTo, `${id} of ${fault}`).toContain(fault);
      }
    }
  });
});

describe('the ambulance', () => {
  const queue = [
    { what: 'gauge-high' as const, when: ['idle' as const, 'crawl' as const] },
    { what: 'ac-off' as const, when: ['crawl' as const] }
  ];
  const done = [
    judged('clutch-cold-turn', { firstTurn: 'firm', freeTurns: 0, laterTurns: null }),
    judged('clutch-hot-speed', {
      pairs: [{ engineRpm: 950, fanRpm: 790, airC: 73, sinceStartMin: null }],
      coolantC: 101
    }),
    judged('air-rise', { beforeC: 14, afterC: 94, coolantC: 97, fan: 'yes' })
  ];
  const leader = (d: JudgedCheck[]) =>
    posteriorOf(findingsOf({ symptoms: queue, done: d, runs: [], sheet: fathom }), fathom).suspects[0];

  it('comes to restricted airflow and not the clutch everyone suspects', () => {
    expect(leader(done).fault).toBe('airflow-restricted');
    expect(leader(done).probability).toBeGreaterThan(0.65);
    const clutch = bearingsOn(
      'clutch-slipping',
      findingsOf({ symptoms: queue, done, runs: [], sheet: fathom })
    );
    expect(clutch[0].decibans).toBeLessThan(-5);
  });

  it('comes there with one wrong reading in between, less sure', () => {
    const wrong = [
      { ...done[0], ...judged('clutch-cold-turn', { firstTurn: 'none', freeTurns: 8, laterTurns: null }) }
    ];
    const misled = [
      ...wrong,
      ...done.slice(1),
      judged('radiator-face', {
        face: Array.from({ length: 4 }, () => [80, 80, 80, 80]),
        flows: 'down',
        inC: 97,
        outC: 95,
        airC: 14,
        rpm: 900,
        fan: 1
      })
    ];
    expect(leader(misled).fault).toBe('airflow-restricted');
    expect(leader(misled).probability).toBeLessThan(leader([...done, ...misled.slice(-1)]).probability);
  });

  it('says what would have to be wrong for that to be wrong', () => {
    const air = finding({ 'airflow-restricted': 4 }, 'eye', 'air');
    const clutch = finding({ 'clutch-slipping': 3.3 }, 'hand', 'clutch');
    // Without the one the clutch would lead; without the other the air leads still.
    expect(leaning([air, clutch])).toEqual([{ finding: air, then: 'clutch-slipping' }]);
    expect(leaning([air, { ...air, id: 'again', group: 'meter' }])).toEqual([]);
  });
});

describe('the next check', () => {
  const cold = context([stopped(14)]).thermal;
  const hot = context([{ kind: 'started', at }], fathom).thermal;
  const worth = (findings: Finding[], state = cold, sheet = fathom) =>
    worthOf({ findings, sheet, state, open: openChecks([]) });
  const split = (a: FaultId, b: FaultId): Finding[] => [finding({ [a]: 4, [b]: 4 }, 'complaint')];

  it('foresees ways to come out that add up to one, and on average takes uncertainty away', () => {
    const findings = split('clutch-slipping', 'airflow-restricted');
    for (const id of CHECK_IDS) {
      const ways = foresee(id, { findings, sheet: fathom });
      if (ways.length === 0) continue;
      expect(ways.reduce((s, w) => s + w.probability, 0)).toBeCloseTo(1, 9);
    }
    for (const w of worth(findings)) expect(w.bits).toBeGreaterThan(0);
    expect(entropyOf([0.5, 0.5])).toBe(1);
  });

  it('offers the check of the heater where a restricted heater core leads', () => {
    const cold = [finding({ 'heater-core-restricted': 4 }, 'complaint')];
    expect(
      worth(cold, hot)
        .map((w) => w.id)
        .slice(0, 3)
    ).toContain('heater-air');
  });

  it('separates the two leaders: the clutch is turned by hand while the engine is cold', () => {
    const findings = split('clutch-slipping', 'airflow-restricted');
    const [first] = worth(findings);
    expect(['clutch-cold-turn', 'level-and-look']).toContain(first.id);
    const free = foresee('clutch-cold-turn', { findings, sheet: fathom }).find((f) =>
      f.finds.includes('clutch-slipping')
    )!;
    const of = (p: ReturnType<typeof posteriorOf>, fault: FaultId) =>
      p.suspects.find((s) => s.fault === fault)!.probability;
    expect(of(free.after, 'clutch-slipping')).toBeGreaterThan(
      of(posteriorOf(findings, fathom), 'clutch-slipping')
    );
  });

  it('counts the hours a cold soak costs: hot, it asks for what can be done hot', () => {
    expect(waitFor(checkOf('clutch-cold-turn'), hot)).toBeGreaterThan(30);
    expect(waitFor(checkOf('ect-circuit'), hot)).toBe(0);
    const [first] = worth(split('clutch-slipping', 'airflow-restricted'), hot);
    expect(checkOf(first.id).phases).not.toEqual(['C']);
  });

  it('asks what tells relay from motor where those are suspected, and offers nothing the vehicle has not', () => {
    const ids = worth(split('fan-relay-contacts', 'fan-motor-dead'), cold, sheetOf('qh-26-scoot')).map(
      (w) => w.id
    );
    // Exchanging the part is quicker still, and splits the two as well.
    expect(['relay-swap', 'fan-command']).toContain(ids[0]);
    expect(ids.slice(0, 6)).toContain('relay-socket');
    expect(ids).not.toContain('clutch-cold-turn');
    expect(ids).not.toContain('controller-in-out');
  });

  it('a part that is out for one bench check costs no taking out for the next', () => {
    const findings = split('thermostat-heater-failed', 'thermostat-stuck-open');
    const asked = { findings, sheet: sheetOf('qh-07-parcel'), state: cold, open: openChecks([]) };
    const minutes = (removed: CheckId[]) =>
      worthOf({ ...asked, removed }).find((w) => w.id === 'thermostat-heater')!.minutes;
    expect(partRemoved([{ check: 'thermostat-bath' }])).toContain('thermostat-heater');
    expect(partRemoved([{ check: 'codes' }])).toEqual([]);
    expect(minutes([]) - minutes(['thermostat-heater'])).toBe(35);
  });

  it('asks for nothing the shop has no tool for, and weighs a check by the minutes it takes there', () => {
    const findings = split('clutch-slipping', 'airflow-restricted');
    const asked = { findings, sheet: fathom, state: hot, open: openChecks([]) };
    const clutch = (shop?: ShopChecks) =>
      worthOf({ ...asked, shop }).find((w) => w.id === 'clutch-hot-speed');
    expect(clutch()!.minutes).toBe(checkOf('clutch-hot-speed').minutes);
    const slow = clutch({ without: [], minutes: { 'clutch-hot-speed': 30 } })!;
    expect(slow.minutes).toBe(30);
    expect(slow.rate).toBeLessThan(clutch()!.rate);
    expect(clutch({ without: ['Optical tachometer'], minutes: {} })).toBeUndefined();
  });

  it('a relay is pulled in two minutes, a thermostat is not', () => {
    expect(waitFor(checkOf('relay-bench'), hot)).toBe(2);
    expect(waitFor(checkOf('thermostat-bath'), hot)).toBe(35);
  });

  it('every tool that a check asks for is of the list, and those of the list are asked for', () => {
    const asked = new Set(CHECK_IDS.flatMap((id) => checkOf(id).tools));
    expect([...asked].sort()).toEqual([...TOOLS].sort());
  });

  it('what it foresees adds up, whatever each suspect is told by', () => {
    const findings = split('ect-wiring', 'fan-setpoint-modified');
    for (const id of CHECK_IDS) {
      const seen = foresee(id, { findings, sheet: null });
      expect(
        seen.reduce((sum, f) => sum + f.probability, 0),
        id
      ).toBeCloseTo(1, 6);
    }
  });

  it('does not ask again what is done, but does where it was void', () => {
    const done = [
      { check: 'soak' as const, outcome: { result: 'pass' } },
      { check: 'cold-agreement' as const, outcome: { result: 'void' } }
    ];
    expect(openChecks(done)).not.toContain('soak');
    expect(openChecks(done)).toContain('cold-agreement');
  });

  it('a void check is no finding', () => {
    const base = judged('clutch-cold-turn', { firstTurn: 'firm', freeTurns: 0, laterTurns: null });
    expect(findingOf({ ...base, outcome: { ...base.outcome, result: 'void' } }, null)).toBeNull();
  });
});
