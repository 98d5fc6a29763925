import { limitsOf } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { likelier, type Way } from '../spread';

/** What moves the temperature at which a thermostat opens, held against the sheet. */
export type Moves = 'thermostat-low-rating' | 'sheet-wrong';

/**
 * By how much each opens beside what the sheet says, °C, with its share: a cooler part by 7 °C and more, a sheet that is
 * wrong by a rating or two, either way. Ours, in steps that lie as near as units of one rating differ.
 */
const OFF_C: Readonly<Record<Moves, readonly (readonly [offC: number, share: number])[]>> = {
  'thermostat-low-rating': [-7, -11, -15, -19, -23].map((offC) => [offC, 0.2]),
  'sheet-wrong': [
    [-5, 0.3],
    [5, 0.3],
    [-9, 0.2],
    [9, 0.2]
  ]
};

/** Over how much a reading of something else could lie, °C. */
const RANGE_C = 60;

/** Where a reading lies that follows the opening, on a thermostat that opens where the sheet says, °C beside it. */
export type Follows = readonly { readonly share: number; readonly meanC: number; readonly sdC: number }[];

/**
 * How much likelier a temperature that follows the opening is where that lies elsewhere than the sheet says, natural
 * logarithms. `held` is where the reading lies whatever the thermostat does, as at a fan’s switching point, with its
 * share. Empty where the sheet does not say where it opens.
 */
export function openingLikelihoods(
  celsius: number,
  sheet: SpecSheet | null,
  follows: Follows,
  held: Follows = []
): Partial<Record<Moves, number>> {
  const { startOpenC } = limitsOf(sheet);
  if (startOpenC.origin === 'typical') return {};
  const ways = (offC: number, share: number): Way[] => [
    ...follows.map((f) => ({ share: share * f.share, at: [{ mean: f.meanC + offC, sd: f.sdC }] })),
    ...held.map((h) => ({ share: share * h.share, at: [{ mean: h.meanC, sd: h.sdC }] }))
  ];
  const beside = [celsius - startOpenC.value];
  return Object.fromEntries(
    Object.entries(OFF_C).map(([fault, offs]) => [
      fault,
      likelier(
        beside,
        offs.flatMap(([offC, share]) => ways(offC, share)),
        ways(0, 1),
        [RANGE_C]
      )
    ])
  );
}
