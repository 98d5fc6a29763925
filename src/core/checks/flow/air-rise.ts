import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { FAN_DEAD } from '../../vehicle/faults';
import { sayC } from '../../units/say';
import { defineCheck, outcome, type Outcome } from '../check';
import { likelier, type Spread } from '../spread';
import { share, strength } from '../strength';
import { airC, coolantC, hotAirC } from '../../measure/temperature';

const DRIVEN = { yes: 'Fan moves the air', no: 'Stands or turns free' } as const;
const readings = () =>
  z.object({
    beforeC: defineField(airC, {
      label: 'Air in front',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'front-air' }
    }),
    afterC: defineField(hotAirC, {
      label: 'Air behind',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'fan-air' }
    }),
    /** Coolant into the radiator, by probe on the upper hose or by scan with the thermostat open. */
    coolantC: defineField(coolantC, {
      label: 'Coolant into the radiator',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'radiator-in' }
    }),
    fan: defineField(z.enum(['yes', 'no'], 'Say whether the fan drives air'), {
      label: 'The fan',
      choices: DRIVEN
    })
  });
export type AirRiseReadings = z.infer<ReturnType<typeof readings>>;

/** Beyond this of the way, with nothing that drives it, the air stands still. */
const STILL_APPROACH = 0.78;
/** Less than this of the way from the air to the coolant, and next to no heat comes out. */
const LEAST_APPROACH = 0.3;

/**
 * A clean stack as an exchanger whose air takes less than its coolant could give: the air comes so much of the way,
 * 1 − exp(−NTU). NTU is about 1.2 with a fan of one stage at its best, and grows by the power −0.55 of the air that is
 * moved; how far an electric fan of more stages runs, or a clutch drives at idle, is not known. Stacks differ by half.
 */
const ntuOf = (sheet: SpecSheet | null): Spread =>
  !sheet?.clutch && sheet?.fan?.stages?.length === 1 ? { mean: 0.25, sd: 0.4 } : { mean: 0.45, sd: 0.4 };
/** What air held back to a third adds to the logarithm, and how far that differs. */
const HELD_BACK: Spread = { mean: 0.55, sd: 0.35 };
const approachAt = (lnNtu: number): number => 1 - Math.exp(-Math.exp(lnNtu));
const lnNtuAt = (approach: number): number => Math.log(-Math.log(1 - Math.min(0.99, approach)));
/** So far beyond what is usual it is a finding, standard deviations. */
const BEYOND = 1.9;

/** How far air comes to the coolant’s temperature in a clean stack: with its fan driving, or with little that moves it. */
export function approachDue(
  sheet: SpecSheet | null,
  fan: AirRiseReadings['fan'] | null
): { readonly low: number; readonly high: number } {
  const { mean, sd } = ntuOf(sheet);
  return { low: LEAST_APPROACH, high: fan === 'no' ? STILL_APPROACH : approachAt(mean + BEYOND * sd) };
}

/** The logarithm of an NTU that was read amiss could be anything over so much. */
const NTU_RANGE = 4;
export const approachOf = (r: Pick<AirRiseReadings, 'beforeC' | 'afterC' | 'coolantC'>): number =>
  (r.afterC - r.beforeC) / (r.coolantC - r.beforeC);

