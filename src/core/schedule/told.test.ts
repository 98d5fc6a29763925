import { describe, expect, it } from 'vitest';
import { DAY, HOUR, floor, job, planned, stoodFrom, task } from '../../../tests/support/floor';
import { MONDAY } from '../../simulation/depot/draw';
import { boundsOf } from './bounds';
import type { Workload } from './workload';
import { eveningOf, madeLate, toldOf, waitsOf } from './told';

describe('what is told of a plan', () => {
  const cold = stoodFrom(MONDAY - 15 * HOUR);
  const told = (workload: Workload) => {
    const plan = planned(workload);
    return { plan, of: toldOf(workload, plan, boundsOf(workload)) };
  };

  it('is when each vehicle is done and why it is late', () => {
    const part = task('1/repair', { kind: 'repair', from: MONDAY + DAY });
    const { of } = told(
      floor([
        job(1, [part], { promised: MONDAY + 300 }),
        job(2, [task('2/a', { minutes: 500 })], { promised: MONDAY + 100 }),
        job(3, [task('3/a')], { promised: MONDAY + 2 * DAY })
      ])
    );
    expect(of.map((t) => t.lateMin > 0)).toEqual([true, true, false]);
    expect(of[0].because).toContain('waits for its part');
    expect(of[1].because).toContain('Its own work takes longer');
    expect(of[2].because).toBeNull();
    // The day is over: what is due tonight waits for the morning.
    const tonight = { now: MONDAY + 600 };
    const { of: late } = told(floor([job(1, [task('1/a')], { promised: MONDAY + 900 })], tonight));
    expect(late[0].because).toBe('Nobody works before that');
  });

  it('is what became later than people knew', () => {
    const workload = floor([job(1, [task('1/a', { minutes: 60 })], { promised: MONDAY + 100 })]);
    const before = told(workload).of;
    const longer = floor([job(1, [task('1/a', { minutes: 160 })], { promised: MONDAY + 100 })]);
    expect(madeLate(before, told(longer).of)).toEqual([{ job: 1, lateMin: 60, wasLateMin: 0 }]);
    expect(madeLate(before, before)).toEqual([]);
  });

  it('is in the evening which engine nobody starts, and which must be stopped by when', () => {
    const workload = floor([
      job(1, [task('1/look', { engine: 'cold', from: MONDAY + DAY })], { engine: cold }),
      job(
        2,
        [
          task('2/run', { engine: 'warm', runs: true, places: ['yard'] }),
          task('2/proof', { engine: 'cold', runs: true, places: ['yard'], from: MONDAY + DAY })
        ],
        { engine: cold }
      )
    ]);
    const { plan } = told(workload);
    const words = eveningOf(workload, plan, MONDAY + 700, MONDAY + 700 + DAY);
    expect(words.map((w) => [w.job, w.say])).toEqual([
      [1, 'leave'],
      [2, 'run-by']
    ]);
    // 70 °C above the air are below 2 °C after τ·ln 35.
    expect(words[1].by).toBe(words[1].at - Math.ceil(120 * Math.log(35)));
  });

  it('is what vehicles wait for', () => {
    const one = floor([
      job(1, [task('1/a', { minutes: 30 })]),
      job(2, [task('2/a', { minutes: 30 })]),
      job(3, [task('3/a', { from: MONDAY + 200 })])
    ]);
    expect(waitsOf(one, planned(one))).toEqual({ engine: 0, part: 200, floor: 30 });
    const hot = floor([job(1, [task('1/a', { engine: 'cool' })], { engine: stoodFrom(MONDAY) })]);
    expect(waitsOf(hot, planned(hot)).engine).toBe(Math.ceil(1.5 * 120 * Math.log(2)));
  });
});
