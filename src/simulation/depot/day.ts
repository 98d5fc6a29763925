import { normalDraw, type Random } from '../../core/base/random';
import { SOAKED_BELOW_C } from '../../core/physics/coolant/cooling';
import { canDo, suits } from '../../core/schedule/decode';
import { after, overAt, WARM_UP_MIN, warmUpAt } from '../../core/schedule/engine';
import type {
  Assigned,
  EngineHeat,
  JobToDo,
  Minute,
  Schedule,
  Workload,
  ToDo
} from '../../core/schedule/workload';
import { solve } from '../../core/schedule/solve';

/** What a task really takes, and whether it turns out to be needed: nobody knows before it is done. */
interface Fate {
  readonly minutes: number;
  readonly needed: boolean;
}
export type Fates = ReadonlyMap<string, Fate>;

/** Log-normal about what is said, a third off one way or the other; one in eight turns out not to be needed. */
const SPREAD = 0.3;
const UNNEEDED = 0.12;

export function drawFates(random: Random, { jobs }: Workload): Fates {
  return new Map(
    jobs.flatMap((j) =>
      j.tasks.map((t): [string, Fate] => [
        t.id,
        {
          minutes: Math.max(2, Math.round(t.minutes * Math.exp(SPREAD * normalDraw(random)))),
          needed: t.kind !== 'check' || random() > UNNEEDED
        }
      ])
    )
  );
}

/** How the days went. */
export interface Went {
  /** Vehicles that were promised and back in time, of those that were promised. */
  readonly kept: number;
  readonly promised: number;
  /** Soaks that were spent before every cold check of the vehicle was done. */
  readonly lostSoaks: number;
  /** Hours that vehicles stood with something to do until they were done, all together. */
  readonly vehicleHours: number;
  /** Hours after the end of a shift. */
  readonly overtimeH: number;
}

interface Vehicle {
  readonly of: JobToDo;
  tasks: ToDo[];
  engine: EngineHeat;
  /** Somebody works on it until then. */
  busy: Minute;
  done: Minute | null;
}
interface Hand {
  readonly name: string;
  free: Minute;
}

/** What a free person is given next; null where nothing is. */
type Dispatch = (state: {
  readonly now: Minute;
  readonly vehicles: readonly Vehicle[];
  readonly person: string;
  readonly possible: (v: Vehicle, t: ToDo) => boolean;
  readonly anew: boolean;
}) => { readonly vehicle: Vehicle; readonly task: ToDo } | null;

const STEP = 5;

/** Lets the days go by: whoever is free is given something, things take what they take. */
export function play(workload: Workload, fates: Fates, dispatch: Dispatch): Went {
  const vehicles: Vehicle[] = workload.jobs.map((of) => ({
    of,
    tasks: [...of.tasks],
    engine: of.engine,
    busy: -Infinity,
    done: null
  }));
  const hands: Hand[] = workload.people.map((p) => ({ name: p.name, free: workload.now }));
  const taken: { readonly site: string | null; readonly tools: readonly string[]; readonly to: Minute }[] =
    [];
  const end = Math.max(...workload.people.flatMap((p) => p.shifts.map((s) => s.to)));
  let lostSoaks = 0;
  let overtimeH = 0;
  let anew = true;
  const siteFor = (task: ToDo, now: Minute): string | null | undefined => {
    if (task.places.length === 0) return null;
    return workload.sites.find(
      (s) => suits(s, task) && taken.filter((t) => t.site === s.name && t.to > now).length < s.room
    )?.name;
  };
  for (let now = workload.now; now < end; now += STEP) {
    const possible = (v: Vehicle, t: ToDo) => {
      if (v.busy > now || !v.tasks.includes(t) || (t.from !== null && t.from > now)) return false;
      if (t.engine === 'cold' && overAt(v.engine, now) > SOAKED_BELOW_C + 0.01) return false;
      if (t.engine === 'cool' && now < v.engine.safeFrom) return false;
      if (siteFor(t, now) === undefined) return false;
      return t.tools.every(
        (tool) =>
          !(tool in workload.tools) ||
          taken.filter((x) => x.to > now && x.tools.includes(tool)).length < workload.tools[tool]
      );
    };
    for (const hand of hands) {
      const person = workload.people.find((p) => p.name === hand.name)!;
      const shift = person.shifts.find((s) => s.from <= now && now < s.to);
      while (shift && hand.free <= now) {
        const next = dispatch({
          now,
          vehicles,
          person: hand.name,
          possible: (v, t) => canDo(person, t) && possible(v, t) && now + t.minutes <= shift.to,
          anew
        });
        anew = false;
        if (!next) break;
        const { vehicle, task } = next;
        const { minutes, needed } = fates.get(task.id)!;
        const warmUp = warmUpAt(vehicle.engine, task.engine, now);
        const took = needed ? minutes + warmUp : 1;
        const to = now + took;
        const ran = needed && (task.runs || warmUp > 0);
        vehicle.tasks = vehicle.tasks.filter((t) => t !== task);
        if (ran && vehicle.tasks.some((t) => t.engine === 'cold' && t.kind === 'check')) lostSoaks++;
        vehicle.engine = after(vehicle.engine, ran, to);
        vehicle.busy = to;
        if (vehicle.tasks.length === 0) vehicle.done = to;
        hand.free = to;
        overtimeH += Math.max(0, to - shift.to) / 60;
        taken.push({ site: siteFor(task, now) ?? null, tools: task.tools, to });
        anew = true;
      }
    }
  }
  const promised = vehicles.filter((v) => v.of.promised !== null);
  return {
    kept: promised.filter((v) => v.done !== null && v.done <= v.of.promised!).length,
    promised: promised.length,
    lostSoaks,
    vehicleHours: vehicles.reduce((sum, v) => sum + ((v.done ?? end) - workload.now) / 60, 0),
    overtimeH
  };
}

