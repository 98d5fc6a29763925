import { dayAfter, dayIn, momentOf } from '../base/zone';
import type { Work, WorkTask } from '../diagnosis/work';
import type { Floor } from '../record/floor';
import { minuteOf, shiftsOf } from './hours';
import type { Assigned, EngineHeat, JobToDo, Minute, Pin, Workload, ToDo, Worker } from './workload';

/** Days that are planned, today included: parts come twice a week, and the leak of last week is looked at. */
export const PLANNED_DAYS = 7;

/** A job as the board takes it. */
interface BoardJob {
  readonly number: number;
  readonly vehicleId: string;
  readonly fleetNo: string;
  /** ISO 8601. */
  readonly openedAt: string;
  readonly work: Work;
}

export interface Known {
  /** ISO 8601. */
  readonly now: string;
  readonly zone: string;
  readonly floor: Floor;
  readonly jobs: readonly BoardJob[];
  readonly previous: readonly Assigned[];
}

/** What a task is called on the whole board. */
export const taskId = (job: number, task: string): string => `${job}:${task}`;
/** The job of such a name, and what the task is called within it. */
export const jobOf = (id: string): number => Number(id.slice(0, id.indexOf(':')));
export const taskOf = (id: string): string => id.slice(id.indexOf(':') + 1);

/** When a part is there: with the supplier’s days, else with the next delivery after the day it was ordered. */
function partThere({ part }: WorkTask, floor: Floor, zone: string, now: string): Minute | null {
  if (!part) return null;
  const ordered = dayIn(zone, new Date(part.ordered ?? now));
  let day = dayAfter(ordered, part.days === null ? 1 : Math.ceil(part.days));
  if (floor.partDays.length > 0)
    while (!floor.partDays.includes(new Date(`${day}T00:00:00Z`).getUTCDay())) day = dayAfter(day, 1);
  return minuteOf(momentOf(zone, day, '00:00'));
}

function engineOf({ engine }: Work, openedAt: string, now: Minute): EngineHeat {
  const { at, overC, warmOverC, tauH, safeFrom, coolH } = engine;
  const coolMin = Math.ceil(60 * coolH);
  const rest = { warmOverC, tauMin: 60 * tauH, coolMin };
  const warmAt = (from: Minute) => ({ at: from, overC: warmOverC, safeFrom: from + coolMin, ...rest });
  if (engine.running) return warmAt(now);
  // Of an engine that nobody knows anything of: it was driven in.
  if (overC === null) return warmAt(minuteOf(openedAt));
  return {
    at: minuteOf(at),
    overC,
    safeFrom: safeFrom === null ? now + coolMin : minuteOf(safeFrom),
    ...rest
  };
}

/** The engine of each vehicle, as the job knows it that was looked at last. */
function enginesOf(jobs: readonly BoardJob[], now: Minute): ReadonlyMap<string, EngineHeat> {
  const latest = jobs.toSorted((a, b) => a.work.engine.at.localeCompare(b.work.engine.at));
  return new Map(latest.map((j) => [j.vehicleId, engineOf(j.work, j.openedAt, now)]));
}

/** Minutes that a task which runs over its time is taken to need still: a quarter of it, ten at least. */
const overrun = (minutes: number) => Math.max(10, Math.round(minutes / 4));

/** What is planned, from what is known: people’s hours as minutes, tasks with the day from which they can be done. */
export function workloadOf({ now: iso, zone, floor, jobs, previous }: Known): Workload {
  const now = minuteOf(iso);
  const today = dayIn(zone, new Date(iso));
  const people: Worker[] = floor.people.map((p) => ({
    name: p.name,
    skills: p.skills,
    shifts: shiftsOf(p, zone, today, PLANNED_DAYS).filter((s) => s.to > now)
  }));
  const pins: Pin[] = [];
  const atWork = begunTasks(jobs, people, previous, now);
  const engines = enginesOf(jobs, now);
  const toDo = jobs.map(({ number, vehicleId, fleetNo, openedAt, work }): JobToDo => {
    const tasks = work.tasks.map((t): ToDo => {
      const id = taskId(number, t.id);
      const due = t.notBefore === null ? null : minuteOf(momentOf(zone, t.notBefore, '00:00'));
      const there = partThere(t, floor, zone, iso);
      const from = due === null && there === null ? null : Math.max(due ?? -Infinity, there ?? -Infinity);
      if (t.pin)
        pins.push({
          task: id,
          person: t.pin.person,
          place: t.pin.place,
          start: t.pin.start === null ? null : minuteOf(t.pin.start)
        });
      const { title, kind, minutes, chance, runs, skill, engine, places, tools } = t;
      return { id, title, kind, minutes, chance, runs, skill, engine, places, tools, from };
    });
    // What was begun goes on where it is: the rest of its time, or more where it runs over.
    const [first, ...rest] = tasks;
    const begun = first && atWork.get(first.id);
    if (begun) {
      const left = begun.end > now ? begun.end - now : overrun(first.minutes);
      pins.push({ task: first.id, person: begun.person, place: begun.place, start: now });
      tasks.splice(0, tasks.length, { ...first, minutes: left, engine: 'any', from: null }, ...rest);
    }
    const recheck = work.tasks.find((t) => t.kind === 'recheck');
    // A recheck is due on its day, and from then on every day until somebody looked.
    const dueOn = recheck?.notBefore && (recheck.notBefore < today ? today : recheck.notBefore);
    const promised = work.promised ?? (dueOn ? momentOf(zone, dueOn, '23:59') : null);
    return {
      job: number,
      vehicle: vehicleId,
      fleetNo,
      promised: promised === null ? null : minuteOf(promised),
      opened: minuteOf(openedAt),
      engine: engines.get(vehicleId)!,
      tasks,
      roomMin: work.roomMin
    };
  });
  return {
    now,
    jobs: toDo.filter((j) => j.tasks.length > 0),
    people,
    sites: floor.places,
    tools: floor.tools as Workload['tools'],
    // The last word on a task counts: what was begun is where it is, whatever was pinned.
    pins: [...new Map(pins.map((p) => [p.task, p])).values()],
    previous
  };
}

/**
 * What is in hand: of each person who is at work, the first task of theirs that should have begun and is still to be
 * done. What comes after it on their list has not been begun, whatever the plan said.
 */
function begunTasks(
  jobs: readonly BoardJob[],
  people: readonly Worker[],
  previous: readonly Assigned[],
  now: Minute
): ReadonlyMap<string, Assigned> {
  const next = new Set(jobs.flatMap((j) => j.work.tasks.slice(0, 1).map((t) => taskId(j.number, t.id))));
  const due = previous.filter((a) => a.start < now && next.has(a.task)).sort((a, b) => a.start - b.start);
  const inHand = new Map<string, Assigned>();
  for (const { name, shifts } of people) {
    if (!shifts.some((s) => s.from <= now && now < s.to)) continue;
    const first = due.find((a) => a.person === name);
    if (first) inHand.set(first.task, first);
  }
  return inHand;
}

/** What people pinned, by task; what is in hand is no pin of anybody. */
export const pinnedTasks = (jobs: readonly BoardJob[]): string[] =>
  jobs.flatMap((j) => j.work.tasks.filter((t) => t.pin !== null).map((t) => taskId(j.number, t.id)));
