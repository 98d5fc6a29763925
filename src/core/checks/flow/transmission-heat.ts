import { z } from 'zod';
import { defineField } from '../../units/field';
import { sayC, sayDeltaC, saySignedC } from '../../units/say';
import { coolantC } from '../../measure/temperature';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';

const fluidC = z
  .number()
  .min(-60, 'Fluid of −60\u00a0°C or more')
  .max(250, 'Above 250\u00a0°C no transmission fluid is left');

const readings = () =>
  z.object({
    fluidC: defineField(fluidC, {
      label: 'Transmission fluid',
      quantity: 'temperature',
      hint: 'by scan, or at its pan'
    }),
    coolantC: defineField(coolantC, { label: 'Coolant beside it', quantity: 'temperature' }),
    /** The two lines of its cooler, where they were measured. */
    lineInC: defineField(fluidC, { label: 'Line into its cooler', quantity: 'temperature' }).nullable(),
    lineOutC: defineField(fluidC, { label: 'Line out of its cooler', quantity: 'temperature' }).nullable()
  });

/** Fluid no hotter than this above the coolant is warmed by it as much as it warms it. Ours, °C. */
const NEIGHBOUR_C = 15;
/** A cooler in a tank takes at least this share of what the fluid is above the coolant. Ours. */
const COOLER_TAKES = 0.25;

/**
 * The neighbour in the radiator: an automatic transmission gives its heat to the coolant, in the same tank. It has no
 * fault of the cooling group, so hot fluid is told and nobody is suspected for it; a cooler that takes no heat is a
 * finding of the tank it sits in.
 */
export const transmissionHeat = defineCheck({
  title: 'Transmission heat',
  phases: ['R', 'H'],
  minutes: 5,
  decides: 'Whether the heat comes from the transmission, and whether its cooler in the radiator takes it.',
  tools: ['Scan tool', 'Thermometer'],
  cautions: ['hot-parts', 'belts'],
  gate: 'none',
  lacks: (sheet: SpecSheet) => (sheet.engine?.transmission === 'manual' ? 'no automatic transmission' : null),
  results: {
    cooled: { against: ['radiator-clogged'] },
    notCooled: { seen: 'the transmission cooler takes no heat', for: ['radiator-clogged'] }
  },
  strength: strength(0.3, 0.05, 0.6, 'thermometer', 'One tank of the radiator, by two lines'),
  readings,
  refuse: (r) =>
    r.lineInC !== null && r.lineOutC !== null && r.lineOutC > r.lineInC + 2
      ? [{ field: 'lineOutC', message: 'The line out is hotter than the line in: they are exchanged' }]
      : [],
  judge(r) {
    const above = r.fluidC - r.coolantC;
    const numbers = [
      {
        name: 'Fluid less coolant',
        value: saySignedC(above),
        limit: `up to ${sayDeltaC(NEIGHBOUR_C)}`
      },
      ...(r.lineInC === null || r.lineOutC === null
        ? []
        : [{ name: 'Over its cooler', value: sayDeltaC(r.lineOutC - r.lineInC) }])
    ];
    if (above <= NEIGHBOUR_C)
      return outcome('unclear', `The fluid is at ${sayC(r.fluidC)}: the transmission adds little heat`, {
        numbers
      });
    const heat = `The fluid is ${sayDeltaC(above)} above the coolant: the transmission heats the radiator. Hard towing or a slipping converter does that`;
    if (r.lineInC === null || r.lineOutC === null)
      return outcome('unclear', `${heat}. Measure the two lines of its cooler`, { numbers });
    return r.lineInC - r.lineOutC >= COOLER_TAKES * (r.lineInC - r.coolantC)
      ? outcome('unclear', `${heat}; its cooler takes the heat`, { numbers, found: ['cooled'] })
      : outcome('fail', `${heat}, and its cooler takes none: the tank it sits in, or its lines`, {
          numbers,
          found: ['notCooled']
        });
  },
  facts: (r, at) => [{ kind: 'measured', at, coolantC: r.coolantC, ambientC: null }],
  // The plant has no transmission: an easy one beside it, a little hotter than the coolant.
  simulate(h) {
    const coolant = h.hot().truth().outletC;
    return {
      fluidC: Math.round(coolant + 8 + h.noise(2)),
      coolantC: Math.round(coolant),
      lineInC: null,
      lineOutC: null
    };
  },
  words: (r) =>
    [
      `Fluid ${sayC(r.fluidC)}, coolant ${sayC(r.coolantC)}`,
      ...(r.lineInC === null ? [] : [`into its cooler ${sayC(r.lineInC)}`]),
      ...(r.lineOutC === null ? [] : [`out of it ${sayC(r.lineOutC)}`])
    ].join(', ')
});