/** Air before and behind the radiator: much rise of little air, or little rise of much. */
export const airRise = defineCheck({
  title: 'Air temperature rise',
  phases: ['R'],
  minutes: 5,
  decides: 'Airflow against heat: air that crawls through comes out nearly as hot as the coolant.',
  tools: ['Thermometer'],
  cautions: ['fan-blades', 'fan-starts'],
  gate: 'none',
  results: {
    sound: { against: ['airflow-restricted', 'active-shutter-stuck', 'fan-motor-dead'] },
    stifled: {
      seen: 'the air comes out nearly as hot as the coolant',
      for: ['airflow-restricted', 'active-shutter-stuck'],
      against: ['radiator-clogged']
    },
    still: {
      seen: 'nothing drives the air',
      for: ['clutch-slipping', 'clutch-engages-late', ...FAN_DEAD],
      against: ['radiator-clogged']
    },
    cold: {
      seen: 'the air takes little up',
      for: ['radiator-clogged', 'airflow-restricted', 'thermostat-stuck-closed']
    }
  },
  strength: strength(0.75, 0.006, 0.3, 'thermometer', 'Air is uneven behind a fan', {
    'airflow-restricted': share(0.72, 0.008, 0.32, 'As hot as the coolant, and a fan that turns'),
    'fan-motor-dead': share(0.75, 0.006, 0.08, 'Where the fan was seen to drive the air, it runs'),
    'thermostat-stuck-closed': share(0.75, 0.006, 0.3, 'Nothing hot comes to the air'),
    'radiator-clogged': share(0.02, 0.01, 1, 'Half a core warms the air as well'),
    'clutch-slipping': share(0.04, 0.01, 1, 'The air is not driven, and that is seen better at the fan'),
    'clutch-engages-late': share(0.04, 0.01, 1, 'The air is not driven, and that is seen better at the fan')
  }),
  readings,
  refuse: (r) => [
    ...(r.afterC > r.coolantC + 3
      ? [
          {
            field: 'afterC',
            message: `${sayC(r.afterC)} behind the radiator is hotter than its coolant at ${sayC(r.coolantC)}`
          }
        ]
      : []),
    ...(r.coolantC - r.beforeC > 20
      ? []
      : [
          {
            field: 'coolantC',
            message: 'Coolant and air are within 20\u202f°C: too little heat to judge airflow by'
          }
        ])
  ],
  judge(r, { sheet }) {
    const share = approachOf(r);
    const due = approachDue(sheet, r.fan);
    const hot = r.coolantC >= limitsOf(sheet).fullOpenC.value;
    const numbers = [
      { name: 'Before, behind', value: `${sayC(r.beforeC)}, ${sayC(r.afterC)}` },
      { name: 'Coolant in', value: sayC(r.coolantC) },
      {
        name: 'Of the way to the coolant',
        value: `${(100 * share).toFixed(0)} %`,
        limit: `${(100 * due.low).toFixed(0)} to ${(100 * due.high).toFixed(0)} %`
      }
    ];
    if (share > due.high)
      return r.fan === 'yes'
        ? outcome(
            'fail',
            `The air comes out at ${(100 * share).toFixed(0)} % of the way to the coolant with the fan driving: little of it gets through`,
            {
              numbers,
              found: ['stifled']
            }
          )
        : stillAir(r, sheet, share, numbers);
    if (share < due.low && !hot)
      return outcome(
        'unclear',
        `The air takes little up, ${(100 * share).toFixed(0)} % of the way, and at ${sayC(r.coolantC)} the thermostat still holds the coolant back: measure again when it is open`,
        { numbers }
      );
    if (share < due.low)
      return outcome(
        'fail',
        `The air takes little up, ${(100 * share).toFixed(0)} % of the way: no coolant comes, the core is closed inside, or the air goes around it`,
        {
          numbers,
          found: ['cold']
        }
      );
    return outcome(
      r.fan === 'yes' ? 'pass' : 'unclear',
      r.fan === 'yes'
        ? 'Air and heat are in proportion'
        : 'In proportion without the fan; measure again while it drives',
      {
        numbers,
        found: r.fan === 'yes' ? ['sound'] : []
      }
    );
  },
  likelihoods(r, { sheet }) {
    const share = approachOf(r);
    if (r.fan === 'no' || share < LEAST_APPROACH) return {};
    const clean = ntuOf(sheet);
    const held = { mean: clean.mean + HELD_BACK.mean, sd: Math.hypot(clean.sd, HELD_BACK.sd) };
    const nats = likelier([lnNtuAt(share)], [{ at: [held] }], [{ at: [clean] }], [NTU_RANGE]);
    return { 'airflow-restricted': nats, 'active-shutter-stuck': nats };
  },
  simulate(h) {
    const engine = h.worked();
    const coolantC = h.placeC(engine, 'radiator-in');
    if (coolantC - h.ambientC < 22) return null;
    return {
      beforeC: Math.round(h.ambientC + h.noise(0.8)),
      afterC: Math.round(Math.min(coolantC, engine.truth().fanAirC + h.noise(2))),
      coolantC: Math.round(Math.min(120, coolantC + h.noise(0.6))),
      fan: engine.fanShare > 0.3 ? 'yes' : 'no'
    } as const;
  },
  words: (r) => `Air ${sayC(r.beforeC)} before, ${sayC(r.afterC)} behind, coolant ${sayC(r.coolantC)}`
});

/** Air that hardly moves is a finding only where something should drive it by now. */
function stillAir(
  { coolantC }: AirRiseReadings,
  sheet: SpecSheet | null,
  share: number,
  numbers: Outcome['numbers']
) {
  const says = `The air hardly moves: ${(100 * share).toFixed(0)} % of the way to the coolant, and the fan does not drive it`;
  const dueC = limitsOf(sheet).fanOnC.value;
  if (coolantC < dueC + 2)
    return outcome('unclear', `${says}. At ${sayC(coolantC)} it need not: from ${sayC(dueC)} on it should`, {
      numbers
    });
  return outcome('fail', `${says}, at ${sayC(coolantC)}, where it should from ${sayC(dueC)}`, {
    numbers,
    found: ['still']
  });
}
