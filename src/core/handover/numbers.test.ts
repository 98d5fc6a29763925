import { describe, expect, it } from 'vitest';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import type { JobOutcome } from '../record/closing';
import { minuteOf } from '../schedule/hours';
import { numbersOf, type ClosedJob } from './numbers';

const job = (
  closed: string,
  outcome: JobOutcome,
  cause: FaultId | null,
  repairs: RepairId[],
  more: Partial<ClosedJob['ending']> = {}
): ClosedJob => ({
  openedAt: '2026-01-01T08:00:00Z',
  closedAt: `${closed}T08:00:00Z`,
  outcome,
  cause,
  ending: {
    repairs,
    goes: repairs.length > 0 ? 1 : 0,
    repairedAt: null,
    comebacks: 0,
    minutes: 60,
    promised: null,
    lostSoaks: 0,
    waited: null,
    ...more
  }
});

describe('the depot’s numbers', () => {
  const numbers = numbersOf([
    job('2026-01-03', 'fixed and proven', 'thermostat-stuck-open', ['thermostat'], { minutes: 120 }),
    // Sensor first, thermostat at the second go: one part needlessly.
    job('2026-01-05', 'fixed and proven', 'thermostat-stuck-open', ['ect-sensor', 'thermostat'], { goes: 2 }),
    // Both in one go: fixed at the first, and one part needlessly all the same.
    job('2026-01-05', 'fixed, unproven', 'ect-reads-hot', ['ect-sensor', 'thermostat']),
    job('2026-04-02', 'fixed and proven', 'airflow-restricted', ['radiator-outside'], { comebacks: 1 }),
    job('2026-04-04', 'no fault found', 'none', []),
    job('2026-04-04', 'referred on', null, ['refer-on'])
  ]);

  it('count first-time fixes, comebacks and parts that were not what it was', () => {
    expect(numbers).toMatchObject({
      jobs: 6,
      repaired: 4,
      firstTime: 0.5,
      proven: 3,
      comebacks: 1,
      parts: 5
    });
    expect(numbers.needless).toEqual([
      { repair: 'ect-sensor', n: 1 },
      { repair: 'thermostat', n: 1 }
    ]);
  });

  it('count promises that were kept, and soaks that were lost', () => {
    const promised = (closed: string, at: string | null, lostSoaks = 0) =>
      job(closed, 'no fault found', 'none', [], { promised: at, lostSoaks });
    const of = numbersOf([
      promised('2026-05-04', '2026-05-04T16:00:00Z', 2),
      promised('2026-05-06', '2026-05-05T16:00:00Z', 1),
      promised('2026-05-07', null)
    ]);
    expect([of.promised, of.kept, of.lostSoaks]).toEqual([2, 1, 3]);
  });

  it('tell what vehicles waited for, in hours a job, of those that did not come back', () => {
    const waited = (engineMin: number, partMin: number, idle: { from: string; to: string }[] = []) =>
      job('2026-05-04', 'no fault found', 'none', [], { waited: { engineMin, partMin, idle } });
    const day = { from: '2026-05-04T06:00:00Z', to: '2026-05-04T12:00:00Z' };
    // Of these six hours the shop is open for three.
    const of = numbersOf(
      [waited(60, 0, [day]), waited(180, 2400), job('2026-05-05', 'no fault found', 'none', [])],
      [{ from: minuteOf('2026-05-04T09:00:00Z'), to: minuteOf('2026-05-04T18:00:00Z') }]
    );
    expect(of.waits).toEqual({ jobs: 2, engineH: 2, partH: 20, floorH: 1.5 });
    expect(numbersOf([waited(60, 0, [day])], null).waits).toMatchObject({ engineH: 1, floorH: null });
    expect(numbersOf([job('2026-05-05', 'no fault found', 'none', [])]).waits).toBeNull();
  });

  it('list causes and outcomes by how often, and hours by month with the empty months', () => {
    expect(numbers.causes[0]).toEqual({ cause: 'thermostat-stuck-open', n: 2 });
    expect(numbers.outcomes[0]).toEqual({ outcome: 'fixed and proven', n: 3 });
    expect(numbers.months.map((m) => [m.month, m.jobs, m.hours])).toEqual([
      ['2026-01', 3, 4],
      ['2026-02', 0, 0],
      ['2026-03', 0, 0],
      ['2026-04', 3, 3]
    ]);
    expect(numbers.hours).toBe(7);
    expect(numbers.medianDays).toBe((4 + 91) / 2);
  });

  it('of nothing are nothing, not a division by nothing', () => {
    expect(numbersOf([])).toMatchObject({
      jobs: 0,
      firstTime: null,
      medianHours: null,
      medianDays: null,
      months: []
    });
  });
});
