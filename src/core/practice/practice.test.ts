import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSpecSheet } from '../vehicle/read-sheet';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import { checkOf } from '../checks/registry';
import { readPracticeCase } from './case';
import { boilsBy, dangerOf, PRECAUTION_IDS, type TrueEngine } from './danger';
import { choicesBy, levelOf, nextOf, weakest, type Past } from './progress';
import { SENSED_CHECKS, sensedIn } from './senses';
import { calibrationOf, pointsOf, wholeBelief, type Outcome } from './score';

const sheetJson = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const read = readSpecSheet(sheetJson);
if (!read.ok) throw new Error('the sheet of QH-03 does not read');
const sheet = read.value;

describe('a practice case', () => {
  const file = {
    format: 'pyrethos.practice',
    version: 1,
    id: 'cold-heater',
    title: 'Cold feet',
    level: 1,
    teaches: 6,
    lesson: 'A thermostat that does not shut shows itself on the move.',
    sheet: sheetJson,
    faults: [{ fault: 'thermostat-stuck-open', severity: 0.9 }],
    ambientC: 6,
    words: 'It never gets warm.',
    seed: 17
  };
  it('is read with what may be left out', () => {
    const found = readPracticeCase(file);
    expect(found.ok && found.value).toMatchObject({ id: 'cold-heater', changedBefore: '', herring: '' });
  });
  it.each([
    [{ level: 6 }, 'level'],
    [{ teaches: 20 }, 'teaches'],
    [{ id: 'Cold Heater' }, 'id'],
    [{ faults: [{ fault: 'none', severity: 1 }] }, 'faults.0.fault'],
    [{ faults: [{ fault: 'thermostat-stuck-open', severity: 0 }] }, 'faults.0.severity'],
    [{ format: 'pyrethos.case' }, 'format'],
    [{ version: 2 }, 'version']
  ])('is refused with the field that is wrong: %j', (wrong, field) => {
    const found = readPracticeCase({ ...file, ...wrong });
    expect(found.ok).toBe(false);
    expect(!found.ok && found.problems.map((p) => p.field)).toContain(field);
  });
});

describe('what there is to see, hear or feel', () => {
  it('is in the check that it is said of, with what it can be called', () => {
    for (const id of SENSED_CHECKS) {
      const { fields } = checkOf(id);
      const first = Object.fromEntries(
        fields.flatMap((f) => (f.choices ? [[f.path, Object.keys(f.choices)[0]]] : []))
      );
      const senses = sensedIn(id, first);
      expect(senses.length, id).toBeGreaterThan(0);
      for (const s of senses) expect(s.choices.map((c) => c.value)).toContain(s.is);
    }
    expect(sensedIn('level-and-look', { level: 'low', belt: null }).map((s) => s.field)).toEqual(['level']);
    // What an instrument reads is read by it.
    expect(sensedIn('cold-agreement', { ectC: 20 })).toEqual([]);
  });
});

