import { after, engineAllows, soakedFrom } from './engine';
import type { Bounds } from './bounds';
import { merged, minutesWithin } from './hours';
import type { Assigned, EngineHeat, JobToDo, Minute, Schedule, ToDo, Workload } from './workload';

/** What a plan means for a job. */
export interface JobTold {
  readonly job: number;
  /** When it is done; null where something of it is left. */
  readonly done: Minute | null;
  readonly promised: Minute | null;
  /** Minutes beyond its promise; 0 where it is kept or nobody promised. */
  readonly lateMin: number;
  /** It was promised, and is done later or not at all in the days that are planned. */
  readonly late: boolean;
  /** Why it is late, in words; null where it is not. */
  readonly because: string | null;
}

/** What each job has of a plan, with the reason where it is late: what no plan could help, or what it waits for. */
export function toldOf(workload: Workload, plan: Schedule, bounds: Bounds): JobTold[] {
  return workload.jobs.map(({ job, promised, tasks }) => {
    const own = plan.assigned.filter((a) => a.job === job);
    const left = plan.left.find((l) => l.job === job);
    const done = left ? null : own.reduce((last, a) => Math.max(last, a.end), workload.now);
    const lateMin = promised === null || done === null ? 0 : Math.max(0, done - promised);
    const late = promised !== null && (done === null || lateMin > 0);
    if (!late) return { job, done, promised, late, lateMin, because: left?.because ?? null };
    const earliest = bounds.earliest.get(job) ?? null;
    const part = tasks.find((t) => t.from !== null && t.from > promised);
    const because =
      left?.because ??
      (promised < workload.now
        ? 'It was promised for a time that is over'
        : part
          ? `“${part.title}” waits for its part`
          : workload.people.every((p) => p.shifts.every((s) => s.to <= workload.now || s.from >= promised))
            ? 'Nobody works before that'
            : earliest !== null && earliest > promised
              ? 'Its own work takes longer, the engine’s cooling included'
              : 'Other vehicles have the hands or the place first');
    return { job, done, promised, late, lateMin, because };
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

/** What is planned of a vehicle, by time, whichever of its jobs it belongs to. */
interface OfVehicle {
  readonly vehicle: string;
  readonly engine: EngineHeat;
  readonly jobs: readonly JobToDo[];
  readonly own: readonly { readonly a: Assigned; readonly task: ToDo }[];
}
export function byVehicle(workload: Workload, plan: Schedule): OfVehicle[] {
  const tasks = new Map(workload.jobs.flatMap((j) => j.tasks.map((t) => [t.id, { t, of: j }] as const)));
  const own = plan.assigned
    .flatMap((a) => {
      const found = tasks.get(a.task);
      return found ? [{ a, task: found.t, vehicle: found.of.vehicle }] : [];
    })
    .sort((x, y) => x.a.start - y.a.start);
  return [...new Set(workload.jobs.map((j) => j.vehicle))].map((vehicle) => {
    const jobs = workload.jobs.filter((j) => j.vehicle === vehicle);
    return { vehicle, engine: jobs[0].engine, jobs, own: own.filter((o) => o.vehicle === vehicle) };
  });
}

/** Which engines nobody should touch tonight, and which must be shut off by when: from the first cold task after `from`. */
export function eveningOf(workload: Workload, plan: Schedule, from: Minute, to: Minute): EveningWord[] {
  const words: EveningWord[] = [];
  for (const { engine, jobs, own } of byVehicle(workload, plan)) {
    const next = own.find(({ task, a }) => a.start >= from && a.start < to && task.engine === 'cold');
    if (!next) continue;
    const before = own.findLast(({ task, a }) => a.start < next.a.start && (task.runs || a.warmUpMin > 0));
    const coolsMin = soakedFrom({ ...engine, at: 0, overC: engine.warmOverC });
    const { fleetNo } = jobs[0];
    const at = { job: next.a.job, fleetNo, task: next.a.task, title: next.task.title, at: next.a.start };
    // What is run before the evening is run by then; what is not run stays as it is.
    if (before && before.a.end < from) words.push({ ...at, say: 'run-by', by: next.a.start - coolsMin });
    else if (!before) words.push({ ...at, say: 'leave', by: soakedFrom(engine) });
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
export function waitsOf(workload: Workload, plan: Schedule): Waits {
  const open = merged(workload.people.flatMap((p) => p.shifts));
  let engine = 0;
  let part = 0;
  let floor = 0;
  for (const { engine: known, own } of byVehicle(workload, plan)) {
    let heat = known;
    let ready = workload.now;
    for (const { a, task } of own) {
      const there = Math.max(ready, task.from ?? -Infinity);
      const cold = Math.max(there, engineAllows(heat, task.engine));
      part += there - ready;
      engine += cold - there;
      floor += minutesWithin(open, cold, a.start);
      ready = a.end;
      heat = after(heat, task.runs || a.warmUpMin > 0, a.end);
    }
  }
  return { engine, part, floor };
}

/** What a new plan changed for people, against the one they know. */
export interface Change {
  readonly job: number;
  readonly lateMin: number;
  readonly wasLateMin: number;
}

const howLate = ({ late, lateMin, done }: JobTold): number => (late && done === null ? Infinity : lateMin);

/** Jobs that a plan makes late, or later, than another did; the worst first. */
export function madeLate(before: readonly JobTold[], now: readonly JobTold[]): Change[] {
  const was = new Map(before.map((j) => [j.job, howLate(j)]));
  return now
    .map((j) => ({ job: j.job, lateMin: howLate(j), wasLateMin: was.get(j.job) ?? 0 }))
    .filter((c) => c.lateMin > c.wasLateMin)
    .sort((a, b) => b.lateMin - a.lateMin);
}
