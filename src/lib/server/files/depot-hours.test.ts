import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { depotTimes } from './depot-hours';

const ZONES = ['UTC', 'Europe/Berlin', 'America/St_Johns', 'Pacific/Auckland'];

/** Weekday and time as the wall of a zone shows them. */
function onTheWall(at: Date, zone: string): { day: string; time: string } {
  const text = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit'
  }).format(at);
  return { day: text.slice(0, 3), time: text.slice(-5) };
}

describe('the hours of the depot', () => {
  it('hold every entry of an open job, whenever the demo is loaded, also where the clocks were changed meanwhile', () => {
    const story = fc
      .array(between(0, 80), { minLength: 1, maxLength: 12 })
      .map((h) => h.toSorted((a, b) => b - a));
    const moment = fc.date({
      min: new Date('2026-01-01T00:00:00Z'),
      max: new Date('2027-01-01T00:00:00Z'),
      noInvalidDate: true
    });
    fc.assert(
      fc.property(story, moment, fc.constantFrom(...ZONES), (agoH, now, zone) => {
        const times = depotTimes(agoH, now, zone);
        expect(times.at(-1)!.getTime()).toBeLessThanOrEqual(now.getTime());
        times.forEach((at, i) => {
          const { day, time } = onTheWall(at, zone);
          expect(day).not.toBe('Sun');
          expect(time >= '07:30' && time <= (day === 'Sat' ? '12:30' : '17:00'), `${day} ${time}`).toBe(true);
          // What had cooled for an hour has cooled for an hour at least.
          if (i > 0) expect((+at - +times[i - 1]) / 3_600_000).toBeGreaterThan(agoH[i - 1] - agoH[i] - 1e-6);
        });
      }),
      { numRuns: 500 }
    );
  });

  it('leave a morning of a working day as it was told', () => {
    const now = new Date('2026-12-02T14:00:00Z');
    expect(depotTimes([3.4, 2, 0.1], now, 'UTC').map((t) => t.toISOString())).toEqual([
      '2026-12-02T10:36:00.000Z',
      '2026-12-02T12:00:00.000Z',
      '2026-12-02T13:54:00.000Z'
    ]);
  });
});
