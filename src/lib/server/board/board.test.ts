import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { solve } from '../../../core/schedule/solve';
import { brokenRules } from '../../../core/schedule/verify';
import { taskOf } from '../../../core/schedule/board';
import { momentAt } from '../../../core/schedule/hours';
import { demoDatabase, type TestDatabase } from '../db/test-database';
import { append } from '../record/record';
import { boardNow, takePlan } from './board';

let own: TestDatabase;
/** One moment for all of them, so that nothing is planned anew by the clock alone. */
const NOW = new Date();
beforeAll(async () => {
  own = await demoDatabase();
}, 120_000);
afterAll(() => own.drop());

const enter = async (job: string, kind: string, payload: unknown) => {
  const answer = await append(own.db, {
    id: randomUUID(),
    stream: `job:${job}`,
    who: 'Maren Oake',
    at: new Date().toISOString(),
    kind,
    payload
  });
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
};
const jobOf = async (fleetNo: string) =>
  (await boardNow(own.db, NOW)).jobs.find((j) => j.fleetNo === fleetNo)!;

describe('the board', () => {
  it('plans every open job of the depot with its people and places, and breaks no rule', async () => {
    const { workload, published, jobs } = await boardNow(own.db, NOW);
    expect(workload.people.map((p) => p.name)).toContain('Pell Harrow');
    const open = await own.db.jobs.count({ where: { state: 'open', active: true } });
    expect(jobs.length).toBeGreaterThanOrEqual(open - 1);
    expect(brokenRules({ ...workload, previous: [] }, published.schedule)).toEqual([]);
    expect(published.schedule.assigned.length).toBeGreaterThan(10);
  });

  it('stays as it is while nothing changes, and is planned anew with a pin', async () => {
    const before = await boardNow(own.db, NOW);
    expect((await boardNow(own.db, NOW)).madeAt).toBe(before.madeAt);
    const target = before.published.schedule.assigned.at(-1)!;
    const job = before.jobs.find((j) => j.number === target.job)!;
    await enter(job.id, 'task.pinned', {
      task: taskOf(target.task),
      title: 'Pinned',
      person: target.person,
      place: null,
      start: momentAt(target.start)
    });
    const after = await boardNow(own.db, NOW);
    expect(after.basis).not.toBe(before.basis);
    expect(after.pinned).toEqual([target.task]);
    expect(after.published.schedule.loose).toEqual([]);
    expect(after.published.schedule.assigned.find((a) => a.task === target.task)).toMatchObject({
      person: target.person,
      start: target.start
    });
  });

  it('says what a task that takes longer makes late', async () => {
    const { number, id } = await jobOf('QH-11');
    const before = await boardNow(own.db, NOW);
    const first = before.published.schedule.assigned.find((a) => a.job === number)!;
    await enter(id, 'job.promised', { at: momentAt(first.end + 600) });
    await boardNow(own.db, NOW);
    await enter(id, 'task.stretched', {
      task: taskOf(first.task),
      title: 'Longer',
      minutes: 2000
    });
    const after = await boardNow(own.db, NOW);
    expect(after.published.changes.map((c) => c.job)).toContain(number);
    expect(after.published.told.find((t) => t.job === number)!.because).toContain(
      'longer than a working day'
    );
  });

  it('takes a better plan from a page, and none that breaks a rule or is of yesterday', async () => {
    const { basis, workload, published } = await boardNow(own.db, NOW);
    const { plan } = solve({ ...workload, previous: published.schedule.assigned }, { seed: 9, tries: 400 });
    const better = await takePlan(own.db, { basis, assigned: plan.assigned, room: plan.room }, NOW);
    expect(better.ok).toBe(true);
    const [first, ...rest] = plan.assigned;
    const wrong = [{ ...first, start: first.start - 1440, end: first.end - 1440 }, ...rest];
    const refused = await takePlan(own.db, { basis, assigned: wrong, room: [] }, NOW);
    expect(refused.ok ? '' : refused.problems[0].message).toContain('rule of the floor');
    expect((await takePlan(own.db, { basis: 'old', assigned: [], room: [] }, NOW)).ok).toBe(false);
    expect((await takePlan(own.db, { basis, assigned: 'x' }, NOW)).ok).toBe(false);
  });
});