describe('danger', () => {
  const cold: TrueEngine = { coolantC: 12, running: false, fanCouldStart: false, empty: false };
  const all = [...PRECAUTION_IDS];
  it('is a cap opened hot, whatever was ticked; cooled down it is none', () => {
    expect(dangerOf('cap-test', all, { ...cold, coolantC: 96 }, sheet).hurt?.id).toBe('hot-cap');
    expect(dangerOf('cap-test', all, cold, sheet).hurt).toBeNull();
  });
  it('is an engine that is run without coolant', () => {
    expect(dangerOf('warm-up-run', all, { ...cold, empty: true }, sheet).hurt?.id).toBe('empty');
    expect(dangerOf('level-and-look', all, { ...cold, empty: true }, sheet).hurt).toBeNull();
  });
  it('is a hand at a fan that can start, unless it is disconnected', () => {
    const hot = { ...cold, coolantC: 80, fanCouldStart: true };
    expect(dangerOf('radiator-face', [], hot, sheet).hurt?.id).toBe('fan');
    expect(dangerOf('radiator-face', ['fan-off'], hot, sheet).hurt).toBeNull();
    expect(dangerOf('radiator-face', [], cold, sheet)).toMatchObject({
      hurt: null,
      slips: expect.arrayContaining(['fan-starts'])
    });
  });
  it('is hands at the engine while it runs', () => {
    expect(dangerOf('cap-test', all, { ...cold, running: true }, sheet).hurt?.id).toBe('belts');
  });
  it('is what nobody watches: a covered radiator, and an engine past its limit', () => {
    const { slips } = dangerOf('clutch-hot-speed', ['air', 'clear'], { ...cold, coolantC: 90 }, sheet);
    expect(boilsBy(slips, 95, sheet)?.id).toBe('boiled');
    const run = (careful: ('air' | 'watch')[]) => dangerOf('warm-up-run', careful, cold, sheet).slips;
    expect(boilsBy(run(['air']), 125, sheet)?.id).toBe('boiled');
    expect(boilsBy(run(['air']), 95, sheet)).toBeNull();
    expect(boilsBy(run(['air', 'watch']), 125, sheet)).toBeNull();
  });
  it('is an engine that has to be run for it, and is empty', () => {
    const empty = { ...cold, empty: true };
    expect(dangerOf('clutch-hot-speed', all, empty, sheet, true).hurt?.id).toBe('empty');
    expect(dangerOf('clutch-hot-speed', all, empty, sheet).hurt).toBeNull();
  });
  it('leaves no slip where everything was seen to', () => {
    for (const id of ['radiator-face', 'cap-test', 'warm-up-run', 'fan-direct-feed'] as const)
      expect(dangerOf(id, all, cold, sheet)).toEqual({ hurt: null, slips: [] });
  });
});

describe('belief', () => {
  const possible: FaultId[] = ['none', 'thermostat-stuck-open', 'ect-reads-cold', 'coolant-low'];
  it('is whole: what nobody named has what is left', () => {
    const whole = wholeBelief([{ fault: 'thermostat-stuck-open', share: 0.7 }], possible);
    expect([...whole.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(whole.get('none')).toBeCloseTo(0.1, 12);
  });
  it('sure and right costs nothing, sure and wrong most, and never without end', () => {
    const sure = wholeBelief([{ fault: 'coolant-low', share: 1 }], possible);
    expect(calibrationOf(sure, ['coolant-low'])).toEqual({ brier: 0, bits: 0 });
    const wrong = calibrationOf(sure, ['none']);
    expect(wrong.brier).toBe(2);
    expect(wrong.bits).toBeCloseTo(Math.log2(100), 9);
  });
  it('is best said as it is: no other shares are expected to score better', () => {
    const shares = fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 4, maxLength: 4 });
    const toBelief = (raw: number[]) => {
      const sum = raw.reduce((a, b) => a + b, 0);
      return new Map(possible.map((f, i) => [f, raw[i] / sum] as const));
    };
    fc.assert(
      fc.property(shares, shares, (a, b) => {
        const [held, said] = [toBelief(a), toBelief(b)];
        const expected = (told: Map<FaultId, number>, of: 'brier' | 'bits') =>
          possible.reduce((sum, f) => sum + held.get(f)! * calibrationOf(told, [f])[of], 0);
        expect(expected(held, 'brier')).toBeLessThanOrEqual(expected(said, 'brier') + 1e-12);
        expect(expected(held, 'bits')).toBeLessThanOrEqual(expected(said, 'bits') + 1e-12);
      })
    );
  });
});