/** Takes the vehicle that comes first by a key, and of it whatever can be done now, in the order it was written down. */
const firstBy =
  (key: (v: Vehicle) => number, order: (v: Vehicle) => readonly ToDo[]): Dispatch =>
  ({ vehicles, possible }) => {
    for (const vehicle of vehicles.toSorted((a, b) => key(a) - key(b) || a.of.job - b.of.job)) {
      const task = order(vehicle).find((t) => possible(vehicle, t) && mayGoFirst(vehicle, t));
      if (task) return { vehicle, task };
    }
    return null;
  };
/** The checks are done as they come to mind; a repair waits for all of them, and its proof for the repair. */
const mayGoFirst = (v: Vehicle, t: ToDo): boolean =>
  t.kind === 'check' || (v.tasks.every((o) => o.kind !== 'check') && v.tasks[0] === t);

/** As a shop without a planner does it: the checks of a complaint in the order they come to mind. */
const asTheyCome = (v: Vehicle): readonly ToDo[] => v.tasks.toSorted((a, b) => hash(a.id) - hash(b.id));
const hash = (text: string) => [...text].reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 9973, 7);

export const firstCome: Dispatch = firstBy((v) => v.of.opened, asTheyCome);
export const mostUrgent: Dispatch = firstBy((v) => v.of.promised ?? Infinity, asTheyCome);

/** The rest of a workload as it stands at a moment. */
function restOf(
  workload: Workload,
  now: Minute,
  vehicles: readonly Vehicle[],
  previous: readonly Assigned[]
): Workload {
  return {
    ...workload,
    now,
    jobs: vehicles
      .filter((v) => v.tasks.length > 0)
      .map((v) => ({
        ...v.of,
        engine: v.engine,
        // Whoever works on it has it until then.
        tasks: v.tasks.map((t, i) =>
          i === 0 && v.busy > now ? { ...t, from: Math.max(v.busy, t.from ?? 0) } : t
        )
      })),
    previous
  };
}

/** By the plan: made in the morning, and anew whenever something turned out otherwise. */
export function byPlan(
  workload: Workload,
  tries: { readonly morning: number; readonly anew: number }
): Dispatch {
  let plan: Schedule | null = null;
  return ({ now, vehicles, person, possible, anew }) => {
    if (anew || !plan) {
      const rest = restOf(workload, now, vehicles, plan?.assigned ?? []);
      plan = solve(rest, { seed: 1, tries: plan ? tries.anew : tries.morning }).plan;
    }
    const due = plan.assigned
      .filter((a) => a.person === person && a.start <= now + WARM_UP_MIN)
      .toSorted((a, b) => a.start - b.start);
    for (const a of due) {
      const vehicle = vehicles.find((v) => v.of.job === a.job)!;
      const task = vehicle.tasks[0];
      if (task?.id === a.task && possible(vehicle, task)) return { vehicle, task };
    }
    return null;
  };
}

/** With everything known before: what no planner could have. */
export function inHindsight(
  workload: Workload,
  fates: Fates,
  tries: number
): { kept: number; promised: number } {
  const known: Workload = {
    ...workload,
    jobs: workload.jobs
      .map((j) => ({
        ...j,
        roomMin: 0,
        tasks: j.tasks
          .filter((t) => fates.get(t.id)!.needed)
          .map((t) => ({ ...t, minutes: fates.get(t.id)!.minutes }))
      }))
      .filter((j) => j.tasks.length > 0)
  };
  const { plan } = solve(known, { seed: 1, tries });
  const done = new Map<number, Minute>();
  for (const a of plan.assigned) done.set(a.job, Math.max(done.get(a.job) ?? 0, a.end));
  const left = new Set(plan.left.map((l) => l.job));
  const promised = workload.jobs.filter((j) => j.promised !== null);
  return {
    kept: promised.filter((j) => !left.has(j.job) && (done.get(j.job) ?? workload.now) <= j.promised!).length,
    promised: promised.length
  };
}
