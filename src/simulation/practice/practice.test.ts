import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { LEVEL_IDS, readPracticeCase, type PracticeCase } from '../../core/practice/case';
import { PRECAUTION_IDS } from '../../core/practice/danger';
import type { Move } from '../../core/practice/moves';
import type { CheckId } from '../../core/checks/registry';
import { playedByAdvice } from './beside';
import { endlessCase } from './endless';
import { NotPossible, playedTo } from './practice';
import { reviewOf } from './review';
import { viewOf } from './view';

const files = readdirSync('practice');
const cases: PracticeCase[] = files.map((file) => {
  const found = readPracticeCase(JSON.parse(readFileSync(`practice/${file}`, 'utf8')));
  if (!found.ok) throw new Error(`${file}: ${JSON.stringify(found.problems)}`);
  return found.value;
});
const named = (id: string) => cases.find((c) => c.id === id)!;
const careful = [...PRECAUTION_IDS];
const check = (id: CheckId): Move => ({ kind: 'check', check: id, careful });
const carelessly = (id: CheckId): Move => ({ kind: 'check', check: id, careful: [] });

describe('the cases that were written', () => {
  it('are forty and more, on every level, and teach each of the nineteen failures', () => {
    expect(cases.length).toBeGreaterThanOrEqual(40);
    expect(new Set(cases.map((c) => c.id)).size).toBe(cases.length);
    expect(new Set(cases.map((c) => c.teaches)).size).toBe(19);
    for (const level of LEVEL_IDS) expect(cases.some((c) => c.level === level)).toBe(true);
    expect(cases.filter((c) => c.faults.length === 2).every((c) => c.level === 5)).toBe(true);
  });
});

