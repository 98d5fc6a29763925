import { CHECK_IDS, type CheckId } from '../checks/registry';
import type { Tool } from '../measure/tools';
import type { PlaceKind, Skill } from '../record/floor';
import type { TaskSaid } from '../record/board';
import { limitsOf } from '../vehicle/limits';
import { holding } from '../physics/heat/facts';
import { capShutH, thermalAt, USUAL_AMBIENT_C } from '../physics/heat/state';
import { repairOf, type RepairId } from '../vehicle/repairs';
import type { Case } from './case';
import { beliefOf } from './next';
import type { Planned } from './plan';
import { priceOf } from './costs';

/** What an engine must be when a task begins: soaked, warm, cool enough to open, or whatever it is. */
export type EngineNeed = 'cold' | 'warm' | 'cool' | 'any';

/** One thing that is to be done on a job. */
export interface WorkTask {
  /** Told apart within its job; the same thing keeps it from plan to plan. */
  readonly id: string;
  readonly title: string;
  readonly kind: 'check' | 'repair' | 'proof' | 'recheck';
  /** Hands-on minutes. */
  readonly minutes: number;
  /** That it will be needed, 0 to 1. */
  readonly chance: number;
  readonly engine: EngineNeed;
  /** The engine runs during it. */
  readonly runs: boolean;
  /** Places where it can be done; empty on the road. */
  readonly places: readonly PlaceKind[];
  readonly skill: Skill | null;
  readonly tools: readonly Tool[];
  /** The part it waits for; null where none is. */
  readonly part: {
    /** When it was decided to order it, ISO 8601; null where that is not decided yet. */
    readonly ordered: string | null;
    /** Days that its supplier takes, where one said so; else it comes with the next delivery. */
    readonly days: number | null;
  } | null;
  /** Not before that day, YYYY-MM-DD; null where it may be done today. */
  readonly notBefore: string | null;
  /** Where a person wants it to stay; null where it is left to the plan. */
  readonly pin: TaskSaid['pin'];
}

/** What is to be done on a job, in an order that hands need, and what is known of its engine. Plain data, kept with its line. */
export interface Work {
  readonly tasks: readonly WorkTask[];
  /** Minutes that are expected beyond the tasks: what could follow, each by its chance. */
  readonly roomMin: number;
  /** When it was promised, ISO 8601; null where nobody promised. */
  readonly promised: string | null;
  readonly engine: {
    /** ISO 8601. */
    readonly at: string;
    readonly running: boolean;
    /** °C above the air at that moment; null where it is not known. */
    readonly overC: number | null;
    /** A warm engine’s, °C above the air. */
    readonly warmOverC: number;
    readonly tauH: number;
    /** From when the cap may be opened, ISO 8601; null where no clock says it. */
    readonly safeFrom: string | null;
    /** Hours for which it stays shut after a run. */
    readonly coolH: number;
    /** What was measured or told of its last day, in order; absent in a line of an earlier version. */
    readonly past?: readonly PastHeat[];
  };
}

/** An engine as it was at one moment. */
interface PastHeat {
  /** ISO 8601. */
  readonly at: string;
  /** °C above the air. */
  readonly overC: number;
  /** It ran on from then. */
  readonly running: boolean;
}

const ROAD: readonly PlaceKind[] = [];
const STANDING: readonly PlaceKind[] = ['bay', 'extraction', 'yard'];
const RUNNING: readonly PlaceKind[] = ['extraction', 'yard'];
const UNDER_ROOF: readonly PlaceKind[] = ['bay', 'extraction'];
const BENCH: readonly PlaceKind[] = ['bench'];

/** Checks further down than this are not laid out one by one. */
const MOST_CHECKS = 6;
/** Below this chance a check or a repair is room, not a task. */
const LIKELY = 0.4;
const WARM_UP_RUN_MIN = 25;
const RECHECK_MIN = 10;
const DRAINED_MIN = 15;

