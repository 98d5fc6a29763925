import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DAY, day, floor, job, planned, startOf, stoodFrom, task } from '../../../tests/support/floor';
import { drawDepot, MONDAY } from '../../simulation/depot/draw';
import { seeded } from '../base/random';
import { boundsOf } from './bounds';
import { decode, prepare } from './decode';
import type { ToDo, Workload } from './workload';
import { doneAt, scoreOf } from './score';
import { solve } from './solve';
import { brokenRules } from './verify';

const depots = fc.record({
  seed: fc.integer({ min: 1, max: 1e6 }),
  vehicles: fc.integer({ min: 1, max: 25 }),
  people: fc.integer({ min: 1, max: 6 })
});
/** A depot in which every fourth job is the second of a vehicle that is here for two things. */
function drawn(d: { seed: number; vehicles: number; people: number }): Workload {
  const depot = drawDepot(seeded(d.seed), d);
  const jobs = depot.jobs.map((j, i) => {
    const { vehicle, engine } = depot.jobs[i % 4 === 3 ? i - 1 : i];
    return { ...j, vehicle, engine };
  });
  return { ...depot, jobs };
}

describe('a plan of the board', () => {
  it('breaks no rule, whatever the depot, held by a checker of its own', () => {
    fc.assert(
      fc.property(depots, (d) => {
        const workload = drawn(d);
        expect(brokenRules(workload, solve(workload, { seed: d.seed, tries: 60 }).plan)).toEqual([]);
      }),
      { numRuns: 60 }
    );
  });

  it('breaks none in any order that the tasks are laid out in', () => {
    fc.assert(
      fc.property(depots, fc.integer(), (d, shuffle) => {
        const workload = drawn(d);
        const random = seeded(shuffle);
        const sequence = workload.jobs
          .flatMap((j) => j.tasks.map(() => ({ job: j.job, at: random() })))
          .toSorted((a, b) => a.at - b.at)
          .map((s) => s.job);
        expect(brokenRules(workload, decode(prepare(workload), sequence))).toEqual([]);
      }),
      { numRuns: 60 }
    );
  });

  it('is never worse with one more person, or with one more of a tool, than the plan that stands', () => {
    fc.assert(
      fc.property(depots, (d) => {
        const workload = drawn(d);
        const stands = solve(workload, { seed: 3, tries: 60 });
        const previous = stands.plan.assigned;
        const better = (more: Partial<Workload>) =>
          solve({ ...workload, previous, ...more }, { seed: 4, tries: 12 }).score;
        const another = { ...workload.people[0], name: 'One more' };
        expect(better({ people: [...workload.people, another] })).toBeLessThanOrEqual(stands.score + 1e-6);
        const tools = Object.fromEntries(Object.entries(workload.tools).map(([tool, n]) => [tool, n + 1]));
        expect(better({ tools })).toBeLessThanOrEqual(stands.score + 1e-6);
      }),
      { numRuns: 60 }
    );
  });

  it('stands where it can, and what comes in is laid around it without breaking a rule', () => {
    fc.assert(
      fc.property(depots, fc.integer({ min: 0, max: 240 }), (d, laterMin) => {
        const workload = drawn(d);
        const known = new Map(
          solve(workload, { seed: 3, tries: 30 }).plan.assigned.map((a) => [a.task, a] as const)
        );
        const now = workload.now + laterMin;
        const later = { ...workload, now, jobs: [...workload.jobs, job(9999, [task('9999/look')])] };
        const sequence = later.jobs.flatMap((j) => j.tasks.map(() => j.job));
        expect(brokenRules(later, decode(prepare(later), sequence, known))).toEqual([]);
      }),
      { numRuns: 40 }
    );
  });

  it('is never better than its bounds, and the same for the same seed', () => {
    fc.assert(
      fc.property(depots, (d) => {
        const workload = drawn(d);
        const { plan } = solve(workload, { seed: 5, tries: 60 });
        const done = doneAt(prepare(workload), plan);
        const { earliest, lateMin, broken } = boundsOf(workload);
        const late = workload.jobs.map((j) => {
          const at = done.get(j.job) ?? null;
          return j.promised === null || at === null ? 0 : Math.max(0, at - j.promised);
        });
        for (const j of workload.jobs) {
          const at = done.get(j.job) ?? null;
          if (at !== null) expect(at).toBeGreaterThanOrEqual(earliest.get(j.job)!);
        }
        if (plan.left.length === 0) {
          expect(late.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(lateMin);
          expect(late.filter((l) => l > 0).length).toBeGreaterThanOrEqual(broken);
        }
        expect(solve(workload, { seed: 5, tries: 60 }).plan).toEqual(plan);
      }),
      { numRuns: 30 }
    );
  });

  it('does what needs a cold engine before anything runs it, and waits for the soak that was lost', () => {
    const cold = task('1/look', { engine: 'cold' });
    const run = task('1/run', { engine: 'cold', runs: true, places: ['yard'] });
    const soaked = floor([job(1, [cold, run])]);
    expect(startOf(soaked, '1/look')).toBe(MONDAY);
    // It came in warm at seven: 70 °C above the air fall below 2 °C in τ·ln 35.
    const warm = floor([job(1, [cold], { engine: stoodFrom(MONDAY - 30) })]);
    expect(startOf(warm, '1/look')).toBe(Math.ceil(MONDAY - 30 + 120 * Math.log(35)));
  });

  it('begins a warm check on a cold engine with the warm-up, and not on a warm one', () => {
    const { assigned } = planned(
      floor([
        job(1, [
          task('1/a', { engine: 'warm', runs: true, places: ['yard'] }),
          task('1/b', { engine: 'warm', runs: true, places: ['yard'] })
        ])
      ])
    );
    expect(assigned.map((a) => a.warmUpMin > 0)).toEqual([true, false]);
  });

  it('does one thing at a time on a vehicle that is here for two, and its engine is one', () => {
    const two = (n: number, more: Partial<ToDo>) => job(n, [task(`${n}/a`, more)], { vehicle: 'QH-14' });
    const of = floor([two(1, { engine: 'cold', runs: true, places: ['yard'] }), two(2, { engine: 'cold' })], {
      people: ['Tobin Skarre', 'Ebba Rask'].map((name) => ({ name, skills: [], shifts: [day(0), day(1)] }))
    });
    const { assigned } = planned(of);
    const [look, run] = [assigned.find((a) => a.task === '2/a')!, assigned.find((a) => a.task === '1/a')!];
    // Looked at first, while it is cold: after the run it would have to wait for hours.
    expect(look.end).toBeLessThanOrEqual(run.start);
    expect(run.start).toBe(look.end);
  });

  it('leaves the one bay to the vehicle that was promised first', () => {
    const repair = (n: number) => task(`${n}/repair`, { kind: 'repair', minutes: 180, places: ['bay'] });
    const workload = floor(
      [job(1, [repair(1)], { promised: MONDAY + 500 }), job(2, [repair(2)], { promised: MONDAY + 200 })],
      {
        people: ['Tobin Skarre', 'Ebba Rask'].map((name) => ({ name, skills: [], shifts: [day(0)] }))
      }
    );
    const { assigned } = planned(workload);
    expect(assigned.map((a) => a.task)).toEqual(['2/repair', '1/repair']);
    expect(assigned[1].start).toBe(assigned[0].end);
  });

  it('changes nobody’s work where one more vehicle comes in that hurries nobody', () => {
    const workload = drawDepot(seeded(11), { vehicles: 12, people: 4 });
    const first = solve(workload, { seed: 2, tries: 300 }).plan;
    const later: Workload = {
      ...workload,
      jobs: [...workload.jobs, job(99, [task('99/look')])],
      previous: first.assigned
    };
    const second = solve(later, { seed: 2, tries: 60 }).plan;
    const who = (plan: typeof first) => new Map(plan.assigned.map((a) => [a.task, a.person]));
    const moved = [...who(first)].filter(([t, p]) => who(second).get(t) !== p);
    expect(moved.length).toBeLessThanOrEqual(2);
  });
});

describe('what is pinned', () => {
  it('stays, and the rest goes around it', () => {
    const workload = floor([job(1, [task('1/a')]), job(2, [task('2/a')])], {
      pins: [{ task: '1/a', person: 'Tobin Skarre', place: 'Yard', start: MONDAY + 30 }]
    });
    const plan = planned(workload);
    expect(plan.loose).toEqual([]);
    expect(plan.assigned.find((a) => a.task === '1/a')).toMatchObject({ start: MONDAY + 30, place: 'Yard' });
    expect(brokenRules(workload, plan)).toEqual([]);
  });

  it('is named where two contradict, where it is over, and where the engine is not ready, and the rest is planned', () => {
    const at = (id: string, start: number) => ({ task: id, person: 'Tobin Skarre', place: null, start });
    const workload = floor(
      [
        job(1, [task('1/a')]),
        job(2, [task('2/a')]),
        job(3, [task('3/a')]),
        job(4, [task('4/a', { engine: 'cold' })], {
          engine: stoodFrom(MONDAY)
        })
      ],
      {
        pins: [
          at('1/a', MONDAY + 60),
          at('2/a', MONDAY + 70),
          at('3/a', MONDAY - 60),
          at('4/a', MONDAY + 120)
        ]
      }
    );
    const plan = planned(workload);
    expect(plan.loose.map((l) => l.task).toSorted()).toEqual(['2/a', '3/a', '4/a']);
    expect(plan.loose.find((l) => l.task === '3/a')!.because).toContain('is over');
    expect(plan.assigned).toHaveLength(4);
    expect(brokenRules(workload, plan)).toEqual([]);
  });
});

describe('what cannot be planned', () => {
  const leftOf = (workload: Workload) => planned(workload).left.map((l) => l.because);

  it('is named with the reason, and the rest is planned', () => {
    expect(leftOf(floor([job(1, [task('1/a', { minutes: 2000 })])]))[0]).toContain(
      'longer than a working day'
    );
    expect(leftOf(floor([job(1, [task('1/a', { from: Infinity })])]))[0]).toContain('no day to come on');
    expect(leftOf(floor([job(1, [task('1/a', { places: ['bench'] })])]))[0]).toContain('no place for it');
    expect(
      leftOf(
        floor([job(1, [task('1/a', { skill: 'road' })])], {
          people: [{ name: 'A', skills: [], shifts: [day(0)] }]
        })
      )[0]
    ).toContain('skill');
    expect(
      leftOf(floor([job(1, [task('1/a')])], { people: [{ name: 'A', skills: [], shifts: [] }] }))[0]
    ).toMatch(/no hours|working day/);
    expect(leftOf(floor([job(1, [task('1/a')])], { people: [] }))[0]).toContain('Nobody is on the floor');
    const both = planned(
      floor([job(1, [task('1/a', { minutes: 2000 }), task('1/b')]), job(2, [task('2/a')])])
    );
    expect(both.left.map((l) => l.task)).toEqual(['1/a', '1/b']);
    expect(both.assigned.map((a) => a.task)).toEqual(['2/a']);
  });

  it('a promise in the past is late from the first minute, and planned first', () => {
    const workload = floor([
      job(1, [task('1/a', { minutes: 120 })], { promised: MONDAY + 300 }),
      job(2, [task('2/a', { minutes: 120 })], { promised: MONDAY - DAY })
    ]);
    expect(planned(workload).assigned.map((a) => a.task)).toEqual(['2/a', '1/a']);
    expect(boundsOf(workload).broken).toBe(1);
    expect(scoreOf(prepare(workload), planned(workload))).toBeGreaterThan(DAY);
  });
});
