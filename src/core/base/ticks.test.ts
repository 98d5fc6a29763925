import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../tests/support/between';
import { ticksOf } from './ticks';

describe('ticks of a scale', () => {
  it('are round, even, within it, and few enough to read', () => {
    fc.assert(
      fc.property(
        between(-500, 500),
        between(0.5, 5000),
        fc.integer({ min: 3, max: 10 }),
        (from, span, most) => {
          const ticks = ticksOf(from, from + span, most);
          expect(ticks.length).toBeLessThanOrEqual(most + 1);
          expect(ticks.length).toBeGreaterThan(0);
          for (const t of ticks) {
            expect(t).toBeGreaterThanOrEqual(from - span * 1e-6);
            expect(t).toBeLessThanOrEqual(from + span * (1 + 1e-6));
          }
        }
      )
    );
  });
  it.each([
    [0, 105, 6, undefined, [0, 20, 40, 60, 80, 100]],
    [0, 3, 8, [1, 2, 5, 10], [0, 1, 2, 3]],
    [0, 40, 8, [1, 2, 5, 10], [0, 5, 10, 15, 20, 25, 30, 35, 40]],
    [-12, 9, 5, undefined, [-10, -5, 0, 5]]
  ])('from %d to %d', (from, to, most, steps, expected) =>
    expect(ticksOf(from, to, most, steps)).toEqual(expected)
  );
});
