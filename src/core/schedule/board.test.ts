import { describe, expect, it } from 'vitest';
import type { Work, WorkTask } from '../diagnosis/work';
import { floorSchema, type Floor } from '../record/floor';
import { pinnedTasks, workloadOf, taskId } from './board';
import { minuteOf } from './hours';
import type { Assigned } from './workload';
import { solve } from './solve';
import { brokenRules } from './verify';

const ZONE = 'Europe/Berlin';
const day = { from: '07:30', to: '17:00' };
const floor = (more: Partial<Floor> = {}): Floor => ({
  ...floorSchema.parse({
    people: [
      { name: 'Tobin Skarre', skills: ['cooling'], hours: [null, day, day, day, day, day, null] },
      { name: 'Pell Harrow', hours: [null, day, day, day, day, day, null] }
    ],
    places: [
      { name: 'Bay 1', kind: 'bay' },
      { name: 'Yard', kind: 'yard', room: 4 }
    ],
    partDays: [2, 5]
  }),
  ...more
});
const task = (id: string, more: Partial<WorkTask> = {}): WorkTask => ({
  id,
  title: id,
  kind: 'check',
  minutes: 30,
  chance: 1,
  engine: 'any',
  runs: false,
  places: ['bay', 'yard'],
  skill: null,
  tools: [],
  part: null,
  notBefore: null,
  pin: null,
  ...more
});
const job = (number: number, tasks: readonly WorkTask[], more: Partial<Work> = {}) => ({
  number,
  vehicleId: `vehicle ${number}`,
  fleetNo: `QH-0${number}`,
  openedAt: '2026-11-30T08:00:00Z',
  work: {
    tasks,
    roomMin: 0,
    promised: null,
    engine: {
      at: '2026-12-01T06:00:00Z',
      running: false,
      overC: 0,
      warmOverC: 70,
      safeFrom: null,
      coolH: 2,
      tauH: 2
    },
    ...more
  }
});
/** A Tuesday, 9:00 on the wall. */
const NOW = '2026-12-01T08:00:00Z';
const workload = (
  jobs: readonly ReturnType<typeof job>[],
  more: { now?: string; floor?: Floor; previous?: Assigned[] } = {}
) => workloadOf({ now: NOW, zone: ZONE, floor: floor(), previous: [], jobs, ...more });

describe('what is planned', () => {
  it('is a week of shifts on the wall of the shop, whatever the clock does in the night', () => {
    // The clock is changed in the night to Sunday, 25 October 2026.
    const { people } = workload([], { now: '2026-10-23T06:00:00Z' });
    expect(people[0].shifts.map((s) => new Date(s.from * 60_000).toISOString())).toEqual([
      '2026-10-23T05:30:00.000Z',
      '2026-10-26T06:30:00.000Z',
      '2026-10-27T06:30:00.000Z',
      '2026-10-28T06:30:00.000Z',
      '2026-10-29T06:30:00.000Z'
    ]);
    expect(people[0].shifts.every((s) => s.to - s.from === 570)).toBe(true);
  });

  it('leaves out the days somebody is away', () => {
    const [first, second] = floor().people;
    const away = { ...first, away: [{ from: '2026-12-01', to: '2026-12-03' }] };
    const { people } = workload([], { floor: floor({ people: [away, second] }) });
    expect(new Date(people[0].shifts[0].from * 60_000).toISOString()).toBe('2026-12-04T06:30:00.000Z');
  });

  it('waits for the next ferry with a part, or for the days its supplier said', () => {
    const from = (part: WorkTask['part']) => {
      const [t] = workload([job(1, [task('repair/x', { part })])]).jobs[0].tasks;
      return new Date(t.from! * 60_000).toISOString();
    };
    // Ordered on a Tuesday it comes on Friday; ordered on Monday on the ferry of today.
    expect(from({ ordered: null, days: null })).toBe('2026-12-03T23:00:00.000Z');
    expect(from({ ordered: '2026-11-30T10:00:00Z', days: null })).toBe('2026-11-30T23:00:00.000Z');
    expect(from({ ordered: null, days: 6 })).toBe('2026-12-07T23:00:00.000Z');
  });

  it('takes a vehicle nobody knows anything of for one that was driven in', () => {
    const unknown = job(1, [task('a')], { engine: { ...job(1, []).work.engine, overC: null } });
    expect(workload([unknown]).jobs[0].engine).toMatchObject({
      overC: 70,
      at: minuteOf('2026-11-30T08:00:00Z')
    });
  });

  it('has a recheck due on its day, and today where that is over', () => {
    const due = (notBefore: string) =>
      workload([job(1, [task('recheck', { kind: 'recheck', notBefore })])]).jobs[0].promised;
    expect(due('2026-12-03')).toBe(minuteOf('2026-12-03T22:59:00Z'));
    expect(due('2026-11-01')).toBe(minuteOf('2026-12-01T22:59:00Z'));
  });

  it('goes on with what is in hand, one task a person, and longer where it runs over', () => {
    const was = (n: number, start: string, end: string): Assigned => ({
      task: taskId(n, 'a'),
      job: n,
      person: 'Tobin Skarre',
      place: 'Yard',
      start: minuteOf(start),
      end: minuteOf(end),
      warmUpMin: 0
    });
    const previous = [
      was(1, '2026-12-01T07:30:00Z', '2026-12-01T07:50:00Z'),
      was(2, '2026-12-01T07:50:00Z', '2026-12-01T08:20:00Z')
    ];
    const of = workload([job(1, [task('a')]), job(2, [task('a')])], { previous });
    // The first runs over: ten minutes more. The second was not begun.
    expect(of.pins).toEqual([{ task: '1:a', person: 'Tobin Skarre', place: 'Yard', start: minuteOf(NOW) }]);
    expect(of.jobs.map((j) => j.tasks[0].minutes)).toEqual([10, 30]);
    const { plan } = solve(of, { seed: 1, tries: 50 });
    expect(brokenRules(of, plan)).toEqual([]);
    expect(plan.assigned.find((a) => a.task === '1:a')).toMatchObject({
      person: 'Tobin Skarre',
      start: minuteOf(NOW)
    });
    expect(plan.loose).toEqual([]);
    const pinned = [job(3, [task('a', { pin: { person: 'Pell Harrow', place: null, start: null } })])];
    expect(pinnedTasks(pinned)).toEqual(['3:a']);
  });
});
