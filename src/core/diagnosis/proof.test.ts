import { describe, expect, it } from 'vitest';
import { at, context, curlew, fathom, judge } from '../../../tests/support/check-bench';
import { ALL_GOOD } from '../checks/coolant/level-and-look';
import type { CheckId } from '../checks/registry';
import { DRIVES, type DriveName } from '../physics/plant/drive';
import { analyse } from '../runs/analyse';
import { logFrom } from '../runs/log-from';
import { summaryOfRun } from '../runs/run-summary';
import { plainText } from '../units/say';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { JudgedCheck } from './judged';
import { proofOf, type Proof, type Repaired } from './proof';
import type { ProofRun } from './proof-run';

const hour = (h: number) => new Date(Date.parse(at) + h * 3_600_000).toISOString();

const run = (
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
const suspect = (fault: FaultId, severity: number) => ({ fault, severity, probability: 0.9, alike: [] });
const done = (h: number, check: CheckId, readings: object, sheet: SpecSheet = curlew): JudgedCheck =>
  ({
    id: `${check}${h}`,
    check,
    at: hour(h),
    outcome: judge(check, readings, context([], sheet))
  }) as JudgedCheck;
const NO_CODES = { codes: [] };

const proof = (more: Partial<Repaired>): Proof =>
  proofOf({
    repairedAt: hour(0),
    repairs: ['thermostat'],
    cause: 'thermostat-stuck-open',
    done: [],
    runs: [],
    sheet: curlew,
    ...more
  });
const item = (p: Proof, id: string) => p.items.find((i) => i.id === id)!;
const met = (p: Proof, id: string) => item(p, id).met;

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
    expect(plainText(item(p, 'run').says)).toMatch(/^This run could not have shown thermostat stuck open: /);
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
    expect(plainText(item(p, 'run').says)).toContain('could not have shown airflow restricted');
  });
});

