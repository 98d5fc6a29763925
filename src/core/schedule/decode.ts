import { after, engineAllows, warmUpAt } from './engine';
import { Occupancy, type Fit } from './occupancy';
import type {
  Assigned,
  EngineHeat,
  JobToDo,
  Minute,
  Pin,
  Schedule,
  Workload,
  Site,
  ToDo,
  Worker
} from './workload';

/** A person who did the job before keeps it where that costs no more than this, min. */
const KEEPS_IT_MIN = 20;

/** Who may do a task. */
export const canDo = (person: Worker, task: ToDo): boolean =>
  task.skill === null || person.skills.includes(task.skill);
/** Where it may be done. */
export const suits = (site: Site, task: ToDo): boolean => task.places.includes(site.kind);
/** No shift that is left is so long. */
const longest = (people: readonly Worker[]): number =>
  Math.max(0, ...people.flatMap((p) => p.shifts.map((s) => s.to - s.from)));

/** How far a vehicle has come in a plan, whichever of its jobs is worked on. */
interface Vehicle {
  ready: Minute;
  engine: EngineHeat;
}

/** How far a job has come in a plan. */
interface Progress {
  readonly of: JobToDo;
  readonly vehicle: Vehicle;
  next: number;
  last: Worker | null;
  /** Why the rest of it waits; null while it goes on. */
  stuck: string | null;
}

/** What is read of a workload once, for all the plans that are tried of it. */
export interface Prepared {
  readonly workload: Workload;
  readonly byJob: ReadonlyMap<number, JobToDo>;
  readonly pins: ReadonlyMap<string, Pin>;
  readonly before: ReadonlyMap<string, Assigned>;
  readonly able: ReadonlyMap<string, readonly Worker[]>;
  readonly where: ReadonlyMap<string, readonly (Site | null)[]>;
  readonly longestMin: number;
}
export function prepare(workload: Workload): Prepared {
  const tasks = workload.jobs.flatMap((j) => j.tasks);
  return {
    workload,
    byJob: new Map(workload.jobs.map((j) => [j.job, j])),
    pins: new Map(workload.pins.map((p) => [p.task, p])),
    before: new Map(workload.previous.map((a) => [a.task, a])),
    able: new Map(tasks.map((t) => [t.id, workload.people.filter((p) => canDo(p, t))])),
    where: new Map(
      tasks.map((t) => [t.id, t.places.length === 0 ? [null] : workload.sites.filter((s) => suits(s, t))])
    ),
    longestMin: longest(workload.people)
  };
}

const NOTHING: ReadonlyMap<string, Assigned> = new Map();

/**
 * Lays the tasks out in the order of `sequence`, each as early as it can be: a job’s number stands there once for each
 * of its tasks. What `stands` stays where it is as far as it can. No rule is ever broken; what cannot be planned is
 * left, with the reason. The same sequence gives the same plan.
 */
export function decode(of: Prepared, sequence: readonly number[], stands = NOTHING): Schedule {
  const { workload } = of;
  const taken = new Occupancy(workload);
  const assigned: Assigned[] = [];
  const room: Schedule['room'][number][] = [];
  const left: Schedule['left'][number][] = [];
  const loose: Schedule['loose'][number][] = [];
  const jobs = new Map<number, Progress>();
  const vehicles = new Map<string, Vehicle>();
  for (const j of workload.jobs) {
    const vehicle = vehicles.get(j.vehicle) ?? { ready: workload.now, engine: j.engine };
    vehicles.set(j.vehicle, vehicle);
    jobs.set(j.job, { of: j, vehicle, next: 0, last: null, stuck: null });
  }

  // What is pinned to an hour is taken first, so that nothing else is put there; then what stands.
  const held = new Map<string, { fit: Fit; free: () => void }>();
  const hold = (task: ToDo, fit: Fit) => held.set(task.id, { fit, free: taken.take(task, fit) });
  const all = workload.jobs.flatMap((j) => j.tasks.map((task) => ({ j, task, pin: of.pins.get(task.id) })));
  for (const { j, task, pin } of all) {
    if (!pin || pin.start === null) continue;
    // Whether it must be warmed first is known when its turn comes; room for it is kept.
    const warmUpMin = warmUpAt({ ...j.engine, overC: 0 }, task.engine, pin.start);
    const fit = pinned(of, taken, j, task, pin, warmUpMin);
    if (typeof fit === 'string') loose.push({ task: task.id, because: fit });
    else hold(task, fit);
  }
  for (const { j, task, pin } of all) {
    const stood = stands.get(task.id);
    if (!stood || pin) continue;
    const fit = pinned(of, taken, j, task, stood, stood.warmUpMin);
    if (typeof fit !== 'string') hold(task, fit);
  }

  for (const job of inHandFirst(of, sequence)) {
    const at = jobs.get(job)!;
    const { vehicle } = at;
    const task = at.of.tasks[at.next++];
    if (!task) continue;
    if (at.stuck !== null) {
      left.push({ task: task.id, job, because: at.stuck });
      continue;
    }
    const from = Math.max(
      vehicle.ready,
      task.from ?? -Infinity,
      engineAllows(vehicle.engine, task.engine),
      workload.now
    );
    const fixed = held.get(task.id);
    let fit: Fit | null = null;
    if (fixed) {
      const warmUpMin = warmUpAt(vehicle.engine, task.engine, fixed.fit.start);
      if (fixed.fit.start >= from && fixed.fit.end - fixed.fit.start >= task.minutes + warmUpMin)
        fit = { ...fixed.fit, warmUpMin };
      else {
        fixed.free();
        if (of.pins.has(task.id))
          loose.push({
            task: task.id,
            because:
              fixed.fit.start < vehicle.ready
                ? 'What comes before it on this vehicle ends later'
                : 'The engine is not ready then'
          });
      }
    }
    if (!fit) {
      fit = best(of, taken, at, task, from, fixed ? null : (of.pins.get(task.id) ?? null));
      if (fit) taken.take(task, fit);
    }
    if (!fit) {
      at.stuck = whyNot(of, task, from);
      left.push({ task: task.id, job, because: at.stuck });
      at.stuck = `It waits for “${task.title}”`;
      continue;
    }
    assigned.push({
      task: task.id,
      job,
      person: fit.person.name,
      place: fit.site?.name ?? null,
      start: fit.start,
      end: fit.end,
      warmUpMin: fit.warmUpMin
    });
    vehicle.ready = fit.end;
    vehicle.engine = after(vehicle.engine, task.runs || fit.warmUpMin > 0, fit.end);
    at.last = fit.person;
    if (at.next === at.of.tasks.length && at.of.roomMin > 0) keepRoom(taken, at, fit, room);
  }
  return { assigned, room, left, loose };
}