function checkTask({ id, check, minutes }: Planned, chance: number, kind: 'check' | 'proof'): WorkTask {
  const at = (phase: string) => check.phases.some((p) => p === phase);
  const runs = at('W') || (at('R') && !at('X'));
  const engine: EngineNeed = at('X') || at('B') ? 'any' : at('C') || at('W') ? 'cold' : 'warm';
  const road = id === 'road-run';
  return {
    id: `${kind}/${id}`,
    title: check.title,
    kind,
    minutes: minutes + (at('B') ? (check.takeOutMin ?? 0) : 0),
    chance,
    engine: check.gate === 'cap-cool' && engine === 'any' ? 'cool' : engine,
    runs,
    places: road ? ROAD : at('B') ? BENCH : runs || engine === 'warm' ? RUNNING : STANDING,
    skill: road ? 'road' : check.tools.includes('Meter') ? 'electrical' : null,
    tools: check.tools,
    part: null,
    notBefore: null,
    pin: null
  };
}

const WIRING: readonly RepairId[] = [
  'connector',
  'clutch-harness',
  'fan-command',
  'thermostat-command',
  'modification-out'
];

function repairTasks(repairs: readonly RepairId[], chance: number, job: Case): WorkTask[] {
  const { labourMin, days } = priceOf(repairs, job.costs);
  const said = repairs.flatMap((id) => job.costs.parts[id]?.days ?? []);
  const saidDays = said.length > 0 ? Math.max(...said) : null;
  const drains = repairs.some((id) => repairOf(id).drains);
  const key = repairs.join('+');
  const repair: WorkTask = {
    id: `repair/${key}`,
    title: repairs.map((id) => repairOf(id).deed).join('; '),
    kind: 'repair',
    minutes: Math.max(5, Math.round(labourMin)),
    chance,
    engine: drains ? 'cool' : 'any',
    runs: false,
    places: UNDER_ROOF,
    skill: drains ? 'cooling' : repairs.some((id) => WIRING.includes(id)) ? 'electrical' : null,
    tools: [],
    part: days === 0 ? null : { ordered: job.state.decision?.at ?? null, days: saidDays },
    notBefore: null,
    pin: null
  };
  const proof: WorkTask = {
    ...repair,
    id: `proof/run/${key}`,
    title: 'Proof run from cold',
    kind: 'proof',
    minutes: WARM_UP_RUN_MIN,
    engine: 'cold',
    runs: true,
    places: RUNNING,
    skill: null,
    tools: ['Scan tool'],
    part: null
  };
  return [repair, proof];
}

/** Cold ones first, then what may be done at any time, then what runs the engine; a bench part comes last. */
const RANK: Readonly<Record<EngineNeed, number>> = { cold: 0, any: 1, warm: 2, cool: 3 };
const rankOf = (t: WorkTask) =>
  t.runs && t.engine === 'cold' ? 1.5 : t.places.includes('bench') ? 4 : RANK[t.engine];

/** What is known of an engine’s last hours is shown; what is older is not. */
const PAST_H = 24;

function pastOf({ facts, cooling, sheet, at }: Case): PastHeat[] {
  const firm = holding(facts);
  const since = Date.parse(at) - PAST_H * 3_600_000;
  let running = false;
  return firm
    .filter((f) => Date.parse(f.at) >= since && f.at <= at)
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .flatMap((fact) => {
      const { residualC, ambientC } = thermalAt(firm, fact.at, sheet, cooling);
      if (fact.kind !== 'measured') running = fact.kind === 'started';
      const measured = fact.kind === 'measured' ? fact.coolantC - (ambientC ?? USUAL_AMBIENT_C) : null;
      // A start says nothing of the heat: what was left until then stands.
      const before = new Date(Date.parse(fact.at) - 1000).toISOString();
      const left = fact.kind === 'started' ? thermalAt(firm, before, sheet, cooling).residualC : residualC;
      const overC = measured ?? left;
      return overC === null ? [] : [{ at: fact.at, overC: Math.max(0, overC), running }];
    });
}

