import { describe, expect, it } from 'vitest';
import { merged, minutesWithin, minuteOf, openHours } from './hours';

const week = (from: string, to: string) => [null, ...Array.from({ length: 5 }, () => ({ from, to })), null];
const person = (name: string, from: string, to: string, away: { from: string; to: string }[] = []) => ({
  name,
  skills: [],
  hours: week(from, to),
  away
});
const open = (people: ReturnType<typeof person>[], from: string, to: string) =>
  minutesWithin(openHours({ people }, 'Europe/London', '2025-12-29', 200), minuteOf(from), minuteOf(to));

describe('open hours', () => {
  const early = person('Tobin Skarre', '07:00', '12:00');
  const late = person('Ebba Rask', '10:00', '16:00');
  it('are those in which anybody works, once however many do', () => {
    // A Monday in winter, 7 to 16.
    expect(open([early, late], '2026-01-05T00:00:00Z', '2026-01-06T00:00:00Z')).toBe(9 * 60);
    expect(open([early, late], '2026-01-05T11:00:00Z', '2026-01-05T11:30:00Z')).toBe(30);
    // Over a weekend: Friday from 15, nothing, Monday until 8.
    expect(open([early, late], '2026-01-02T15:00:00Z', '2026-01-05T08:00:00Z')).toBe(120);
  });
  it('are by the clock of the shop, in summer too', () => {
    expect(open([early], '2026-06-01T05:00:00Z', '2026-06-01T07:00:00Z')).toBe(60);
  });
  it('are none where everybody is away', () => {
    const away = person('Tobin Skarre', '07:00', '12:00', [{ from: '2026-01-05', to: '2026-01-05' }]);
    expect(open([away], '2026-01-05T00:00:00Z', '2026-01-06T00:00:00Z')).toBe(0);
    expect(open([], '2026-01-05T00:00:00Z', '2026-01-06T00:00:00Z')).toBe(0);
  });
  it('are put together where they touch or overlap, in whatever order they come', () => {
    expect(
      merged([
        { from: 30, to: 40 },
        { from: 5, to: 9 },
        { from: 0, to: 5 },
        { from: 32, to: 35 }
      ])
    ).toEqual([
      { from: 0, to: 9 },
      { from: 30, to: 40 }
    ]);
  });
});
