import { z } from 'zod';
import { coolantC, airC, hotAirC } from '../../measure/temperature';
import { defineField } from '../../units/field';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome, type Outcome } from '../check';
import { likelier, type Way } from '../spread';
import { share, strength } from '../strength';

const BLOWER = { low: 'Lowest', full: 'Full' } as const;
const readings = () =>
  z.object({
    /** Heater on full hot, no A/C, air from outside. */
    setHot: defineField(z.boolean(), { label: 'Full hot, A/C off, air from outside' }),
    blower: defineField(z.enum(['low', 'full'], 'Say how fast the blower ran'), {
      label: 'The blower',
      choices: BLOWER
    }),
    ventC: defineField(hotAirC, {
      label: 'Air at the middle vent',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'vent' }
    }),
    ambientC: defineField(airC, {
      label: 'Air outside',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'front-air' }
    }),
    coolantC: defineField(coolantC, {
      label: 'Coolant',
      quantity: 'temperature',
      hint: 'by probe at the engine outlet, or by scan',
      bench: { instrument: 'probe', place: 'outlet' }
    }),
    hoseInC: defineField(coolantC, {
      label: 'Heater hose, in',
      quantity: 'temperature',
      hint: 'tells core from flow',
      bench: { instrument: 'probe', place: 'heater-in' }
    }).nullable(),
    hoseOutC: defineField(coolantC, {
      label: 'Heater hose, back',
      quantity: 'temperature',
      hint: 'tells core from flow',
      bench: { instrument: 'probe', place: 'heater-out' }
    }).nullable()
  });
export type HeaterAirReadings = z.infer<ReturnType<typeof readings>>;

/**
 * Share of the way from the outside air to the coolant that a sound heater brings the air, at least: a heat exchanger
 * with the coolant’s side in plenty loses some of it as the blower moves more air. Ours, by ε–NTU with NTU 1.6 at the
 * lowest blower and 0.9 at full, less a fifth for doors that leak.
 */
export const DUE_SHARE = { low: 0.62, full: 0.46 } as const;
/** Below this part of what is due it is a finding, between it and what is due it stays open. */
const WEAK_PART = 0.7;
/** From the air to the coolant there must be this much, or nothing can be told, °C. */
const LEAST_SPAN_C = 30;
/** A hose that is this near to the engine, as a share of the way from the air, has flow. */
const HOSE_HOT = 0.8;
/** A sound core gives back this much of what came in, as a share of the way from the air, at least. */
const COMES_BACK = 0.62;

/**
 * How much of what is between its inlet and the outside air the coolant loses on its way through the heater, up to the
 * first as it should and beyond the second hardly flowing. By the heat of the air: about 30 g/s at the lowest blower and
 * 80 at full take 2 and 5 kW at 80 °C over the air, and an engine that idles sends 100 to 150 g/s through its heater.
 */
const LOSES = { low: [0.09, 0.17], full: [0.18, 0.34] } as const;

/** The heater is as warm as it should be: its hoses tell how much flows all the same. */
function givesHeat(r: HeaterAirReadings, got: number, numbers: Outcome['numbers']) {
  const says = `The heater gives its heat: ${(100 * got).toFixed(0)} % of the way from the air to the coolant`;
  const [some, much] = LOSES[r.blower];
  const { hoseInC, hoseOutC, ambientC } = r;
  if (hoseInC === null || hoseOutC === null || hoseInC - ambientC < LEAST_SPAN_C)
    return outcome<'sound'>('pass', says, { numbers, found: ['sound'] });
  const loses = (hoseInC - hoseOutC) / (hoseInC - ambientC);
  const told = [
    ...numbers,
    {
      name: 'Lost on its way through',
      value: sayDeltaC(hoseInC - hoseOutC),
      limit: `up to ${sayDeltaC(some * (hoseInC - ambientC))}`
    }
  ];
  if (loses <= some) return outcome('pass', says, { numbers: told, found: ['sound', 'flows'] });
  if (loses <= much)
    return outcome(
      'unclear',
      `${says}, and its coolant comes back ${sayDeltaC(hoseInC - hoseOutC)} cooler: it flows slowly`,
      {
        numbers: told,
        found: ['slowly', 'warm']
      }
    );
  return outcome(
    'fail',
    `${says}, but its coolant comes back ${sayDeltaC(hoseInC - hoseOutC)} cooler: hardly any flows`,
    {
      numbers: told,
      found: ['verySlowly', 'warm']
    }
  );
}

/** How far a temperature has come from the outside air to the coolant. */
const shareOf = (celsius: number, { ambientC, coolantC }: { ambientC: number; coolantC: number }): number =>
  (celsius - ambientC) / (coolantC - ambientC);

