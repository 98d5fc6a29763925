import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { effectiveness, readFace } from '../../physics/flow/face';
import { thermostatAt } from '../../physics/flow/map';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { expectedEffectiveness } from '../../physics/plant/effectiveness';
import { plantFor } from '../../physics/plant/params';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { airC, coolantC } from '../../measure/temperature';

const readings = () =>
  z
    .object({
      face: z
        .array(z.array(coolantC.nullable()).min(2).max(8))
        .min(2)
        .max(8)
        .refine((f) => f.every((row) => row.length === f[0].length), 'Every row has as many readings'),
      flows: z.enum(['down', 'across']),
      inC: coolantC,
      outC: coolantC,
      airC,
      rpm: z.number().min(300, 'The engine runs at 300 rpm or more').max(6000),
      /** What the fan did: not, half, full. */
      fan: z.number().min(0).max(1)
    })
    .refine((r) => r.face.flat().filter((c) => c !== null).length >= 4, {
      message: 'Read four places of the face at least',
      path: ['face']
    });
export type RadiatorFaceReadings = z.infer<ReturnType<typeof readings>>;

/** Below the model's effectiveness by more than this share, and the radiator gives too little. */
const WEAK = 0.4;

/** Two thermometers make a drop of this much out of nothing: what is missing must be more, °C. */
const MISSED_C = 6;

/** While the thermostat holds the flow back, coolant comes slowly by design. */
const throttled = (inC: number, sheet: SpecSheet | null): boolean => thermostatAt(inC, sheet) !== 'open';

/** Effectiveness as the model expects it for this vehicle, run as it was. */
export const dueEffectiveness = (sheet: SpecSheet | null, rpm: number, fan: number): number | null =>
  sheet ? expectedEffectiveness(plantFor(sheet), { rpm, fan, speedKmh: 0, ac: false }) : null;

/** The radiator's face by thermometer: cold tubes, and what it takes off against what it should. */
export const radiatorFace = defineCheck({
  title: 'Radiator face',
  phases: ['R'],
  minutes: 6,
  decides: 'Cold tubes, and effectiveness against what this radiator should have.',
  tools: ['Infrared thermometer'],
  cautions: ['hot-parts', 'fan-blades', 'fan-starts'],
  gate: 'none',
  results: {
    even: { against: ['radiator-clogged'] },
    coldTubes: { seen: 'places of the core are cold', for: ['radiator-clogged'] },
    airDue: { against: ['airflow-restricted'] },
    littleAir: { seen: 'it takes off too little', for: ['airflow-restricted'] },
    flows: { against: ['pump-flow-low', 'thermostat-stuck-closed'] },
    slow: {
      seen: 'it takes off more heat than expected',
      for: ['pump-flow-low', 'thermostat-stuck-closed'],
      against: ['airflow-restricted']
    }
  },
  strength: strength(0.8, 0.006, 0.07, 'thermometer', 'A gun on fins reads low, everywhere alike', {
    'radiator-clogged': share(0.95, 0.005, 0.04, 'Cold places in a hot core'),
    'airflow-restricted': share(0.6, 0.04, 0.5, 'It takes off too little, and so do other things'),
    'pump-flow-low': share(0.08, 0.01, 0.9, 'Little flow cools well'),
    'thermostat-stuck-closed': share(0.75, 0.006, 0.3, 'Next to nothing goes in')
  }),
  readings,
  begins: ({ heat: { ambientC } }) => ({
    face: Array.from({ length: 4 }, () => Array.from({ length: 6 }, () => null)),
    flows: 'down' as const,
    ...(ambientC === null ? {} : { airC: ambientC }),
    fan: 1
  }),
  refuse: (r) => [
    ...(r.inC - r.airC > 15
      ? []
      : [
          {
            field: 'inC',
            message: `${sayC(r.inC)} at the inlet is too near the air of ${sayC(r.airC)} to show anything; warm the engine until the thermostat opens`
          }
        ]),
    ...(r.outC > r.inC + 2
      ? [{ field: 'outC', message: 'The outlet is hotter than the inlet: exchanged, or flow the other way' }]
      : [])
  ],
  judge(r, { sheet }) {
    const face = readFace(r.face, r.flows, r.inC, r.outC, r.airC);
    const cellsRead = r.face.flat().filter((c) => c !== null).length;
    const cold = face.cold.length >= 2 || face.share > 0.12;
    const taken = heldToModel(r, sheet);
    const found = [cold ? ('coldTubes' as const) : ('even' as const), ...taken.found];
    const numbers = [
      {
        name: 'Effectiveness',
        value: pct(taken.eff),
        ...(taken.due === null ? {} : { limit: `about ${pct(taken.due)} by the model` })
      },
      { name: 'Cold places', value: `${face.cold.length} of ${cellsRead}` },
      { name: 'In, out, air', value: `${sayC(r.inC)}, ${sayC(r.outC)}, ${sayC(r.airC)}` }
    ];
    const doubts =
      taken.due === null ? ['Without a sheet the model cannot say what this radiator should take off'] : [];
    const worst = Math.max(...face.cold.map((c) => c.belowC));
    const wrong = [
      ...(cold
        ? [
            `${face.cold.length} of ${cellsRead} places are cold ${WHERE[face.shape]}, up to ${sayDeltaC(worst, 0)} below the rest: no flow through the tubes there`
          ]
        : []),
      ...(taken.wrong === null ? [] : [taken.wrong])
    ];
    if (wrong.length > 0) {
      const says = wrong.join('; ');
      return outcome('fail', says[0].toUpperCase() + says.slice(1), { numbers, doubts, found });
    }
    return taken.open === null
      ? outcome('pass', 'The face is even, and the radiator takes off what it should', {
          numbers,
          doubts,
          found
        })
      : outcome('unclear', `The face is even${taken.open}`, { numbers, doubts, found });
  },
  simulate(h) {
    const engine = h.worked();
    // Over the stop limit it is switched off, and nobody is before its radiator.
    if (engine.truth().outletC > limitsOf(h.spec).stopC.value) return null;
    const { face, inC, outC, airC, rpm } = h.radiator(engine, [5, 5, 5, 5]);
    return {
      face,
      flows: 'down',
      inC,
      outC,
      airC,
      rpm: Math.max(300, Math.round(rpm)),
      fan: engine.fanShare > 0.7 ? 1 : engine.fanShare > 0.25 ? 0.5 : 0
    } as const;
  },
  words: (r) =>
    `${r.face.flat().filter((c) => c !== null).length} places, ${sayC(r.inC)} in, ${sayC(r.outC)} out, air ${sayC(r.airC)}`
});

