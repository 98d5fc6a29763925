import { standingEngine, MONDAY } from '../../src/simulation/depot/draw';
import type { JobToDo, ToDo, Workload } from '../../src/core/schedule/workload';
import { solve } from '../../src/core/schedule/solve';

/** A floor as small as a test needs it: one person, a bay and a yard, from a Monday morning on. */
export const HOUR = 60;
export const DAY = 24 * HOUR;
export const stoodFrom = (at: number) => standingEngine({ at, warmOverC: 70, tauMin: 120 });
export const task = (id: string, more: Partial<ToDo> = {}): ToDo => ({
  id,
  title: id,
  kind: 'check',
  minutes: 20,
  chance: 1,
  engine: 'any',
  runs: false,
  skill: null,
  places: ['bay', 'yard'],
  tools: [],
  from: null,
  ...more
});
export const job = (n: number, tasks: readonly ToDo[], more: Partial<JobToDo> = {}): JobToDo => ({
  job: n,
  vehicle: `QH-0${n}`,
  fleetNo: `QH-0${n}`,
  promised: null,
  opened: MONDAY - DAY,
  engine: stoodFrom(MONDAY - 15 * HOUR),
  tasks,
  roomMin: 0,
  ...more
});
export const day = (n: number) => ({ from: MONDAY + n * DAY, to: MONDAY + n * DAY + 570 });
export const floor = (jobs: readonly JobToDo[], more: Partial<Workload> = {}): Workload => ({
  now: MONDAY,
  jobs,
  people: [{ name: 'Tobin Skarre', skills: ['electrical', 'cooling', 'road'], shifts: [day(0), day(1)] }],
  sites: [
    { name: 'Bay', kind: 'bay', room: 1 },
    { name: 'Yard', kind: 'yard', room: 6 }
  ],
  tools: {},
  pins: [],
  previous: [],
  ...more
});
export const planned = (workload: Workload, tries = 40) => solve(workload, { seed: 1, tries }).plan;
export const startOf = (workload: Workload, id: string) =>
  planned(workload).assigned.find((a) => a.task === id)?.start;