/**
 * What a sound heater shows, and one that something holds back: the vent as a part of what is due; how far its inlet
 * hose has come to the coolant’s temperature; and the logarithm of what the coolant loses on its way against what the
 * air takes of it, over what is usual: flow that is halved adds 0.7. A sound heater of an engine whose pump hardly
 * turns at idle is the second of its ways; coolant that is low leaves flow, or air in the heater.
 */
const WAYS: Readonly<Record<'sound' | Held, readonly Way[]>> = {
  sound: [
    way(0.75, [1.21, 0.07], [0.96, 0.03], [-0.4, 0.4]),
    way(0.25, [0.96, 0.15], [0.96, 0.03], [0, 0.6])
  ],
  'heater-core-restricted': [way(1, [0.7, 0.22], [0.95, 0.04], [2.4, 0.8])],
  'pump-flow-low': [
    way(0.65, [1.15, 0.1], [0.94, 0.04], [0.65, 0.4]),
    way(0.35, [0.85, 0.2], [0.75, 0.15], [0.5, 1.2])
  ],
  'coolant-low': [
    way(0.5, [1.18, 0.07], [0.95, 0.04], [0.9, 0.5]),
    way(0.5, [0.65, 0.25], [0.88, 0.13], [2, 1])
  ]
};
function way(share: number, ...at: readonly (readonly [mean: number, sd: number])[]): Way {
  return { share, at: at.map(([mean, sd]) => ({ mean, sd })) };
}
/** Over how much each could lie of something else. */
const RANGES = [1.5, 1.2, 4];
type Held = 'heater-core-restricted' | 'pump-flow-low' | 'coolant-low';
const HELD: readonly Held[] = ['heater-core-restricted', 'pump-flow-low', 'coolant-low'];

function heaterLikelihoods(r: HeaterAirReadings): Record<Held, number> {
  const { hoseInC, hoseOutC, ambientC } = r;
  const got = shareOf(r.ventC, r);
  const vent = got / DUE_SHARE[r.blower];
  const into = hoseInC === null ? null : shareOf(hoseInC, r);
  // A hose that is cool already tells of flow by itself; what is lost in it is then told by nothing.
  const lost =
    hoseInC === null || hoseOutC === null || hoseInC - ambientC < LEAST_SPAN_C || got < 0.1
      ? null
      : Math.log(
          Math.max(0.01, (hoseInC - hoseOutC) / (hoseInC - ambientC)) / (USUALLY_LOSES[r.blower] * got)
        );
  return Object.fromEntries(
    HELD.map((fault) => [fault, likelier([vent, into, lost], WAYS[fault], WAYS.sound, RANGES)])
  ) as Record<Held, number>;
}
/** What the coolant usually loses of its way to the outside air, for each part of the way that the vent's air comes. */
const USUALLY_LOSES = { low: 0.095, full: 0.25 } as const;

