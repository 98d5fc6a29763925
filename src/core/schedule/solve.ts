import { seeded } from '../base/random';
import { decode, prepare, type Prepared } from './decode';
import type { JobToDo, Schedule, Workload } from './workload';
import { scoreOf } from './score';

export interface Solved {
  readonly plan: Schedule;
  readonly score: number;
  /** Plans that were tried. */
  readonly tried: number;
}

export interface Search {
  readonly seed: number;
  /** Plans to try at most: the same number and seed give the same plan on every machine. */
  readonly tries: number;
  /** Called now and then with how many were tried and the best score; false ends the search with the best so far. */
  readonly onProgress?: (tried: number, score: number) => boolean;
}

/** Plans between two calls of progress. */
const TOLD_EVERY = 25;
/** A worse plan is taken where it is no worse than the one so many tries ago: it leads out of corners. */
const REMEMBERED = 30;

const minutesOf = (j: JobToDo) => j.tasks.reduce((sum, t) => sum + t.minutes, 0);

/** A job’s number once for each of its tasks, jobs in an order. */
const inOrder = (jobs: readonly JobToDo[], key: (j: JobToDo) => number): number[] =>
  jobs
    .map((j) => ({ j, key: key(j) }))
    .sort((a, b) => a.key - b.key || a.j.job - b.j.job)
    .flatMap(({ j }) => j.tasks.map(() => j.job));

/** The same, a task of each job in turn: what can be begun on every vehicle comes before what follows. */
function inTurns(jobs: readonly JobToDo[], key: (j: JobToDo) => number): number[] {
  const order = jobs.map((j) => ({ j, key: key(j) })).sort((a, b) => a.key - b.key || a.j.job - b.j.job);
  const most = Math.max(0, ...jobs.map((j) => j.tasks.length));
  return Array.from({ length: most }, (_, i) =>
    order.flatMap(({ j }) => (i < j.tasks.length ? [j.job] : []))
  ).flat();
}

/** The order in which the plan that people know does things; what it does not know comes last. */
const asBefore = ({ workload: { jobs }, before }: Prepared): number[] =>
  jobs
    .flatMap((j) => j.tasks.map((t, i) => ({ job: j.job, at: before.get(t.id)?.start ?? Infinity, i })))
    .sort((a, b) => a.at - b.at || a.job - b.job || a.i - b.i)
    .map((t) => t.job);

/** Orders by the rules that planners know. */
function byRules({ jobs }: Workload): number[][] {
  const promised = (j: JobToDo) => j.promised ?? Infinity;
  const slack = (j: JobToDo) => promised(j) - minutesOf(j);
  return [
    inOrder(jobs, promised),
    inOrder(jobs, slack),
    inOrder(jobs, minutesOf),
    inOrder(jobs, (j) => -minutesOf(j)),
    inOrder(jobs, (j) => j.opened),
    inTurns(jobs, promised),
    inTurns(jobs, slack),
    inTurns(jobs, (j) => j.opened)
  ];
}

/**
 * Plans the board: the plan that stands with what is new laid around it, list scheduling by several rules, then local search over the order in which tasks are laid out
 * (moves, swaps, a whole job drawn forward). Late acceptance hill climbing (Burke & Bykov 2017): a plan is taken that is
 * no worse than the present one or than that of some tries ago. Never worse than the plan that stands, as far as that
 * still can be done. Pure and seeded.
 */
export function solve(workload: Workload, { seed, tries, onProgress }: Search): Solved {
  const of = prepare(workload);
  const random = seeded(seed);
  const pick = (n: number) => Math.floor(random() * n);
  let tried = 0;
  const tryOut = (sequence: readonly number[], stands?: Prepared['before']) => {
    const plan = decode(of, sequence, stands);
    tried++;
    return { sequence, plan, score: scoreOf(of, plan) };
  };
  const known = workload.previous.length > 0 ? asBefore(of) : null;
  const starts = [
    ...(known ? [tryOut(known, of.before), tryOut(known)] : []),
    ...byRules(workload).map((sequence) => tryOut(sequence))
  ];
  let now = starts.reduce((a, b) => (b.score < a.score ? b : a));
  let best = now;
  const memory = new Array<number>(REMEMBERED).fill(now.score);
  const length = now.sequence.length;
  while (tried < tries && length > 1) {
    if (onProgress && tried % TOLD_EVERY === 0 && !onProgress(tried, best.score)) break;
    const next = tryOut(neighbour(of, now.sequence, now.plan, pick, random));
    const slot = tried % REMEMBERED;
    if (next.score <= now.score || next.score <= memory[slot]) now = next;
    if (now.score < memory[slot]) memory[slot] = now.score;
    if (now.score < best.score) best = now;
  }
  return { plan: best.plan, score: best.score, tried };
}

/** One small change of an order. */
function neighbour(
  of: Prepared,
  sequence: readonly number[],
  plan: Schedule,
  pick: (n: number) => number,
  random: () => number
): number[] {
  const next = sequence.slice();
  const kind = random();
  if (kind < 0.4) {
    // One task goes elsewhere.
    const [taken] = next.splice(pick(next.length), 1);
    next.splice(pick(next.length + 1), 0, taken);
    return next;
  }
  if (kind < 0.7) {
    const i = pick(next.length);
    const j = pick(next.length);
    [next[i], next[j]] = [next[j], next[i]];
    return next;
  }
  // A job that is late, or any, is drawn forward as a whole, or put back.
  const late = kind < 0.9 ? lateJobs(of, plan) : [];
  const job = late.length > 0 ? late[pick(late.length)] : next[pick(next.length)];
  const rest = next.filter((k) => k !== job);
  const at = late.length > 0 ? pick(Math.max(1, sequence.indexOf(job) + 1)) : pick(rest.length + 1);
  rest.splice(at, 0, ...next.filter((k) => k === job));
  return rest;
}

function lateJobs(of: Prepared, plan: Schedule): number[] {
  const late = new Set<number>(plan.left.map((l) => l.job));
  for (const a of plan.assigned) {
    const { promised } = of.byJob.get(a.job)!;
    if (promised !== null && a.end > promised) late.add(a.job);
  }
  return [...late];
}