describe('a practice', () => {
  it('is the same for the same moves', () => {
    const moves = [check('level-and-look'), check('cold-agreement'), check('hose-rush')];
    const [a, b] = [1, 2].map(() => playedTo(named('cold-heater'), moves).done);
    expect(a).toEqual(b);
    expect(a).toHaveLength(3);
  });

  it('shows what was measured and nothing of what is hidden', () => {
    const of = named('wrong-family');
    const view = JSON.stringify(viewOf(of, playedTo(of, [check('level-and-look')])));
    expect(view).not.toContain(of.lesson.slice(0, 30));
    expect(view).not.toContain('severity');
    expect(JSON.parse(view).opinion).toBeNull();
    expect(JSON.parse(view).hint).toEqual([]);
  });

  it('is warm after a run, and cold again after a night', () => {
    const warm = playedTo(named('half-open'), [check('warm-up-run')]);
    expect(warm.known().heat.soaked).toBe(false);
    const rested = playedTo(named('half-open'), [check('warm-up-run'), { kind: 'wait', hours: 20 }]);
    expect(rested.known().heat.phase).toBe('cold');
    expect(() => playedTo(named('half-open'), [check('warm-up-run'), check('hose-rush')])).toThrow(
      NotPossible
    );
  });

  it('stops where a cap is opened hot, and is worth nothing then', () => {
    const moves = [check('warm-up-run'), check('cap-test')];
    const of = named('shut');
    const practice = playedTo(of, moves);
    expect(practice.hurt?.id).toBe('hot-cap');
    expect(reviewOf(of, moves).points).toBe(0);
    expect(() => playedTo(of, [...moves, { kind: 'finish' }])).toThrow('over');
  });

  it('does not run an engine that is empty, nor forgives it', () => {
    const of = { ...named('low'), faults: [{ fault: 'coolant-low' as const, severity: 0.95 }] };
    expect(playedTo(of, [carelessly('warm-up-run')]).hurt?.id).toBe('empty');
    expect(playedTo(of, [{ kind: 'fill' }, check('warm-up-run')]).hurt).toBeNull();
  });

  it('counts cautions that nobody saw to, where nothing happened', () => {
    expect(playedTo(named('cold-heater'), [carelessly('radiator-face')]).slips).toBeGreaterThan(0);
    expect(playedTo(named('cold-heater'), [check('radiator-face')]).slips).toBe(0);
  });

  it('is repaired by what cures it, and comes back by anything else', () => {
    const give = (repair: 'thermostat' | 'ect-sensor') =>
      playedTo(named('cold-heater'), [{ kind: 'repair', repairs: [repair] }, { kind: 'finish' }]);
    expect(give('thermostat').repaired).toBe(true);
    expect(give('ect-sensor').repaired).toBe(false);
    expect(give('ect-sensor').money).toBeGreaterThan(give('thermostat').money + 100);
    const healthy = playedTo(named('ghost'), [{ kind: 'finish' }]);
    expect([healthy.repaired, healthy.money]).toEqual([true, 0]);
  });

  it('is measured anew after the repair: what was wrong is not to be seen any more', () => {
    const run = (more: Move[]) =>
      playedTo(named('cold-heater'), [...more, { kind: 'wait', hours: 20 }, check('warm-up-run')]).done.at(
        -1
      )!.says;
    expect(run([])).toContain('Thermostat');
    expect(run([{ kind: 'repair', repairs: ['thermostat'] }])).not.toContain('Thermostat');
  });

  it('says what a check means only after somebody has said what they make of it', () => {
    const of = named('full-on');
    const moves: Move[] = [check('cold-agreement')];
    const shown = (more: Move[]) => viewOf(of, playedTo(of, [...moves, ...more])).done[0];
    expect(shown([]).says).toBe('');
    expect(shown([]).numbers!.length).toBeGreaterThan(0);
    expect(JSON.stringify(shown([]))).not.toContain('limit');
    const judged = shown([{ kind: 'judge', of: 0, as: 'fail' }]);
    expect(judged).toMatchObject({ numbers: null, judged: { as: 'fail', is: 'fail' } });
    expect(judged.says).not.toBe('');
    const twice: Move[] = [
      ...moves,
      { kind: 'judge', of: 0, as: 'pass' },
      { kind: 'judge', of: 0, as: 'fail' }
    ];
    expect(() => playedTo(of, twice)).toThrow(NotPossible);
    const review = reviewOf(of, [...twice.slice(0, 2), { kind: 'finish' }]);
    expect(review.judged).toEqual({ right: 0, of: 1 });
  });

  it('leaves it to whoever practises to say what there is to see, and believes them, right or not', () => {
    const looked = playedTo(named('low'), [check('level-and-look')]);
    const { senses } = looked.toSense!;
    expect(senses.find((s) => s.field === 'level')?.is).toMatch(/low|empty/);
    // Nobody has said anything yet: nothing is written down, and nothing is told.
    expect(looked.known().entered).toEqual([]);
    expect(viewOf(named('low'), looked).done[0]).toMatchObject({ says: '', numbers: null });
    const as = { ...Object.fromEntries(senses.map((s) => [s.field, s.is])), level: 'mark' };
    const said = playedTo(named('low'), [check('level-and-look'), { kind: 'sense', as }]);
    expect(said.known().entered[0].readings).toMatchObject({ level: 'mark' });
    expect(said.missed).toEqual([
      { label: 'Level', said: 'At the mark', is: expect.stringMatching(/Below|None/) }
    ]);
    expect(() => said.make({ kind: 'sense', as })).toThrow(NotPossible);
  });

  it('is full once it was filled: nobody sees it low any more', () => {
    const of = named('low');
    const filled = playedTo(of, [{ kind: 'fill' }, check('level-and-look')]);
    expect(filled.toSense!.senses.find((s) => s.field === 'level')!.is).toBe('mark');
    expect(filled.toSense!.senses.find((s) => s.field === 'leaks')!.is).not.toBe('drip');
    expect(filled.repaired).toBe(of.faults.length === 1);
  });

  it('leaves out what somebody goes on without a word about', () => {
    const gone = playedTo(named('slipping'), [
      check('clutch-cold-turn'),
      { kind: 'believe', shares: [] },
      check('level-and-look'),
      { kind: 'sense', as: { belt: 'good' } },
      { kind: 'finish' }
    ]);
    // How the first turn felt is what that check is of; of the looks one was told.
    expect(gone.done[0].says).toBe('Nobody said what there was');
    expect(gone.known().entered.map((c) => c.check)).toEqual(['level-and-look']);
    expect(gone.known().entered[0].readings).toMatchObject({ belt: 'good', level: null, face: null });
  });

  it('shows a run as a curve over what a healthy engine would have shown, and tells what it is of after one’s own word', () => {
    const of = named('cold-heater');
    const run = viewOf(of, playedTo(of, [check('warm-up-run')]));
    expect(run.run!.t.length).toBeGreaterThan(50);
    // It is stuck open: at its end it is colder than any healthy engine.
    const { band, ect } = run.run!;
    expect(ect.at(-1)!).toBeLessThan(band.low.at(-1)!);
    expect(run.done[0].numbers!.map((n) => n.name)).toContain('Hottest');
    expect(run.plan.line.find((c) => c.id === 'warm-up-run')!.done).toBeNull();
    const judged = viewOf(of, playedTo(of, [check('warm-up-run'), { kind: 'judge', of: 0, as: 'fail' }]));
    expect(judged.done[0].judged).toEqual({ as: 'fail', is: 'fail' });
  });

  it('lets its driver try it after a repair: what is still there holds the proof open', () => {
    const of = named('two-hot');
    const half = playedTo(of, [{ kind: 'repair', repairs: ['fan-clutch'] }, { kind: 'try' }]);
    expect(half.done.at(-1)!.says).toContain('still there');
    expect(half.known().proof!.items.filter((i) => i.needed && i.id.startsWith('complaint/'))).not.toEqual(
      []
    );
    half.make({ kind: 'repair', repairs: ['radiator-outside'] });
    half.make({ kind: 'try' });
    expect(half.done.at(-1)!.says).toMatch(/: gone$/);
    expect(half.repaired).toBe(true);
    expect(() => playedTo(of, [{ kind: 'try' }])).toThrow(NotPossible);
  });

  it('helps by steps, each at its price', () => {
    const of = named('green-pin');
    const hints = (n: number) => viewOf(of, playedTo(of, Array<Move>(n).fill({ kind: 'hint' }))).hint;
    expect([0, 1, 2, 3, 4].map((n) => hints(n).length)).toEqual([0, 1, 2, 3, 3]);
    const review = (moves: Move[]) =>
      reviewOf(of, [...moves, { kind: 'repair', repairs: ['thermostat'] }, { kind: 'finish' }]).points;
    expect(review([{ kind: 'hint' }])).toBe(review([]) - 3);
    expect(review([{ kind: 'opinion' }])).toBe(review([]) - 8);
  });

  it('is opened at the end: what was wrong, what each check told, and how the second opinion went', () => {
    const of = named('cold-heater');
    const review = reviewOf(of, [
      check('level-and-look'),
      check('warm-up-run'),
      { kind: 'believe', shares: [{ fault: 'thermostat-stuck-open', share: 0.9 }] },
      { kind: 'repair', repairs: ['thermostat'] },
      { kind: 'finish' }
    ]);
    expect(review.truth.map((t) => t.fault)).toEqual(['thermostat-stuck-open']);
    expect(review.steps.find((s) => s.check === 'warm-up-run')!.bits).toBeGreaterThan(0.5);
    expect(review.beside.repaired).toBe(true);
    expect(review.outcome.calibration!.brier).toBeLessThan(0.05);
    expect(review.points).toBeGreaterThan(85);
  });
});

describe('cases without end', () => {
  const sheets = [...new Map(cases.map((c) => [c.sheet.name, c.sheet])).values()];
  it('are the same for the same number, and read as a written one does', () => {
    for (const level of LEVEL_IDS) {
      const of = endlessCase(level, 4711, sheets);
      expect(endlessCase(level, 4711, sheets)).toEqual(of);
      expect(readPracticeCase(JSON.parse(JSON.stringify(of))).ok).toBe(true);
      if (level !== 4) expect(of.faults.length).toBe(level === 5 ? 2 : 1);
    }
    expect(endlessCase(1, 4712, sheets)).not.toEqual(endlessCase(1, 4711, sheets));
  });
});

describe('the second opinion, playing', () => {
  it.each(['full-on', 'seized', 'shut', 'soot', 'two-cold'])('repairs “%s” and hurts nobody', (id) => {
    const { practice } = playedByAdvice(named(id));
    expect(practice.hurt).toBeNull();
    expect(practice.repaired).toBe(true);
  });
});
