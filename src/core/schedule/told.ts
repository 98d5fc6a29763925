import { after, downTo, engineAllows } from './engine';
import { SOAKED_BELOW_C } from '../physics/coolant/cooling';
import type { Bounds } from './bounds';
import type { Minute, Plan, Problem } from './problem';

/** What a plan means for a job. */
export interface JobTold {
  readonly job: number;
  /** When it is done; null where something of it is left. */
  readonly done: Minute | null;
  readonly promised: Minute | null;
  /** Minutes beyond its promise; 0 where it is kept or nobody promised. */
  readonly lateMin: number;
  /** Why it is late, in words; null where it is not. */
  readonly because: string | null;
}

/** What each job has of a plan, with the reason where it is late: what no plan could help, or what it waits for. */
export function toldOf(problem: Problem, plan: Plan, bounds: Bounds): JobTold[] {
  return problem.jobs.map(({ job, promised, tasks }) => {
    const own = plan.assigned.filter((a) => a.job === job);
    const left = plan.left.find((l) => l.job === job);
    const done = left ? null : own.reduce((last, a) => Math.max(last, a.end), problem.now);
    const lateMin = promised === null || done === null ? 0 : Math.max(0, done - promised);
    const late = promised !== null && (done === null || lateMin > 0);
    if (!late) return { job, done, promised, lateMin, because: left?.because ?? null };
    const earliest = bounds.earliest.get(job) ?? null;
    const part = tasks.find((t) => t.from !== null && t.from > promised);
    const because =
      left?.because ??
      (promised < problem.now
        ? 'It was promised for a time that is over'
        : part
          ? `“${part.title}” waits for its part`
          : earliest !== null && earliest > promised
            ? 'Its own work takes longer, the engine’s cooling included'
            : 'Other vehicles have the hands or the place first');
    return { job, done, promised, lateMin, because };
  });
}

/** What to do with a vehicle in the evening so that it is cold in the morning. */
export interface EveningWord {
  readonly job: number;
  readonly fleetNo: string;
  readonly say: 'leave' | 'run-by';
  /** The task that wants it cold, and when it begins. */
  readonly task: string;
  readonly title: string;
  readonly at: Minute;
  /** For `run-by`: the engine stands from then on at the latest. For `leave`: when it is soaked. */
  readonly by: Minute;
}

/** Which engines nobody should touch tonight, and which must be shut off by when: from the first cold task after `from`. */
export function eveningOf(problem: Problem, plan: Plan, from: Minute, to: Minute): EveningWord[] {
  const words: EveningWord[] = [];
  for (const { job, fleetNo, engine, tasks } of problem.jobs) {
    const own = tasks.flatMap((t) => plan.assigned.filter((a) => a.task === t.id).map((a) => ({ t, a })));
    const next = own.find(({ t, a }) => a.start >= from && a.start < to && t.engine === 'cold');
    if (!next) continue;
    const before = own.filter(({ t, a }) => a.start < next.a.start && (t.runs || a.warmUpMin > 0)).at(-1);
    const coolsMin = downTo({ ...engine, at: 0, overC: engine.warmOverC }, SOAKED_BELOW_C);
    const at = { job, fleetNo, task: next.a.task, title: next.t.title, at: next.a.start };
    // What is run before the evening is run by then; what is not run stays as it is.
    if (before && before.a.end < from) words.push({ ...at, say: 'run-by', by: next.a.start - coolsMin });
    else if (!before) words.push({ ...at, say: 'leave', by: downTo(engine, SOAKED_BELOW_C) });
  }
  return words;
}

/** Minutes that vehicles with something to do stand in a plan, by what they wait for. */
export interface Waits {
  readonly engine: number;
  readonly part: number;
  /** For hands, a place or a tool, within somebody’s hours. */
  readonly floor: number;
}

/** What the vehicles of a plan wait for; nights and days off are nobody’s wait for hands. */
export function waitsOf(problem: Problem, plan: Plan): Waits {
  let engine = 0;
  let part = 0;
  let floor = 0;
  for (const j of problem.jobs) {
    let heat = j.engine;
    let ready = problem.now;
    for (const task of j.tasks) {
      const a = plan.assigned.find((x) => x.task === task.id);
      if (!a) break;
      const there = Math.max(ready, task.from ?? -Infinity);
      const cold = Math.max(there, engineAllows(heat, task.engine));
      part += there - ready;
      engine += cold - there;
      floor += openMinutes(problem, cold, a.start);
      ready = a.end;
      heat = after(heat, task.runs || a.warmUpMin > 0, a.end);
    }
  }
  return { engine, part, floor };
}

/** Minutes between two moments in which anybody works. */
function openMinutes({ people }: Problem, from: Minute, to: Minute): number {
  const spans = people
    .flatMap((p) => p.shifts)
    .map((s) => ({ from: Math.max(s.from, from), to: Math.min(s.to, to) }))
    .filter((s) => s.to > s.from)
    .sort((a, b) => a.from - b.from);
  let minutes = 0;
  let last = from;
  for (const s of spans) {
    minutes += Math.max(0, s.to - Math.max(s.from, last));
    last = Math.max(last, s.to);
  }
  return minutes;
}

/** What a new plan changed for people, against the one they know. */
export interface Change {
  readonly job: number;
  readonly lateMin: number;
  readonly wasLateMin: number;
}

/** Jobs that a plan makes late, or later, than another did; the worst first. */
export function madeLate(before: readonly JobTold[], now: readonly JobTold[]): Change[] {
  const was = new Map(before.map((j) => [j.job, j]));
  return now
    .flatMap((j) => {
      const old = was.get(j.job);
      const lateMin = j.promised !== null && j.done === null ? Infinity : j.lateMin;
      const wasLateMin = old ? (old.promised !== null && old.done === null ? Infinity : old.lateMin) : 0;
      return lateMin > wasLateMin ? [{ job: j.job, lateMin, wasLateMin }] : [];
    })
    .sort((a, b) => b.lateMin - a.lateMin);
}
