import { describe, expect, it } from 'vitest';
import { done, hour, item, met, NO_CODES, proof, run } from '../../../tests/support/proof-bench';
import { ALL_GOOD } from '../checks/coolant/looks';
import type { FaultId } from '../vehicle/faults';
import type { JudgedCheck } from './judged';
import type { Repaired } from './proof';

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
  it('that is still there holds the proof open, whatever else was shown; one that nobody tried does not', () => {
    const shown = [done(1, 'level-and-look', ALL_GOOD), done(3, 'codes', NO_CODES)];
    const all = { symptoms: told('ac-off'), runs: [run(2, 'none')], done: shown };
    const at = (h: number, gone: boolean) => ({ at: hour(h), what: 'ac-off' as const, gone, how: '' });
    expect(proof(all).proven).toBe(true);
    expect(proof({ ...all, tried: [at(4, true)] }).proven).toBe(true);
    const still = proof({ ...all, tried: [at(4, false)] });
    expect([still.proven, still.next?.says]).toEqual([false, 'Tried again: still there']);
    // The last word counts.
    expect(proof({ ...all, tried: [at(4, false), at(5, true)] }).proven).toBe(true);
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

it('a cap, and gas in the coolant, are proven by their checks: no drive has to come near boiling', () => {
  for (const [repair, cause] of [
    ['cap', 'pressure-cap-weak'],
    ['refer-on', 'combustion-leak']
  ] as const) {
    const ids = proof({ repairs: [repair], cause }).items.map((i) => i.id);
    expect(ids, cause).not.toContain('run');
  }
  // Coolant that was low is: with air left in it the engine does not hold its temperature.
  expect(proof({ repairs: ['coolant-fill'], cause: 'coolant-low' }).items.map((i) => i.id)).toContain('run');
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