/** Air at the vent against coolant and outside air: whether the heater gives its heat, and what holds it back. */
export const heaterAir = defineCheck({
  title: 'Heater air',
  phases: ['R'],
  minutes: 4,
  decides:
    'Whether the cabin gets the heat that the engine has; with its hoses, whether core or flow holds it back.',
  tools: ['Thermometer'],
  cautions: ['hot-parts', 'belts', 'indoor-running'],
  gate: 'none',
  strength: strength(0.8, 0.01, 0.12, 'thermometer', 'Air and coolant by one thermometer; doors leak', {
    'heater-core-restricted': share(0.92, 0.006, 0.05, 'The heat is there and does not come'),
    'coolant-low': share(0.45, 0.012, 0.5, 'Air sits in the heater, and not always'),
    'pump-flow-low': share(0.5, 0.01, 0.45, 'Half the flow still heats a cabin')
  }),
  results: {
    sound: { against: ['heater-core-restricted', 'coolant-low'] },
    core: { seen: 'the heater’s hose comes back cold from a hot one', for: ['heater-core-restricted'] },
    noFlow: {
      seen: 'both hoses of the heater are cool',
      for: ['coolant-low', 'pump-flow-low', 'coolant-pump-electric-dead'],
      against: ['heater-core-restricted']
    },
    weak: { for: ['heater-core-restricted', 'coolant-low', 'pump-flow-low'] },
    // A core that lets too little through for a cabin does not warm it.
    warm: { against: ['heater-core-restricted'] },
    // Of what flows fast, the air at the lowest blower takes little: how cool it comes back is how slowly it came.
    flows: {
      against: ['pump-flow-low', 'coolant-low', 'heater-core-restricted', 'coolant-pump-electric-dead']
    },
    slowly: {
      for: ['pump-flow-low'],
      strength: share(
        0.5,
        0.12,
        0.4,
        'The heater gives its heat, and its coolant comes back cooler than most'
      )
    },
    verySlowly: {
      seen: 'the heater gives its heat and its coolant comes back cold',
      for: ['pump-flow-low', 'coolant-low'],
      strength: share(0.5, 0.02, 0.4, 'Little flows, and the heater needs little')
    },
    // Both hoses hot and the air cold: a door or its drive, and no part of the cooling system.
    airSide: { against: ['heater-core-restricted', 'coolant-low', 'pump-flow-low'] }
  },
  readings,
  // Hot hoses and cold air are a door’s doing, which no flow explains.
  likelihoods: (r, { found }) => (r.setHot && !found.includes('airSide') ? heaterLikelihoods(r) : {}),
  begins: ({ heat: { ambientC } }) => (ambientC === null ? {} : { ambientC }),
  refuse: (r) =>
    r.coolantC - r.ambientC >= LEAST_SPAN_C
      ? []
      : [
          {
            field: 'coolantC',
            message: `Coolant and outside air are within ${sayDeltaC(LEAST_SPAN_C, 0)}: warm the engine, or nothing can be told`
          }
        ],
  unlikely: (r) => [
    ...(r.ventC > r.coolantC + 2
      ? [`${sayC(r.ventC)} at the vent is hotter than the coolant at ${sayC(r.coolantC)}`]
      : []),
    ...(r.hoseInC !== null && r.hoseOutC !== null && r.hoseOutC > r.hoseInC + 3
      ? ['The hose back is hotter than the hose in: are they exchanged?']
      : [])
  ],
  judge(r) {
    const due = DUE_SHARE[r.blower];
    const got = shareOf(r.ventC, r);
    const into = r.hoseInC === null ? null : shareOf(r.hoseInC, r);
    const back = r.hoseOutC === null ? null : shareOf(r.hoseOutC, r);
    const pct = (v: number) => `${(100 * v).toFixed(0)} %`;
    const numbers = [
      { name: 'Vent, of the way to the coolant', value: pct(got), limit: `at least ${pct(due)}` },
      ...(into === null
        ? []
        : [{ name: 'Heater hose, in', value: pct(into), limit: `at least ${pct(HOSE_HOT)}` }]),
      ...(back === null
        ? []
        : [{ name: 'Heater hose, back', value: pct(back), limit: `at least ${pct(COMES_BACK)}` }])
    ];
    if (!r.setHot)
      return outcome('unclear', 'Set it to full hot, the A/C off and air from outside, and measure again', {
        numbers
      });
    const air = `The vent gives ${sayC(r.ventC)} with the coolant at ${sayC(r.coolantC)}: ${pct(got)} of the way from the outside air, ${pct(due)} expected`;
    if (got >= due) return givesHeat(r, got, numbers);
    if (into !== null && into < HOSE_HOT)
      return outcome('fail', `${air}. The hose to it is cool: no flow there, by air, level or pump`, {
        numbers,
        found: ['noFlow']
      });
    if (got >= WEAK_PART * due)
      return outcome('unclear', `${air}: weaker than it should be, and not by enough to say`, { numbers });
    // A weak vent takes little heat: coolant that is cool all the same hardly flows through the core.
    const slow = into !== null && back !== null && (into - back) / into > LOSES[r.blower][0];
    if (back !== null && (back < COMES_BACK || slow))
      return outcome('fail', `${air}. It goes in hot and comes back cold: the core lets little through`, {
        numbers,
        found: ['core']
      });
    if (into !== null && back !== null)
      return outcome(
        'unclear',
        `${air}. Both hoses are hot: look for a door of the air box, its drive or its control`,
        {
          numbers,
          found: ['airSide']
        }
      );
    return outcome(
      'fail',
      `${air}. Both heater hoses by the same thermometer tell the core from missing flow`,
      {
        numbers,
        found: ['weak']
      }
    );
  },
  simulate(h) {
    const engine = h.hot(20);
    const probe = (place: 'vent' | 'front-air' | 'outlet' | 'heater-in' | 'heater-out') =>
      h.reads(engine, 'probe', place)!;
    return {
      setHot: true,
      blower: 'low',
      ventC: probe('vent'),
      ambientC: probe('front-air'),
      coolantC: probe('outlet'),
      hoseInC: probe('heater-in'),
      hoseOutC: probe('heater-out')
    } as const;
  },
  words: (r) =>
    `Vent ${sayC(r.ventC)}, coolant ${sayC(r.coolantC)}, outside ${sayC(r.ambientC)}, blower ${BLOWER[r.blower].toLowerCase()}${r.hoseInC === null ? '' : `, heater in ${sayC(r.hoseInC)}`}${r.hoseOutC === null ? '' : `, back ${sayC(r.hoseOutC)}`}`
});
