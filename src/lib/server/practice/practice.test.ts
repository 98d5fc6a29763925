import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { QueryTypes } from 'sequelize';
import { testDatabase, type TestDatabase } from '../db/test-database';
import { othersIn, practiceHome, whosePractice } from './home';
import { beginPractice, makeMove, practiceNow } from './practice';

let own: TestDatabase;
beforeAll(async () => void (own = await testDatabase()));
afterAll(() => own.drop());

const begin = async (who: string, caseId = 'cold-heater') => {
  const id = randomUUID();
  const begun = await beginPractice(own.db, { id, who, person: null, caseId });
  if (!begun.ok) throw new Error(JSON.stringify(begun.problems));
  return id;
};
const move = (practice: string, who: string, made: unknown, id: string = randomUUID()) =>
  makeMove(own.db, { practice, id, who, move: made });
const LEVEL = { kind: 'check', check: 'level-and-look', careful: [] };
const play = async (who: string, repair: string) => {
  const id = await begin(who);
  await move(id, who, { kind: 'repair', repairs: [repair] });
  await move(id, who, { kind: 'finish' });
  return id;
};

describe('a practice', () => {
  it('goes on from move to move; the same move again changes nothing', async () => {
    const id = await begin('Pell Harrow');
    const once = randomUUID();
    expect((await move(id, 'Pell Harrow', LEVEL, once)).ok).toBe(true);
    expect((await move(id, 'Pell Harrow', LEVEL, once)).ok).toBe(true);
    const now = (await practiceNow(own.db, id))!;
    expect(now.view.done.map((d) => d.check)).toEqual(['level-and-look']);
    expect(now.review).toBeNull();
  });

  it('is nobody else’s, and keeps nothing of what was not possible', async () => {
    const id = await begin('Pell Harrow');
    const other = await move(id, 'Tobin Skarre', LEVEL);
    expect(other).toMatchObject({ ok: false, problems: [{ message: 'this practice is Pell Harrow’s' }] });
    const soak = await move(id, 'Pell Harrow', { kind: 'check', check: 'soak', careful: [] });
    expect(soak.ok).toBe(false);
    const wrong = await move(id, 'Pell Harrow', { kind: 'wait', hours: 900 });
    expect(wrong.ok || wrong.problems[0].field).toBe('hours');
    expect((await practiceNow(own.db, id))!.view.done).toEqual([]);
  });

  it('refuses a case that is none, and a name that nobody gave', async () => {
    const ask = (who: string, caseId: string) =>
      beginPractice(own.db, { id: randomUUID(), who, person: null, caseId });
    expect((await ask('Pell Harrow', 'no-such-case')).ok).toBe(false);
    expect((await ask('Pell Harrow', 'endless-6-1')).ok).toBe(false);
    expect((await ask('', 'cold-heater')).ok).toBe(false);
    expect((await ask('Pell Harrow', 'endless-3-12')).ok).toBe(true);
  });

  it('is over once it is given back, with a review that stays', async () => {
    const id = await play('Ysolt Brandy', 'thermostat');
    const now = (await practiceNow(own.db, id))!;
    expect(now.review).toMatchObject({ hurt: null, truth: [{ fault: 'thermostat-stuck-open' }] });
    expect(now.endedAt).not.toBeNull();
    expect((await move(id, 'Ysolt Brandy', LEVEL)).ok).toBe(false);
  });

  it('counts for whoever made it, and is a duel for two', async () => {
    const [first, second] = [
      await play('Maren Oake', 'thermostat'),
      await play('Tobin Skarre', 'ect-sensor')
    ];
    const points = async (id: string) => (await practiceNow(own.db, id))!.review!.points;
    const home = await practiceHome(own.db, 'Maren Oake', new Date());
    expect(home.done.map((d) => d.points)).toEqual([await points(first)]);
    expect(home.weak.map((w) => w.fault)).toEqual(['thermostat-stuck-open']);
    const others = await othersIn(own.db, 'cold-heater', 'Maren Oake');
    expect(others.find((o) => o.who === 'Tobin Skarre')).toMatchObject({ points: await points(second) });
    expect(others.map((o) => o.who)).not.toContain('Maren Oake');
    const asks = (role: 'technician' | 'lead', asked: string) =>
      whosePractice(own.db, { who: '', session: { name: 'Pell Harrow', role } } as App.Locals, asked);
    expect((await asks('lead', 'Tobin Skarre')).who).toBe('Tobin Skarre');
    expect((await asks('lead', 'Nobody')).who).toBe('Pell Harrow');
    expect(await asks('technician', 'Tobin Skarre')).toMatchObject({ who: 'Pell Harrow', people: [] });
  });

  it('is walled off: nothing of it is in the workshop’s record', async () => {
    const [counts] = await own.db.sequelize.query<Record<string, number>>(
      `SELECT (SELECT count(*)::int FROM events) AS events, (SELECT count(*)::int FROM jobs) AS jobs,
         (SELECT count(*)::int FROM vehicles) AS vehicles, (SELECT count(*)::int FROM runs) AS runs,
         (SELECT count(*)::int FROM practice_moves) AS moves`,
      { type: QueryTypes.SELECT }
    );
    expect(counts).toMatchObject({ events: 0, jobs: 0, vehicles: 0, runs: 0 });
    expect(counts.moves).toBeGreaterThan(5);
  });
});
