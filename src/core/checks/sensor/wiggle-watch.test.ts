import { describe, expect, it } from 'vitest';
import { whatFollowed, type Held } from './wiggle-watch';

/** A minute and a half of a warm engine at two readings a second, with drop-outs to the cold default where told. */
const watched = (dropOuts: readonly number[], held: readonly Held[]) => {
  const t = Array.from({ length: 180 }, (_, i) => i / 2);
  const celsius = t.map((s) => (dropOuts.some((d) => s >= d && s < d + 1) ? -40 : Math.round(88 + s / 60)));
  return whatFollowed(t, celsius, held);
};
const hand = (place: Held['place'], fromS: number, toS: number | null): Held => ({ place, fromS, toS });

describe('what the reading did while a hand was at the loom', () => {
  it('names the place that answers, and leaves the steady ones alone', () => {
    const told = watched(
      [44, 47],
      [hand('sensorPlug', 20, 30), hand('loom', 42, 52), hand('unitPlug', 60, 70)]
    );
    expect(told.loom).toEqual({ followed: 'follows', jumpC: 129, jumps: 4 });
    expect(told.sensorPlug?.followed).toBe('steady');
    expect(told.unitPlug?.followed).toBe('steady');
    expect(told.ground).toBeUndefined();
  });

  it('does not take for an answer what comes as often by itself', () => {
    const often = [2, 7, 13, 18, 24, 29, 35, 44, 55, 61, 67, 72, 78, 83];
    expect(watched(often, [hand('loom', 42, 52)]).loom).toMatchObject({ followed: 'steady', jumps: 2 });
  });

  it('does not take one drop-out for an answer where hardly anything is known of the rest', () => {
    expect(watched([14], [hand('ground', 4, null)]).ground).toMatchObject({ followed: 'steady', jumps: 2 });
    expect(watched([14], [hand('ground', 0, null)]).ground?.followed).toBe('steady');
    const shaken = watched([5, 7, 9, 11], [hand('ground', 4, 14)]);
    expect(shaken.ground?.followed).toBe('follows');
  });

  it('tells a hand that is still there, and none that only touched', () => {
    expect(watched([86], [hand('ground', 80, null)]).ground?.followed).toBe('follows');
    expect(watched([], [hand('ground', 80, 81)]).ground).toBeUndefined();
  });

  it('a warming engine is no jump', () => {
    const t = [0, 5, 10, 15, 20];
    expect(whatFollowed(t, [60, 66, 72, 78, 84], [hand('loom', 0, 20)]).loom).toEqual({
      followed: 'steady',
      jumpC: 0,
      jumps: 0
    });
  });
});