function engineOf(job: Case): Work['engine'] {
  const { heat, cooling, sheet, at } = job;
  const { fullOpenC, openCapC } = limitsOf(sheet);
  return {
    at,
    running: heat.running,
    overC: heat.phase === 'unknown' ? null : heat.residualC,
    warmOverC: fullOpenC.value - (heat.ambientC ?? USUAL_AMBIENT_C),
    tauH: cooling.tauH,
    safeFrom: heat.safeToOpenFrom,
    coolH: Math.min(LONGEST_H, capShutH(fullOpenC.value, openCapC.value, heat.ambientC, cooling.longH)),
    past: pastOf(job)
  };
}
/** In air as hot as the limit no clock says when a cap may be opened: not in the days that are planned. */
const LONGEST_H = 400;

/** What is to be done on a job as things stand: what a board plans. */
export function workOf(job: Case): Work {
  const work = workToDo(job);
  const { board } = job.state;
  const said = (t: WorkTask): WorkTask => ({
    ...t,
    minutes: board[t.id]?.minutes ?? t.minutes,
    pin: board[t.id]?.pin ?? null
  });
  return { ...work, tasks: work.tasks.map(said) };
}

function workToDo(job: Case): Work {
  const { state, plan, opinion, proof } = job;
  const engine = engineOf(job);
  const none = { tasks: [], roomMin: 0, promised: state.promised, engine };
  if (state.state === 'closed') {
    if (!state.lookAgain) return none;
    const recheck: WorkTask = {
      id: 'recheck',
      title: 'Look at it again',
      kind: 'recheck',
      minutes: RECHECK_MIN,
      chance: 1,
      engine: 'any',
      runs: false,
      places: STANDING,
      skill: null,
      tools: [],
      part: null,
      notBefore: state.lookAgain,
      pin: null
    };
    return { ...none, tasks: [recheck] };
  }
  if (job.repairedAt) {
    const open = proof?.items.filter((i) => i.needed && !i.met && i.check) ?? [];
    const ids = [...new Set(open.map((i) => i.check!))];
    const all = [...plan.line, ...plan.any, ...plan.bench];
    const tasks = ids.flatMap((id) => {
      const found = all.find((p) => p.id === id);
      return found ? [checkTask(found, 1, 'proof')] : [];
    });
    return { ...none, tasks: tasks.toSorted((a, b) => rankOf(a) - rankOf(b)) };
  }
  const { act, actNow } = opinion.advice;
  const decided = state.decision?.done.repairs ?? null;
  const repairs = (decided ?? act.repairs).filter((id) => id !== 'none');
  const sure = decided !== null || actNow;
  const uncertain = Math.max(0.01, beliefOf(opinion.asked).bits);
  let taken = 0;
  let roomMin = 0;
  const checks: WorkTask[] = [];
  const listed = sure ? [] : [plan.next, ...plan.others].filter((p): p is Planned => p !== null);
  for (const planned of listed) {
    const chance = checks.length === 0 ? 1 : Math.max(0, 1 - taken / uncertain);
    taken += planned.worth?.bits ?? 0;
    const task = checkTask(planned, Math.max(planned.check.always ? LIKELY : 0, chance), 'check');
    if (task.chance >= LIKELY && checks.length < MOST_CHECKS) checks.push(task);
    else roomMin += task.chance * task.minutes;
  }
  const chance = sure ? 1 : act.cures;
  const repair = repairs.length === 0 ? [] : repairTasks(repairs, chance, job);
  if (chance < LIKELY) roomMin += chance * repair.reduce((sum, t) => sum + t.minutes, 0);
  else if (repair.length > 0) roomMin += repair[0].engine === 'cool' ? DRAINED_MIN : 0;
  return {
    ...none,
    tasks: [...checks.toSorted((a, b) => rankOf(a) - rankOf(b)), ...(chance >= LIKELY ? repair : [])],
    roomMin: Math.round(roomMin)
  };
}

/** The check whose sheet a task is done on, by the task's name; null where it is no check. */
export function checkSheetOf(task: string): CheckId | null {
  const [kind, name] = task.split('/');
  if (kind !== 'check' && kind !== 'proof') return null;
  return CHECK_IDS.find((id) => id === name) ?? null;
}
