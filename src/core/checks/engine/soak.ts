import { z } from 'zod';
import { defineField } from '../../units/field';
import { hoursUntil, residualC, SOAKED_BELOW_C } from '../../physics/coolant/cooling';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';
import { airC, coolantC, refuseHotter, unusualAir } from '../../measure/temperature';

const readings = () =>
  z.object({
    /** Hours since the engine stopped. */
    hoursStood: defineField(
      z
        .number('Say how long it has stood')
        .min(0, 'The engine cannot stop in the future; type 0 or more hours')
        .max(20_000, 'More than two years: type the hours since it last ran'),
      {
        label: 'It has stood for',
        quantity: 'time',
        keptIn: 'h',
        hint: 'hours, or 90 min',
        presets: { 'Just stopped': 0, '1 h': 1, '2 h': 2, '4 h': 4, '8 h': 8, Overnight: 13, 'A day': 24 }
      }
    ),
    /** Coolant when it stopped; null where nobody knows: then as hot as a healthy one gets. */
    lastC: defineField(coolantC, {
      label: 'Coolant when it stopped',
      quantity: 'temperature',
      hint: 'empty: warmed through'
    }).nullable(),
    ambientC: defineField(airC, {
      label: 'Ambient',
      quantity: 'temperature',
      hint: 'in the shade, where it stood'
    })
  });
export type SoakReadings = z.infer<ReturnType<typeof readings>>;

/** Where the last temperature is not known: a warmed-through engine. */
export const ASSUMED_LAST_C = 95;

const hours = (h: number) => (h < 1 ? `${Math.round(h * 60)} min` : `${Math.round(h * 10) / 10} h`);

/** Where a time constant is from. */
export const tauFrom = (n: number): string =>
  n === 0 ? 'our default' : `from ${n} cool-down${n === 1 ? '' : 's'} of this vehicle`;

/** Whether the engine stood long enough for cold checks: what the cooling law leaves above ambient. */
export const soak = defineCheck({
  title: 'Soak',
  phases: ['C'],
  minutes: 1,
  decides: 'Whether it has stood long enough for cold checks to count, and if not, from when.',
  tools: ['Yard thermometer'],
  cautions: [],
  gate: 'none',
  results: {},
  strength: strength(0.5, 0.5, 1, 'itself', 'Says when cold checks count, and nothing of a fault'),
  always: true,
  readings,
  begins: ({ heat: { basis, ambientC }, now }) => ({
    ...(basis?.kind === 'ran-until'
      ? { hoursStood: Math.round((Date.parse(now) - Date.parse(basis.at)) / 360_000) / 10 }
      : {}),
    lastC: basis?.kind === 'ran-until' ? basis.coolantC : null,
    ...(ambientC === null ? {} : { ambientC })
  }),
  refuse: (r, sheet) => [refuseHotter('lastC', r.lastC, sheet)].filter((p) => p !== undefined),
  unlikely: (r) => [
    ...unusualAir('Ambient', r.ambientC),
    ...(r.lastC !== null && r.lastC < r.ambientC - 3
      ? [`The engine stopped at ${sayC(r.lastC)}, colder than the air at ${sayC(r.ambientC)}`]
      : [])
  ],
  facts: (r, at) => [
    {
      kind: 'ran-until',
      at: new Date(Date.parse(at) - r.hoursStood * 3_600_000).toISOString(),
      coolantC: r.lastC,
      ambientC: r.ambientC
    }
  ],
  judge(r, { at, cooling: { tauH, n } }) {
    const over = Math.max(0, (r.lastC ?? ASSUMED_LAST_C) - r.ambientC);
    const left = residualC(over, r.hoursStood, tauH);
    const wait = hoursUntil(over, SOAKED_BELOW_C, tauH) - r.hoursStood;
    const soaked = left < SOAKED_BELOW_C;
    const says = `${hours(r.hoursStood)} after stopping at ${sayC(r.lastC ?? ASSUMED_LAST_C)}${r.lastC === null ? ' (assumed)' : ''} it is ${sayDeltaC(left)} above ambient by the cooling law; below ${sayDeltaC(SOAKED_BELOW_C)} counts as soaked`;
    return outcome(soaked ? 'pass' : 'fail', says, {
      numbers: [
        { name: 'Above ambient', value: sayDeltaC(left), limit: `below ${sayDeltaC(SOAKED_BELOW_C)}` },
        { name: 'Stood', value: hours(r.hoursStood), limit: hours(hoursUntil(over, SOAKED_BELOW_C, tauH)) },
        { name: 'Time constant', value: `${hours(tauH)}, ${tauFrom(n)}` }
      ],
      countsFrom: soaked ? null : new Date(Date.parse(at) + wait * 3_600_000).toISOString()
    });
  },
  simulate: (h) => ({ hoursStood: 14, lastC: 88, ambientC: Math.round(h.ambientC) }),
  words: (r) =>
    `Stood ${hours(r.hoursStood)}${r.lastC === null ? '' : ` from ${sayC(r.lastC)}`}, ambient ${sayC(r.ambientC)}`
});
