import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { solve } from '../../../core/schedule/solve';
import { brokenRules } from '../../../core/schedule/verify';
import { momentAt } from '../../../core/schedule/board';
import { demoDatabase, type TestDatabase } from '../db/test-database';
import { append } from '../record/record';
import { boardNow, takePlan } from './board';

let own: TestDatabase;
/** A Tuesday morning on which the depot works. */
const MORNING = new Date();
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
  (await boardNow(own.db, MORNING)).jobs.find((j) => j.fleetNo === fleetNo)!;

describe('the board', () => {
  it('plans every open job of the depot with its people and places, and breaks no rule', async () => {
    const { workload, published, jobs } = await boardNow(own.db, MORNING);
    expect(workload.people.map((p) => p.name)).toContain('Pell Harrow');
    const open = await own.db.jobs.count({ where: { state: 'open', active: true } });
    expect(jobs.length).toBeGreaterThanOrEqual(open - 1);
    expect(brokenRules({ ...workload, previous: [] }, published.schedule)).toEqual([]);
    expect(published.schedule.assigned.length).toBeGreaterThan(10);
  });

  it('stays as it is while nothing changes, and is planned anew with a pin', async () => {
    const before = await boardNow(own.db, MORNING);
    expect((await boardNow(own.db, MORNING)).madeAt).toBe(before.madeAt);
    const target = before.published.schedule.assigned.at(-1)!;
    const job = before.jobs.find((j) => j.number === target.job)!;
    const start = momentAt(target.start + 30);
    await enter(job.id, 'task.pinned', {
      task: target.task.slice(`${job.number}:`.length),
      title: 'Pinned',
      person: target.person,
      place: null,
      start
    });
    const after = await boardNow(own.db, MORNING);
    expect(after.basis).not.toBe(before.basis);
    const kept = after.published.schedule.assigned.find((a) => a.task === target.task);
    const loose = after.published.schedule.loose.find((l) => l.task === target.task);
    expect(kept && (loose !== undefined || momentAt(kept.start) === start)).toBe(true);
  });

  it('says what a task that takes longer makes late', async () => {
    const { number, id } = await jobOf('QH-11');
    const before = await boardNow(own.db, MORNING);
    const first = before.published.schedule.assigned.find((a) => a.job === number)!;
    await enter(id, 'job.promised', { at: momentAt(first.end + 600) });
    await boardNow(own.db, MORNING);
    await enter(id, 'task.stretched', {
      task: first.task.slice(`${number}:`.length),
      title: 'Longer',
      minutes: 2000
    });
    const after = await boardNow(own.db, MORNING);
    expect(after.published.changes.map((c) => c.job)).toContain(number);
    expect(after.published.told.find((t) => t.job === number)!.because).toContain(
      'longer than a working day'
    );
  });

  it('takes a better plan from a page, and none that breaks a rule or is of yesterday', async () => {
    const { basis, workload, published } = await boardNow(own.db, MORNING);
    const { plan } = solve({ ...workload, previous: published.schedule.assigned }, { seed: 9, tries: 400 });
    const better = await takePlan(own.db, { basis, assigned: plan.assigned, room: plan.room }, MORNING);
    expect(better.ok).toBe(true);
    const [first, ...rest] = plan.assigned;
    const wrong = [{ ...first, start: first.start - 1440, end: first.end - 1440 }, ...rest];
    const refused = await takePlan(own.db, { basis, assigned: wrong, room: [] }, MORNING);
    expect(refused.ok ? '' : refused.problems[0].message).toContain('rule of the floor');
    expect((await takePlan(own.db, { basis: 'old', assigned: [], room: [] }, MORNING)).ok).toBe(false);
    expect((await takePlan(own.db, { basis, assigned: 'x' }, MORNING)).ok).toBe(false);
  });
});