describe('points', () => {
  const good: Outcome = {
    repaired: true,
    hurt: false,
    slips: 0,
    money: 200,
    leastMoney: 200,
    calibration: { brier: 0, bits: 0 },
    hints: 0,
    opinions: 0
  };
  it('are a hundred for the best, and none where somebody was hurt', () => {
    expect(pointsOf(good)).toBe(100);
    expect(pointsOf({ ...good, hurt: true })).toBe(0);
  });
  it('fall with money, with belief, with help, and with cautions that were not seen to', () => {
    const worse: Partial<Outcome>[] = [
      { money: 400 },
      { calibration: { brier: 1, bits: 2 } },
      { calibration: null },
      { hints: 1 },
      { opinions: 1 },
      { slips: 1 },
      { repaired: false }
    ];
    for (const w of worse) expect(pointsOf({ ...good, ...w })).toBeLessThan(100);
    expect(pointsOf({ ...good, repaired: false, hints: 50 })).toBe(0);
  });
});

describe('what to practise next', () => {
  const cases = [
    { id: 'a', level: 1 as const },
    { id: 'b', level: 1 as const },
    { id: 'c', level: 1 as const },
    { id: 'd', level: 2 as const }
  ];
  const past = (caseId: string, points: number, endedAt: string, truth: FaultId = 'coolant-low'): Past => ({
    caseId,
    level: cases.find((c) => c.id === caseId)!.level,
    endedAt,
    points,
    hurt: points === 0,
    truth: [truth],
    checks: []
  });
  it('is something new at first, and a level more after three that went well', () => {
    expect(nextOf(cases, [], '2026-12-01T08:00:00Z')).toBe('a');
    const well = ['a', 'b', 'c'].map((id) => past(id, 90, '2026-12-01T08:00:00Z'));
    expect(levelOf(well.slice(0, 2))).toBe(1);
    expect(levelOf(well)).toBe(2);
    expect(nextOf(cases, well, '2026-12-01T09:00:00Z')).toBe('d');
  });
  it('is first what went badly, a day later', () => {
    const badly = [past('a', 20, '2026-12-01T08:00:00Z')];
    expect(nextOf(cases, badly, '2026-12-01T12:00:00Z')).toBe('b');
    expect(nextOf(cases, badly, '2026-12-02T08:00:00Z')).toBe('a');
  });
  it('comes back after 2, then 4 days where it goes well', () => {
    const one = [{ id: 'a', level: 1 as const }];
    const again = [past('a', 90, '2026-12-01T08:00:00Z'), past('a', 95, '2026-12-03T08:00:00Z')];
    const two = [...one, { id: 'b', level: 1 as const }];
    const other = past('b', 90, '2026-12-04T08:00:00Z');
    // a is due on the 7th, b on the 6th.
    expect(nextOf(two, [...again, other], '2026-12-05T08:00:00Z')).toBe('b');
    expect(nextOf([], [], '2026-12-05T08:00:00Z')).toBeNull();
  });
  it('tells which checks were done when another would have told more', () => {
    const of = (checks: Past['checks']): Past => ({ ...past('a', 50, '2026-12-01T08:00:00Z'), checks });
    const told = choicesBy([
      of([
        { check: 'cap-test', bits: 0.1, best: 1 },
        { check: 'hose-rush', bits: 0.9, best: 1 }
      ]),
      of([{ check: 'cap-test', bits: 0.6, best: 1 }])
    ]);
    expect(told).toEqual([
      { check: 'cap-test', times: 2, well: 1 },
      { check: 'hose-rush', times: 1, well: 1 }
    ]);
  });
  it('tells the weakest kinds of fault first, the latest counting most', () => {
    const weak = weakest([
      past('a', 20, '2026-12-01T08:00:00Z', 'gauge-fault'),
      past('a', 80, '2026-12-02T08:00:00Z', 'gauge-fault'),
      past('b', 90, '2026-12-01T08:00:00Z', 'coolant-low')
    ]);
    expect(weak).toEqual([
      { fault: 'gauge-fault', times: 2, points: 60 },
      { fault: 'coolant-low', times: 1, points: 90 }
    ]);
    expect(FAULT_IDS).toContain(weak[0].fault);
  });
});
