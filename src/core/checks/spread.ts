/** Where a reading lies, as a normal spread. */
export interface Spread {
  readonly mean: number;
  readonly sd: number;
}

/** One way in which what was read can come about: where each reading lies then. */
export interface Way {
  /** Of all ways of one fault; 1 where there is only one. */
  readonly share?: number;
  readonly at: readonly Spread[];
}

/** One set of readings in so many is of something else. */
const BLUNDER = 0.04;

const normal = (x: number, { mean, sd }: Spread): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));

/** How densely the readings that there are lie by all ways together. */
function density(
  readings: readonly (number | null)[],
  ways: readonly Way[],
  ranges: readonly number[]
): number {
  const overThere = (of: (x: number, i: number) => number) =>
    readings.reduce<number>((product, x, i) => (x === null ? product : product * of(x, i)), 1);
  const meant = ways.reduce(
    (sum, { at, share = 1 }) => sum + share * overThere((x, i) => normal(x, at[i])),
    0
  );
  return BLUNDER * overThere((_, i) => 1 / ranges[i]) + (1 - BLUNDER) * meant;
}

/**
 * How much likelier readings of one check are by the ways of a fault than on a sound vehicle, natural logarithm; null
 * for one that was not taken. `ranges` are over how much readings of something else could lie anywhere, each in its own
 * unit: no reading is ever certain.
 */
export const likelier = (
  readings: readonly (number | null)[],
  fault: readonly Way[],
  sound: readonly Way[],
  ranges: readonly number[]
): number => Math.log(density(readings, fault, ranges) / density(readings, sound, ranges));