describe('what follows from the repair', () => {
  it('a relay needs its fan seen and no warm-up run', () => {
    const relay = (more: Partial<Repaired>) =>
      proof({ repairs: ['relay'], cause: 'fan-relay-contacts', ...more });
    const ids = relay({}).items.map((i) => i.id);
    expect(ids).toContain('fan');
    expect(ids).not.toContain('run');
    expect(ids).not.toContain('leak');
    const command = done(1, 'fan-command', { commandedPct: 100, click: 'yes', turns: 'full' });
    expect(met(relay({ done: [command] }), 'fan')).toBe(true);
    const [on, off] = [
      { to: 'on', atS: 700, celsius: 98 },
      { to: 'off', atS: 800, celsius: 93 }
    ];
    expect(met(relay({ runs: [run(1, 'none', {}, [off, on])] }), 'fan')).toBe(false);
    expect(met(relay({ runs: [run(1, 'none', {}, [on, off])] }), 'fan')).toBe(true);
  });

  it('a fan that never stopped is seen off cold, and on at its point', () => {
    const welded = (more: Partial<Repaired>) =>
      proof({ repairs: ['relay'], cause: 'fan-relay-welded', ...more });
    const on = (atS: number) => [{ to: 'on', atS, celsius: 98, withAc: false }];
    expect(met(welded({ runs: [run(1, 'none', {}, on(3))] }), 'fan')).toBe(false);
    expect(met(welded({ runs: [run(1, 'none', {}, on(700))] }), 'fan')).toBe(true);
    const keyOff = done(1, 'key-off-fan', { ranMin: 0, coolantC: 88, stillRunning: false });
    const p = welded({ done: [keyOff] });
    expect([met(p, 'fan'), item(p, 'fan').says]).toEqual([
      false,
      'Stays off; see that it comes on when it is due'
    ]);
  });

  it('a system that was opened needs a leak check, and the latest one decides', () => {
    const look = done(1, 'level-and-look', ALL_GOOD);
    const hold = done(2, 'pressure-hold', {
      points: [
        { min: 0, kPa: 110 },
        { min: 10, kPa: 80 }
      ],
      seen: 'none',
      engineRan: false
    });
    expect(met(proof({ done: [look] }), 'leak')).toBe(true);
    const lost = proof({ done: [look, hold] });
    expect([met(lost, 'leak'), item(lost, 'leak').says]).toEqual([false, hold.outcome.says]);
    expect(
      proof({ repairs: ['radiator-outside'], cause: 'airflow-restricted' }).items.map((i) => i.id)
    ).not.toContain('leak');
  });

  it('codes are read after the drive that proves, not before', () => {
    const p = (h: number) => proof({ runs: [run(2, 'none')], done: [done(h, 'codes', NO_CODES)] });
    expect(met(p(1), 'codes')).toBe(false);
    expect(item(p(1), 'codes').says).toContain('read them again after it');
    expect(met(p(3), 'codes')).toBe(true);
  });

  it('every check that failed before is done again, unless it was of the part that is out', () => {
    const rush = (h: number, felt: string) => done(h, 'hose-rush', { felt, coolantC: 86, by: 'hand' });
    expect(met(proof({ done: [rush(-1, 'gradual')] }), 'check/hose-rush')).toBe(false);
    expect(item(proof({ done: [rush(-1, 'gradual')] }), 'check/hose-rush').needed).toBe(true);
    expect(met(proof({ done: [rush(-1, 'gradual'), rush(1, 'rush')] }), 'check/hose-rush')).toBe(true);
    const cap = done(-1, 'cap-test', { opensKPa: [50], holds: 'no', seal: null });
    const ids = (repairs: Repaired['repairs']) => proof({ repairs, done: [cap] }).items.map((i) => i.id);
    expect(ids(['thermostat'])).toContain('check/cap-test');
    expect(ids(['cap'])).not.toContain('check/cap-test');
  });

  it('comes in the order it is done: the leak before the drive, the codes after it', () => {
    const next = (more: Partial<Repaired>) => proof(more).next?.check;
    expect(next({})).toBe('level-and-look');
    const look = done(1, 'level-and-look', ALL_GOOD);
    expect(next({ done: [look] })).toBe('warm-up-run');
    expect(next({ done: [look], runs: [run(2, 'none')] })).toBe('codes');
    const whole = proof({ done: [look, done(3, 'codes', NO_CODES)], runs: [run(2, 'none')] });
    expect([whole.proven, whole.next]).toEqual([true, null]);
  });
});

describe('a complaint', () => {
  const told = (what: 'heater-weak' | 'ac-off' | 'smell-coolant') => [{ what, when: [] }];
  it('is gone by what it was about: the heater by its air, the A/C by who tried it', () => {
    const runs = [run(2, 'none')];
    expect(met(proof({ symptoms: told('heater-weak'), runs }), 'complaint/heater-weak')).toBe(false);
    const warm = done(3, 'heater-air', {
      setHot: true,
      blower: 'low',
      ventC: 66,
      ambientC: 8,
      coolantC: 90,
      hoseInC: null,
      hoseOutC: null
    });
    expect(met(proof({ symptoms: told('heater-weak'), runs, done: [warm] }), 'complaint/heater-weak')).toBe(
      true
    );
    const ac = (more: Partial<Repaired>) => proof({ symptoms: told('ac-off'), runs, ...more });
    expect([met(ac({}), 'complaint/ac-off'), item(ac({}), 'complaint/ac-off').says]).toEqual([
      false,
      'Nothing on record speaks of it: try it again'
    ]);
    const word = (h: number, gone: boolean) => ({
      at: hour(h),
      what: 'ac-off' as const,
      gone,
      how: 'half an hour in town'
    });
    expect(met(ac({ tried: [word(-1, true)] }), 'complaint/ac-off')).toBe(false);
    expect(item(ac({ tried: [word(1, true)] }), 'complaint/ac-off').says).toBe(
      'Tried again: gone, half an hour in town'
    );
    expect(met(ac({ tried: [word(1, true), word(2, false)] }), 'complaint/ac-off')).toBe(false);
  });
  it('of a smell is tied to the leak', () => {
    expect(item(proof({ symptoms: told('smell-coolant') }), 'complaint/smell-coolant').says).toBe(
      'No leak: open'
    );
  });
});

