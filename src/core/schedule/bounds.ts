import { canDo, suits } from './decode';
import { after, engineAllows } from './engine';
import type { JobToDo, Minute, Workload } from './workload';

/** What no plan can be better than. */
export interface Bounds {
  /** When each job could be done at the earliest, were it alone on the floor; null where it cannot be. */
  readonly earliest: ReadonlyMap<number, Minute | null>;
  /** Minutes that all jobs together are late at the least, and how many promises are broken whatever is done. */
  readonly lateMin: number;
  readonly broken: number;
}

/**
 * Lower bounds: a job is done no sooner than its own chain allows, engine, parts and hours included, with every hand, place
 * and tool free for it; and hands that have more to do than there are minutes until a promise break one of the promises.
 */
export function boundsOf(workload: Workload): Bounds {
  const earliest = new Map<number, Minute | null>();
  let lateMin = 0;
  let broken = 0;
  for (const j of workload.jobs) {
    const done = alone(workload, j);
    earliest.set(j.job, done);
    if (j.promised === null) continue;
    const late = done === null ? 0 : Math.max(0, done - j.promised);
    lateMin += late;
    if (done === null || late > 0) broken++;
  }
  return { earliest, lateMin, broken: Math.max(broken, overload(workload)) };
}

/**
 * When a job could be done with the whole floor to itself; null where it cannot be. No warming up is counted: a run that
 * is put off until the next day may save it, and a bound must not be above what a plan can do.
 */
function alone({ now, people, sites }: Workload, job: JobToDo): Minute | null {
  let at = now;
  let { engine } = job;
  for (const task of job.tasks) {
    if (task.places.length > 0 && !sites.some((s) => suits(s, task))) return null;
    const from = Math.max(at, task.from ?? -Infinity, engineAllows(engine, task.engine));
    const ends = people
      .filter((p) => canDo(p, task))
      .flatMap((p) => p.shifts.map((s) => ({ end: Math.max(s.from, from) + task.minutes, to: s.to })))
      .filter(({ end, to }) => end <= to)
      .map(({ end }) => end);
    if (ends.length === 0) return null;
    at = Math.min(...ends);
    engine = after(engine, task.runs, at);
  }
  return at;
}

/** Promises that the minutes of all hands together do not suffice for: the smallest jobs are kept first. */
function overload(workload: Workload): number {
  const due = workload.jobs.filter((j): j is JobToDo & { promised: Minute } => j.promised !== null);
  let most = 0;
  for (const { promised } of due) {
    const hands = workload.people.reduce(
      (sum, p) =>
        sum +
        p.shifts.reduce(
          (of, s) => of + Math.max(0, Math.min(s.to, promised) - Math.max(s.from, workload.now)),
          0
        ),
      0
    );
    const sizes = due
      .filter((j) => j.promised <= promised)
      .map((j) => j.tasks.reduce((sum, t) => sum + t.minutes, 0))
      .sort((a, b) => a - b);
    let used = 0;
    let kept = 0;
    while (kept < sizes.length && used + sizes[kept] <= hands) used += sizes[kept++];
    most = Math.max(most, sizes.length - kept);
  }
  return most;
}
