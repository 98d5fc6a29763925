import { describe, expect, it } from 'vitest';
import { at, context, curlew, fathom, judge, stopped } from '../../../tests/support/check-bench';
import type { CheckId } from '../checks/registry';
import type { RunSummary } from '../runs/run-summary';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { dangersOf, runsEngine } from './dangers';
import type { JudgedCheck } from './judged';
import { opinionOf } from './opinion';
import { planOf } from './plan';

const cold = (sheet: SpecSheet) => context([stopped(14)], sheet);
const done = (check: CheckId, readings: object, sheet = curlew): JudgedCheck =>
  ({
    id: `${check}-1`,
    check,
    at,
    byHand: false,
    readings,
    outcome: judge(check, readings, cold(sheet))
  }) as JudgedCheck;
const dangers = (entries: JudgedCheck[], more: object = {}) =>
  dangersOf({
    done: entries,
    runs: [],
    heat: cold(curlew).thermal,
    sheet: curlew,
    filledAt: null,
    repairs: [],
    ...more
  });
const look = (level: string) => done('level-and-look', { level, leaks: 'none', fixAnyway: [] });

describe('danger first', () => {
  it('an engine without coolant is not run, until it was filled', () => {
    const [first] = dangers([look('empty')]);
    expect([first.id, first.holds]).toEqual(['empty', true]);
    expect(first.not).toContain('Do not run this engine');
    expect(dangers([look('low')])[0].id).toBe('low');
    expect(dangers([look('low')], { filledAt: '2026-11-25T09:00:00.000Z' })).toEqual([]);
    expect(dangers([look('empty'), { ...look('mark'), id: 'again' }])).toEqual([]);
    const drained = [{ at: '2026-11-26T08:00:00.000Z', done: { repairs: ['thermostat'] } }];
    expect(dangers([look('low')], { repairs: drained })).toEqual([]);
  });

  it('an empty system that is taken for no cause of the complaint is not run either', () => {
    const aside = (level: string) => done('level-and-look', { level, fixAnyway: ['level'] });
    expect(dangers([aside('empty')])).toMatchObject([{ id: 'empty', holds: true }]);
    expect(dangers([aside('low')])).toMatchObject([{ id: 'low', holds: true }]);
    const byHand = { ...look('mark'), byHand: true, readings: { found: 'empty', judged: 'fail' } };
    expect(dangers([byHand as JudgedCheck])).toEqual([]);
  });

  it('gas, a bearing behind the fan and coolant above the stop limit are named with what not to do', () => {
    const gas = done('combustion-gas', { dry: true, worked: true, by: 'fluid', seen: 'gas', bubbles: null });
    expect(dangers([gas])[0]).toMatchObject({ id: 'gas', holds: true });
    const play = done('clutch-play', { tipMm: 12, moves: 'clutch', feels: 'rough' }, fathom);
    expect(dangers([play], { sheet: fathom })[0].not).toContain('sheds its blades');
    const fitted = [{ at: '2026-11-26T08:00:00.000Z', done: { repairs: ['fan-clutch'] } }];
    expect(dangers([play], { sheet: fathom, repairs: fitted })).toEqual([]);
    const bare = { ...fathom, clutch: { kind: 'thermal' as const } };
    expect(dangers([done('clutch-play', { tipMm: 9, moves: 'clutch', feels: 'smooth' }, bare)])).toEqual([]);
    const hot = { ...cold(curlew).thermal, coolantC: 124 };
    expect(dangers([], { heat: hot })[0]).toMatchObject({ id: 'boiling', holds: true });
    const ran = { id: 'r', features: { maxC: 123 } } as unknown as RunSummary;
    expect(dangers([], { runs: [ran] })[0]).toMatchObject({ id: 'boiling', holds: false, because: 'r' });
  });

  it('checks that run the engine are held with the reason, and none of them is next', () => {
    const entries = [look('low')];
    const state = cold(curlew).thermal;
    const held = dangers(entries)[0];
    const plan = planOf({
      sheet: curlew,
      done: entries,
      state,
      held,
      ...opinionOf({ sheet: curlew, symptoms: [], done: entries, phase: state.phase })
    });
    const rush = plan.line.find((p) => p.id === 'hose-rush')!;
    expect([rush.danger, rush.heldBack]).toEqual([true, `${held.title}. ${held.not}`]);
    for (const p of [plan.next, ...plan.others]) expect(p && runsEngine(p.id)).not.toBe(true);
    expect(runsEngine('cold-agreement')).toBe(false);
    expect(runsEngine('fan-command')).toBe(false);
  });
});
