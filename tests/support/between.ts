import fc from 'fast-check';

/** A number between two, each stretch as likely as every other; `fc.double` draws nearly nothing every other time. */
export const between = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 1_000_000 }).map((k) => min + ((max - min) * k) / 1_000_000);