/** What is in hand goes before everything else that is to be done on its vehicle. */
function inHandFirst({ workload, pins }: Prepared, sequence: readonly number[]): readonly number[] {
  const inHand = workload.jobs
    .filter((j) => j.tasks.length > 0 && pins.get(j.tasks[0].id)?.start === workload.now)
    .map((j) => j.job);
  if (inHand.length === 0) return sequence;
  const rest = [...sequence];
  for (const job of inHand) rest.splice(rest.indexOf(job), 1);
  return [...inHand, ...rest];
}

/** Keeps the hands that did the last task free for what may follow, as far as nothing else is there yet. */
function keepRoom(
  taken: Occupancy,
  at: Progress,
  { person, end }: Fit,
  room: Schedule['room'][number][]
): void {
  const shift = person.shifts.find((s) => s.from < end && s.to >= end);
  const to = Math.min(end + at.of.roomMin, shift?.to ?? end);
  const hands = taken.people.get(person.name)!;
  if (to <= end || hands.clash(end, to) !== null) return;
  hands.add({ from: end, to });
  room.push({ job: at.of.job, person: person.name, from: end, to });
}

/** The person, place and hour that end a task first; whoever has the job, or had the task, keeps it where little is lost. */
function best(
  of: Prepared,
  taken: Occupancy,
  at: Progress,
  task: ToDo,
  from: Minute,
  pin: Pin | null
): Fit | null {
  const people = of.able.get(task.id)!.filter((p) => !pin?.person || p.name === pin.person);
  const sites = of.where.get(task.id)!.filter((s) => !pin?.place || s?.name === pin.place);
  const before = of.before.get(task.id);
  const keeper = before?.person ?? at.last?.name;
  let first: Fit | null = null;
  let kept: Fit | null = null;
  for (const person of people) {
    const bound = person.name === keeper ? Infinity : first ? first.end + 1 : Infinity;
    const fit = taken.first(task, at.vehicle.engine, person, sites, from, bound);
    if (!fit) continue;
    if (person.name === keeper) kept = fit;
    if (
      !first ||
      fit.end < first.end ||
      (fit.end === first.end && person.skills.length < first.person.skills.length)
    )
      first = fit;
  }
  return kept && first && kept.end <= first.end + KEEPS_IT_MIN ? kept : first;
}

/** A task at the hour it is pinned to, as far as hands, places and tools go; else why not. */
function pinned(
  of: Prepared,
  taken: Occupancy,
  job: JobToDo,
  task: ToDo,
  pin: Pin,
  warmUpMin: number
): Fit | string {
  const start = pin.start!;
  if (start < of.workload.now) return 'The hour it was pinned to is over';
  const people = of.able.get(task.id)!.filter((p) => !pin.person || p.name === pin.person);
  if (people.length === 0)
    return pin.person
      ? `${pin.person} does not do this, or is not on the floor`
      : 'Nobody on the floor does this';
  const sites = of.where.get(task.id)!.filter((s) => !pin.place || s?.name === pin.place);
  if (sites.length === 0) return `It cannot be done at ${pin.place ?? 'any place there is'}`;
  if (task.from !== null && start < task.from) return 'Its part is not there then, or it is not due yet';
  const minutes = task.minutes + warmUpMin;
  for (const person of people) {
    const fit = taken.first(
      { ...task, minutes, engine: 'any' },
      job.engine,
      person,
      sites,
      start,
      start + minutes + 1
    );
    if (fit && fit.start === start) return fit;
  }
  const who = pin.person ?? 'Whoever does this';
  return `${who} is not there for so long at that hour, or something else is pinned there`;
}

function whyNot(of: Prepared, task: ToDo, from: Minute): string {
  const able = of.able.get(task.id)!;
  if (of.workload.people.length === 0) return 'Nobody is on the floor: say who works here';
  if (able.length === 0) return 'Nobody on the floor has the skill for it';
  if (of.where.get(task.id)!.length === 0)
    return 'There is no place for it: an engine runs outside or where there is extraction';
  if (task.from === Infinity) return 'Its part has no day to come on';
  if (task.minutes > of.longestMin) return 'It is longer than a working day: split it';
  if (!able.some((p) => p.shifts.length > 0)) return 'Whoever does this has no hours';
  const end = Math.max(...able.flatMap((p) => p.shifts.map((s) => s.to)));
  return from >= end
    ? 'It is not possible within the days that are planned'
    : 'No hour is left within the days that are planned';
}
