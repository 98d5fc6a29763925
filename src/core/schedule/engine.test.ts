import { describe, expect, it } from 'vitest';
import { overThen } from './engine';

const past = [
  { at: 0, overC: 80, running: false },
  { at: 240, overC: 5, running: true },
  { at: 260, overC: 75, running: false }
];

describe('an engine’s last hours', () => {
  it('cool by its law while it stood: half of it every τ · ln 2', () => {
    const tauMin = 90;
    expect(overThen(past, tauMin, 0)).toBe(80);
    expect(overThen(past, tauMin, tauMin * Math.LN2)).toBeCloseTo(40, 6);
    expect(overThen(past, tauMin, 260 + 2 * tauMin * Math.LN2)).toBeCloseTo(75 / 4, 6);
  });
  it('rise to what was measured next while it ran', () => {
    expect(overThen(past, 90, 250)).toBe(40);
    expect(overThen(past, 90, 240)).toBe(5);
  });
  it('are not made up: before anything is known, and after a start that nobody followed up', () => {
    expect(overThen(past, 90, -1)).toBeNull();
    expect(overThen(past.slice(0, 2), 90, 250)).toBeNull();
    expect(overThen([], 90, 250)).toBeNull();
  });
});