const WHERE = { rows: 'in whole rows', columns: 'in whole columns', patch: 'in a patch', none: '' };
const pct = (share: number) => `${(100 * share).toFixed(0)} %`;

/** What the radiator takes off against the model: what that shows, and in words what is wrong or must stay open. */
function heldToModel(r: RadiatorFaceReadings, sheet: SpecSheet | null) {
  const eff = Math.max(0, effectiveness(r.inC, r.outC, r.airC));
  const due = dueEffectiveness(sheet, r.rpm, r.fan);
  const shows = (
    found: readonly ('airDue' | 'littleAir' | 'flows' | 'slow')[],
    more: { readonly wrong?: string; readonly open?: string } = {}
  ) => ({ eff, due, found, wrong: more.wrong ?? null, open: more.open ?? null });
  if (due === null) return shows([], { open: '' });
  const excess = r.inC - r.airC;
  const against = `takes off ${pct(eff)} of the way to the air, ${pct(due)} expected`;
  if (eff < (1 - WEAK) * due && (due - eff) * excess > MISSED_C)
    return shows(['littleAir'], { wrong: `${against}: too little air for the coolant that comes` });
  const held = throttled(r.inC, sheet);
  if (eff > Math.min(0.97, 1.5 * due + 0.1))
    // What the thermostat lets come slowly gives its heat to little air as well.
    return held
      ? shows([], {
          open: `; at ${sayC(r.inC)} the thermostat holds the coolant back, and what the radiator takes off cannot be held against the model: measure again when it is open`
        })
      : shows(['slow'], { wrong: `${against}: the coolant comes slowly` });
  const flows = held ? [] : (['flows'] as const);
  return due * excess > MISSED_C
    ? shows(['airDue', ...flows])
    : shows(flows, {
        open: `; it should take off ${sayDeltaC(due * excess, 0)} as it was run, which two thermometers cannot tell: measure hotter, with the fan on`
      });
}