describe('what counts of a record', () => {
  const clean = (h: number) => [done(h, 'level-and-look', ALL_GOOD), done(h + 2, 'codes', NO_CODES)];

  it('is what came after the repair: the same looked at before proves nothing', () => {
    const whole = proof({ done: clean(1), runs: [run(2, 'none')] });
    expect([whole.proven, whole.next]).toEqual([true, null]);
    const early = proof({ done: clean(-4), runs: [run(-3, 'none')] });
    expect([early.proven, early.items.map((i) => i.met)]).toEqual([false, [false, false, false]]);
    // What was entered in the very minute of the repair was still done before it.
    expect(met(proof({ done: clean(0), runs: [run(2, 'none')] }), 'leak')).toBe(false);
  });

  it('is no check that was void', () => {
    const leak = { ...done(1, 'level-and-look', ALL_GOOD) };
    const p = proof({ done: [{ ...leak, outcome: { ...leak.outcome, result: 'void' } }] });
    expect([met(p, 'leak'), item(p, 'leak').says]).toEqual([
      false,
      'Neither level and look nor pressure hold since the repair'
    ]);
  });

  it('asks for a leak check where any of several repairs opened the system, and of none that did not', () => {
    const leaks = (...repairs: Repaired['repairs']) =>
      proof({ repairs }).items.filter((i) => i.id === 'leak').length;
    expect([leaks('relay', 'thermostat'), leaks('relay'), leaks('thermostat')]).toEqual([1, 0, 1]);
  });

  it('asks for a run where nobody knows what was wrong, and for none where no run shows it', () => {
    const ids = (cause: FaultId | null, repairs: Repaired['repairs']) =>
      proof({ cause, repairs }).items.map((i) => i.id);
    expect(ids(null, ['thermostat'])).toContain('run');
    expect(ids('none', ['thermostat'])).toContain('run');
    expect(ids('gauge-fault', ['gauge'])).toEqual(['codes']);
    expect(ids('fan-setpoint-modified', ['modification-out'])).toEqual(['fan', 'codes']);
  });
});

