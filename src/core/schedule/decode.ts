import { after, engineAllows, warmUpAt } from './engine';
import type {
  Assigned,
  EngineHeat,
  JobToDo,
  Minute,
  Pin,
  Plan,
  Problem,
  Site,
  Span,
  ToDo,
  Worker
} from './problem';

/** A person who did the job before keeps it where that costs no more than this, min. */
const KEEPS_IT_MIN = 20;

/** Times at which something is taken, in order. */
class Taken {
  readonly spans: Span[] = [];
  /** The end of the first span that overlaps; null where it is free. */
  clash(from: Minute, to: Minute): Minute | null {
    for (const s of this.spans) {
      if (s.from >= to) return null;
      if (s.to > from) return s.to;
    }
    return null;
  }
  /** How many overlap, and the first end among them. */
  load(from: Minute, to: Minute): { readonly n: number; readonly firstEnd: Minute } {
    let n = 0;
    let firstEnd = Infinity;
    for (const s of this.spans) {
      if (s.from >= to) break;
      if (s.to <= from) continue;
      n++;
      firstEnd = Math.min(firstEnd, s.to);
    }
    return { n, firstEnd };
  }
  add(span: Span): void {
    let i = this.spans.length;
    while (i > 0 && this.spans[i - 1].from > span.from) i--;
    this.spans.splice(i, 0, span);
  }
  drop(span: Span): void {
    this.spans.splice(this.spans.indexOf(span), 1);
  }
}

interface Fit {
  readonly person: Worker;
  readonly site: Site | null;
  readonly start: Minute;
  readonly end: Minute;
  readonly warmUpMin: number;
}

/** Who may do a task. */
export const canDo = (person: Worker, task: ToDo): boolean =>
  task.skill === null || person.skills.includes(task.skill);
/** Where it may be done. */
export const suits = (site: Site, task: ToDo): boolean => task.places.includes(site.kind);
/** No shift that is left is so long. */
const longest = (people: readonly Worker[]): number =>
  Math.max(0, ...people.flatMap((p) => p.shifts.map((s) => s.to - s.from)));

/** One plan in the making: what is taken, and by whom. */
class Floor {
  readonly people: Map<string, Taken>;
  readonly sites: Map<string, Taken>;
  readonly tools: Map<string, Taken>;
  readonly #of: Problem;
  constructor(of: Problem) {
    this.#of = of;
    this.people = new Map(of.people.map((p) => [p.name, new Taken()]));
    this.sites = new Map(of.sites.map((s) => [s.name, new Taken()]));
    this.tools = new Map(Object.keys(of.tools).map((t) => [t, new Taken()]));
  }

  /** What keeps a task from a moment on: when it is worth looking again, or null where nothing does. */
  #held(task: ToDo, site: Site | null, from: Minute, to: Minute): Minute | null {
    if (site) {
      const { n, firstEnd } = this.sites.get(site.name)!.load(from, to);
      if (n >= site.room) return firstEnd;
    }
    for (const tool of task.tools) {
      const taken = this.tools.get(tool);
      if (!taken) continue;
      const { n, firstEnd } = taken.load(from, to);
      if (n >= this.#of.tools[tool]) return firstEnd;
    }
    return null;
  }

  /** The first time a person can do a task at one of the places, not before `from`; null where they never can. */
  first(
    task: ToDo,
    engine: EngineHeat,
    person: Worker,
    sites: readonly (Site | null)[],
    from: Minute,
    before = Infinity
  ): Fit | null {
    const own = this.people.get(person.name)!;
    for (const shift of person.shifts) {
      let start = Math.max(shift.from, from);
      while (start < shift.to && start < before) {
        const warmUpMin = warmUpAt(engine, task.engine, start);
        const end = start + task.minutes + warmUpMin;
        if (end > shift.to || end >= before) break;
        const busy = own.clash(start, end);
        if (busy !== null) {
          start = busy;
          continue;
        }
        let again = Infinity;
        for (const site of sites) {
          const held = this.#held(task, site, start, end);
          if (held === null) return { person, site, start, end, warmUpMin };
          again = Math.min(again, held);
        }
        start = again;
      }
    }
    return null;
  }

  take(task: ToDo, { person, site, start, end }: Fit): () => void {
    const span = { from: start, to: end };
    const all = [
      this.people.get(person.name)!,
      ...(site ? [this.sites.get(site.name)!] : []),
      ...task.tools.flatMap((t) => this.tools.get(t) ?? [])
    ];
    for (const taken of all) taken.add(span);
    return () => all.forEach((taken) => taken.drop(span));
  }
}

/** How far a job has come in a plan. */
interface Progress {
  readonly of: JobToDo;
  next: number;
  ready: Minute;
  engine: EngineHeat;
  last: Worker | null;
  /** Why the rest of it waits; null while it goes on. */
  stuck: string | null;
}

