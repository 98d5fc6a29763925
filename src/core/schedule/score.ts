import type { Prepared } from './decode';
import type { Minute, Schedule } from './workload';

/** What a minute is worth, the promise of a vehicle being the measure: ours. */
const LATE = 1;
/** Of a vehicle without a promise, or one that is in time: sooner is better, a little. */
const SOONER = 0.04;
/** A promise that is not kept at all counts beside how late it is. */
const BROKEN = 60;
/** A task that finds no hour. */
const LEFT = 600;
/** A pin that is not kept. */
const LOOSE = 240;
/** A person who gets something that another was told, and a task that was near and moves, by the minute. */
const OTHER_HANDS = 15;
const MOVED = 0.05;
/** What is further away than this was told to nobody yet. */
const NEAR_MIN = 300;

/** When a job is done in a plan, the room behind it left out; null where something of it is left. */
export function doneAt(of: Prepared, plan: Schedule): Map<number, Minute | null> {
  const done = new Map<number, Minute | null>(of.workload.jobs.map((j) => [j.job, of.workload.now]));
  for (const a of plan.assigned) {
    const at = done.get(a.job);
    if (at !== null && at !== undefined) done.set(a.job, Math.max(at, a.end));
  }
  for (const l of plan.left) done.set(l.job, null);
  return done;
}

/** How late a job is, min: what is left is as late as the last hour that is planned. */
const lateOf = (promised: Minute | null, done: Minute | null, last: Minute): number =>
  promised === null ? 0 : Math.max(0, (done ?? last) - promised);

/** What a plan costs: less is better. Lateness first, then sooner, then as it was. */
export function scoreOf(of: Prepared, plan: Schedule): number {
  const { workload } = of;
  const last = Math.max(workload.now, ...workload.people.flatMap((p) => p.shifts.map((s) => s.to)));
  const done = doneAt(of, plan);
  let score = 0;
  for (const j of workload.jobs) {
    const at = done.get(j.job) ?? null;
    const late = lateOf(j.promised, at, last);
    score += LATE * late + (late > 0 ? BROKEN : 0) + SOONER * ((at ?? last) - workload.now);
  }
  for (const l of plan.left) score += of.byJob.get(l.job)!.tasks.find((t) => t.id === l.task)!.chance * LEFT;
  score += LOOSE * plan.loose.length;
  for (const a of plan.assigned) {
    const before = of.before.get(a.task);
    if (!before || before.start > workload.now + NEAR_MIN) continue;
    if (before.person !== a.person) score += OTHER_HANDS;
    score += MOVED * Math.abs(a.start - before.start);
  }
  return score;
}