describe('a fan that was repaired', () => {
  const to = (way: 'on' | 'off', atS: number, celsius = 101, withAc = false) => ({
    to: way,
    atS,
    celsius,
    withAc
  });
  const fan = (cause: FaultId, switches: object[][], checks: JudgedCheck[] = [], maxC = 108) => {
    const runs = switches.map((s, i) => {
      const r = run(i + 1, 'none', {}, s);
      return { ...r, features: { ...r.features, maxC } };
    });
    const p = proof({ repairs: ['relay'], cause, runs, done: checks });
    return [met(p, 'fan'), plainText(item(p, 'fan').says)] as const;
  };
  const runs = 'fan-motor-dead';
  const stops = 'fan-relay-welded';
  const point = 'fan-setpoint-modified';

  it('and never ran is seen on and then off, in one run', () => {
    expect(fan(runs, [[to('on', 600), to('off', 700)]])[0]).toBe(true);
    expect(fan(runs, [[to('off', 600), to('on', 700)]])).toEqual([
      false,
      'Came on and was not seen to go off: let it idle until it does'
    ]);
    expect(fan(runs, [[to('off', 600)]])).toEqual([false, 'Not seen in the log']);
    expect(fan(runs, [[], [to('on', 600), to('off', 700)]])[0]).toBe(true);
  });

  it('is asked for by what is missing: a run, or heat', () => {
    expect(fan(runs, [])[1]).toBe(
      'Not seen since the repair: watch it switch, command it, or log a run hot enough'
    );
    expect(fan(runs, [[]], [], 99)[1]).toContain(
      'Never had to: the hottest was 99 °C, it comes on at 101 °C'
    );
  });

  it('and never stopped is seen off while cold first, and then on', () => {
    expect(fan(stops, [[to('on', 600), to('off', 700)]])[0]).toBe(true);
    // On from the first seconds, or only seen to stop: it still runs unasked.
    expect(fan(stops, [[to('on', 5), to('off', 700)]])[0]).toBe(false);
    expect(fan(stops, [[to('off', 600)]])[0]).toBe(false);
    const keyOff = done(1, 'key-off-fan', { ranMin: 0, coolantC: 90, stillRunning: false });
    expect(fan(stops, [[]], [keyOff])).toEqual([false, 'Stays off; see that it comes on when it is due']);
    expect(fan(stops, [[to('on', 5)]], [keyOff])[0]).toBe(true);
  });

  it('and came at the wrong point is seen at its own, the A/C not asking for it', () => {
    expect(fan(point, [[to('on', 600, 101)]])[0]).toBe(true);
    expect(fan(point, [[to('on', 600, 105)]])[0]).toBe(true);
    expect(fan(point, [[to('on', 600, 106)]])[0]).toBe(false);
    expect(fan(point, [[to('on', 600, 101, true)]])[0]).toBe(false);
    expect(fan(point, [[to('on', 400, 90), to('off', 450), to('on', 600, 102)]])[0]).toBe(true);
  });

  it('is also shown by the check that watches it switch, and a dead one by a command', () => {
    const switching = done(1, 'fan-switching', {
      stages: [{ name: 'low', onC: 101, offC: 96 }],
      hottestC: 103,
      by: 'scan',
      acOn: false,
      moving: false
    });
    for (const cause of [runs, stops, point] as const)
      expect(fan(cause, [], [switching])[0], cause).toBe(true);
    const commanded = done(1, 'fan-command', { commandedPct: 100, click: 'yes', turns: 'full' });
    expect(fan(runs, [], [commanded])[0]).toBe(true);
    expect(fan(stops, [], [commanded])[0]).toBe(false);
  });
});

describe('a check that failed before', () => {
  const as = (d: JudgedCheck, result: 'pass' | 'fail' | 'void'): JudgedCheck => ({
    ...d,
    outcome: { ...d.outcome, result }
  });
  const look = (h: number, result: 'pass' | 'fail' | 'void') =>
    as(done(h, 'level-and-look', ALL_GOOD), result);
  const codes = (h: number, result: 'pass' | 'fail') => as(done(h, 'codes', NO_CODES), result);
  const asked = (...before: JudgedCheck[]) =>
    proof({ done: before }).items.flatMap((i) => (i.id.startsWith('check/') ? [i.id] : []));

  it('is done again by itself, and not by another that passed', () => {
    const feed = as(done(-3, 'cap-test', { opensKPa: [60], holds: 'no', seal: 'worn' }), 'fail');
    const after = (d: JudgedCheck[]) => met(proof({ done: [feed, ...d] }), 'check/cap-test');
    expect(after([])).toBe(false);
    expect(after([look(1, 'pass')])).toBe(false);
    expect(after([as({ ...feed, at: hour(1) }, 'pass'), look(2, 'fail')])).toBe(true);
  });

  it('is the last of its readings that was not void', () => {
    expect(asked(look(-5, 'fail'), look(-4, 'pass'))).toEqual([]);
    expect(asked(look(-5, 'pass'), look(-4, 'fail'))).toEqual(['check/level-and-look']);
    expect(asked(look(-5, 'fail'), look(-4, 'void'))).toEqual(['check/level-and-look']);
    expect(asked(look(-5, 'fail'), codes(-4, 'pass'))).toEqual(['check/level-and-look']);
  });

  it('is not asked for twice where the proof asks for it anyway: runs, codes and the soak', () => {
    const failed = (['warm-up-run', 'road-run', 'soak'] as const).map((check) => ({
      ...as(done(-3, 'codes', NO_CODES), 'fail'),
      check
    }));
    expect(asked(...failed, codes(-2, 'fail'))).toEqual([]);
  });
});