/** What is read of a problem once, for all the plans that are tried of it. */
export interface Prepared {
  readonly problem: Problem;
  readonly byJob: ReadonlyMap<number, JobToDo>;
  readonly pins: ReadonlyMap<string, Pin>;
  readonly before: ReadonlyMap<string, Assigned>;
  readonly able: ReadonlyMap<string, readonly Worker[]>;
  readonly where: ReadonlyMap<string, readonly (Site | null)[]>;
  readonly longestMin: number;
}
export function prepare(problem: Problem): Prepared {
  const tasks = problem.jobs.flatMap((j) => j.tasks);
  return {
    problem,
    byJob: new Map(problem.jobs.map((j) => [j.job, j])),
    pins: new Map(problem.pins.map((p) => [p.task, p])),
    before: new Map(problem.previous.map((a) => [a.task, a])),
    able: new Map(tasks.map((t) => [t.id, problem.people.filter((p) => canDo(p, t))])),
    where: new Map(
      tasks.map((t) => [t.id, t.places.length === 0 ? [null] : problem.sites.filter((s) => suits(s, t))])
    ),
    longestMin: longest(problem.people)
  };
}

/**
 * Lays the tasks out in the order of `sequence`, each as early as it can be: a job’s number stands there once for each
 * of its tasks. No rule is ever broken; what cannot be planned is left, with the reason. The same sequence gives the
 * same plan.
 */
export function decode(of: Prepared, sequence: readonly number[]): Plan {
  const { problem } = of;
  const floor = new Floor(problem);
  const assigned: Assigned[] = [];
  const room: Plan['room'][number][] = [];
  const left: Plan['left'][number][] = [];
  const loose: Plan['loose'][number][] = [];
  const jobs = new Map<number, Progress>();
  for (const j of problem.jobs)
    jobs.set(j.job, { of: j, next: 0, ready: problem.now, engine: j.engine, last: null, stuck: null });

  // What is pinned to an hour is taken first, so that nothing else is put there.
  const held = new Map<string, { fit: Fit; free: () => void }>();
  for (const j of problem.jobs)
    for (const task of j.tasks) {
      const pin = of.pins.get(task.id);
      if (!pin || pin.start === null) continue;
      const fit = pinned(of, floor, j, task, pin);
      if (typeof fit === 'string') loose.push({ task: task.id, because: fit });
      else held.set(task.id, { fit, free: floor.take(task, fit) });
    }

  for (const job of sequence) {
    const at = jobs.get(job)!;
    const task = at.of.tasks[at.next++];
    if (!task) continue;
    if (at.stuck !== null) {
      left.push({ task: task.id, job, because: at.stuck });
      continue;
    }
    const from = Math.max(
      at.ready,
      task.from ?? -Infinity,
      engineAllows(at.engine, task.engine),
      problem.now
    );
    const fixed = held.get(task.id);
    let fit: Fit | null = null;
    if (fixed) {
      const warmUpMin = warmUpAt(at.engine, task.engine, fixed.fit.start);
      if (fixed.fit.start >= from && fixed.fit.end - fixed.fit.start >= task.minutes + warmUpMin)
        fit = { ...fixed.fit, warmUpMin };
      else {
        fixed.free();
        loose.push({
          task: task.id,
          because:
            fixed.fit.start < at.ready
              ? 'What comes before it on this vehicle ends later'
              : 'The engine is not ready then'
        });
      }
    }
    if (!fit) {
      fit = best(of, floor, at, task, from, fixed ? null : (of.pins.get(task.id) ?? null));
      if (fit) floor.take(task, fit);
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
    at.ready = fit.end;
    at.engine = after(at.engine, task.runs || fit.warmUpMin > 0, fit.end);
    at.last = fit.person;
    if (at.next === at.of.tasks.length && at.of.roomMin > 0) keepRoom(floor, at, fit, room);
  }
  return { assigned, room, left, loose };
}

/** Keeps the hands that did the last task free for what may follow, as far as nothing else is there yet. */
function keepRoom(floor: Floor, at: Progress, { person, end }: Fit, room: Plan['room'][number][]): void {
  const shift = person.shifts.find((s) => s.from < end && s.to >= end);
  const to = Math.min(end + at.of.roomMin, shift?.to ?? end);
  const taken = floor.people.get(person.name)!;
  if (to <= end || taken.clash(end, to) !== null) return;
  taken.add({ from: end, to });
  room.push({ job: at.of.job, person: person.name, from: end, to });
}

/** The person, place and hour that end a task first; whoever has the job, or had the task, keeps it where little is lost. */
function best(
  of: Prepared,
  floor: Floor,
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
    const fit = floor.first(task, at.engine, person, sites, from, bound);
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

function pinned(of: Prepared, floor: Floor, job: JobToDo, task: ToDo, pin: Pin): Fit | string {
  const start = pin.start!;
  if (start < of.problem.now) return 'The hour it was pinned to is over';
  const people = of.able.get(task.id)!.filter((p) => !pin.person || p.name === pin.person);
  if (people.length === 0)
    return pin.person
      ? `${pin.person} does not do this, or is not on the floor`
      : 'Nobody on the floor does this';
  const sites = of.where.get(task.id)!.filter((s) => !pin.place || s?.name === pin.place);
  if (sites.length === 0) return `It cannot be done at ${pin.place ?? 'any place there is'}`;
  if (task.from !== null && start < task.from) return 'Its part is not there then, or it is not due yet';
  // Whether it must be warmed first is known when its turn comes; room for it is kept.
  const minutes =
    task.minutes + (task.engine === 'warm' ? warmUpAt({ ...job.engine, overC: 0 }, 'warm', start) : 0);
  for (const person of people) {
    const fit = floor.first(
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
  if (of.problem.people.length === 0) return 'Nobody is on the floor: say who works here';
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
