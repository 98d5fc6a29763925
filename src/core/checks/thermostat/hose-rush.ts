import { driveFromLegs } from '../../physics/plant/drive';
import { simulate } from '../../physics/plant/simulate';
import { READS_COLD, READS_HOT } from '../../vehicle/sensor-faults';
import { FAST_IDLE, type Hands } from '../hands';
import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { sayC } from '../../units/say';
import { defineCheck, outcome, unusual, type Judged } from '../check';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { share, strength } from '../strength';
import { openingLikelihoods, type Follows } from './opening';
import { coolantC, refuseHotter } from '../../measure/temperature';

const FELT = {
  rush: 'Cold, then suddenly hot',
  gradual: 'Warm along with the engine from the start',
  never: 'Stayed cool'
} as const;
type Felt = keyof typeof FELT;

const readings = () =>
  z.object({
    felt: defineField(z.enum(Object.keys(FELT) as [Felt, ...Felt[]], 'Say how the hose warmed'), {
      label: 'The hose behind the thermostat',
      choices: FELT
    }),
    /** Coolant when it rushed hot, or the hottest it had become when the hose was last felt. */
    coolantC: defineField(coolantC, {
      label: 'Coolant as it rushed hot, or now',
      quantity: 'temperature'
    }),
    by: defineField(z.enum(['hand', 'probe'], 'Say how it was felt'), {
      label: 'Felt',
      choices: { hand: 'By hand', probe: 'By a probe' }
    }),
    /** What the coolant was read by: a sensor that is off moves every temperature here with it. */
    coolantBy: defineField(z.enum(['scan', 'probe']), {
      label: 'The coolant was read',
      choices: { scan: 'By scan', probe: 'By a probe at the engine outlet' }
    })
      .nullable()
      .default(null)
  });
export type HoseRushReadings = z.infer<ReturnType<typeof readings>>;

/** How far from start-to-open a rush may come and still be the thermostat's: lag of wax and hose. Ours, in °C. */
const EARLY_C = 8;
const LATE_C = 8;

/** A hose rushes hot a little after the thermostat opens, and a hand feels it a little later still. */
const RUSHES: Readonly<Record<HoseRushReadings['by'], Follows>> = {
  probe: [{ share: 1, meanC: 1.5, sdC: 3 }],
  hand: [{ share: 1, meanC: 2.5, sdC: 4 }]
};
/** One that opens early is taken for one that never shuts so much oftener than a sound one, natural logarithm. */
const ALONG = { probe: Math.log(4), hand: Math.log(3) } as const;

/** What the temperature of the rush says of the opening, where it is known which hose was felt. */
function rushLikelihoods({ felt, by, coolantC: at }: HoseRushReadings, sheet: SpecSheet | null) {
  if (sheet?.thermostat?.side == null || felt === 'never') return {};
  return felt === 'rush' ? openingLikelihoods(at, sheet, RUSHES[by]) : { 'thermostat-low-rating': ALONG[by] };
}

/** The hose behind the thermostat: the quick test of whether it opens, and when. */
export const hoseRush = defineCheck({
  title: 'Hose rush',
  phases: ['W'],
  minutes: 8,
  decides: 'Cold and then suddenly hot: the thermostat works. Warm all along: open. Never: closed.',
  tools: ['Hand or probe'],
  cautions: ['hot-parts', 'belts', 'indoor-running'],
  gate: 'none',
  results: {
    sound: {
      against: [
        'thermostat-stuck-open',
        'thermostat-stuck-closed',
        'thermostat-low-rating',
        'thermostat-sluggish'
      ]
    },
    along: {
      seen: 'the hose warms along from the start',
      for: ['thermostat-stuck-open'],
      against: ['thermostat-stuck-closed']
    },
    early: {
      seen: 'it rushes hot too early',
      for: ['thermostat-low-rating', 'sheet-wrong'],
      against: ['thermostat-stuck-closed']
    },
    cool: {
      seen: 'it stays cool',
      for: ['thermostat-stuck-closed', 'pump-flow-low', 'coolant-pump-electric-dead'],
      against: ['thermostat-stuck-open']
    },
    late: {
      seen: 'it rushes hot late',
      for: ['thermostat-sluggish', 'sheet-wrong'],
      against: ['thermostat-stuck-open']
    },
    // By scan it is early or late by what the control unit believes: the sensor is a suspect as well.
    earlyByScan: {
      for: ['thermostat-low-rating', 'sensor-branch-restricted', 'sheet-wrong', ...READS_COLD],
      against: ['thermostat-stuck-closed'],
      strength: share(0.85, 0.02, 0.1, 'A thermostat, or a sensor that reads cold'),
      leansOn: 'scan'
    },
    lateByScan: {
      for: ['thermostat-sluggish', 'sheet-wrong', ...READS_HOT],
      against: ['thermostat-stuck-open'],
      strength: share(0.35, 0.03, 0.55, 'A thermostat, or a sensor that reads hot'),
      leansOn: 'scan'
    },
    coolByScan: {
      for: ['thermostat-stuck-closed', 'pump-flow-low', ...READS_HOT],
      against: ['thermostat-stuck-open'],
      strength: share(0.7, 0.02, 0.24, 'Shut, or not as hot as the scan says'),
      leansOn: 'scan'
    }
  },
  strength: strength(0.85, 0.05, 0.12, 'hand', 'Quick and free, and felt by a hand', {
    'thermostat-low-rating': share(0.88, 0.006, 0.1, 'A rush too early is nothing else'),
    'thermostat-stuck-closed': share(0.75, 0.006, 0.24, 'One that opens a little warms the hose as well'),
    'thermostat-sluggish': share(0.35, 0.008, 0.55, 'A late rush is not always late enough'),
    'pump-flow-low': share(0.05, 0.006, 0.9, 'Hardly ever so little that the hose stays cool')
  }),
  readings,
  likelihoods: (r, { sheet }) => rushLikelihoods(r, sheet),
  begins: () => ({ by: 'hand' as const, coolantBy: 'scan' as const }),
  refuse: (r, sheet) => [refuseHotter('coolantC', r.coolantC, sheet)].filter((p) => p !== undefined),
  facts: (r, at) => [{ kind: 'measured', at, coolantC: r.coolantC, ambientC: null }],
  judge(readings, { sheet }) {
    const judged = judgeRush(readings, sheet);
    const { startOpenC } = limitsOf(sheet);
    return startOpenC.origin === 'typical' && judged.asks === undefined
      ? unusual(judged, 'start-to-open', startOpenC.field)
      : judged;
  },
  simulate: simulateRush,
  words: ({ felt, coolantC: at, by, coolantBy }) =>
    `${FELT[felt]}, coolant ${sayC(at)}${coolantBy === null ? '' : ` by ${coolantBy}`}, felt by ${by}`
});

type Found = 'sound' | 'along' | 'early' | 'cool' | 'late' | 'earlyByScan' | 'lateByScan' | 'coolByScan';

function judgeRush(
  { felt, coolantC: at, by, coolantBy }: HoseRushReadings,
  sheet: SpecSheet | null
): Judged<Found> {
  const byProbe = coolantBy === 'probe';
  const limits = limitsOf(sheet);
  const start = limits.startOpenC.value;
  const full = limits.fullOpenC.value;
  const side = sheet?.thermostat?.side;
  const hose = side ? { inlet: 'Lower hose', outlet: 'Upper hose' }[side] : 'Hose behind it';
  const numbers = [
    { name: hose, value: FELT[felt] },
    {
      name: felt === 'rush' ? 'Coolant at the rush' : 'Coolant',
      value: sayC(at),
      limit: `start-to-open ${sayC(start)}`
    }
  ];
  const told = by === 'hand' ? '. Felt by hand, so it weighs less than a logged hose' : '';
  // On an engine whose thermostat sits at the inlet another hose is the one behind it.
  if (side == null)
    return outcome(
      'unclear',
      'The sheet does not say at which side of the engine the thermostat sits, so it is not known which hose is behind it',
      { numbers, asks: ['thermostat.side'] }
    );
  switch (felt) {
    case 'rush':
      if (at < start - EARLY_C)
        return outcome('fail', `Rushed hot at ${sayC(at)}, below start-to-open at ${sayC(start)}${told}`, {
          numbers,
          found: [byProbe ? 'early' : 'earlyByScan']
        });
      if (at > start + LATE_C)
        return outcome('unclear', `Rushed hot only at ${sayC(at)}; start-to-open is ${sayC(start)}${told}`, {
          numbers,
          found: [byProbe ? 'late' : 'lateByScan']
        });
      return outcome('pass', `Rushed hot at ${sayC(at)}, as a thermostat of ${sayC(start)} should${told}`, {
        numbers,
        found: ['sound']
      });
    case 'gradual':
      return outcome(
        'fail',
        `Warmed along with the engine: something passes while it should be shut${told}`,
        {
          numbers,
          found: ['along']
        }
      );
    case 'never':
      return at >= full
        ? outcome(
            'fail',
            `Stayed cool with the coolant at ${sayC(at)}, above full-open at ${sayC(full)}${told}`,
            {
              numbers,
              found: [byProbe ? 'cool' : 'coolByScan']
            }
          )
        : outcome('unclear', `Still cool at ${sayC(at)}; it need not be hot before ${sayC(full)}${told}`, {
            numbers
          });
  }
}

/** Warmed at a fast idle, with a hand or a probe on the hose. */
function simulateRush(h: Hands): HoseRushReadings {
  const { startOpenC, fullOpenC } = h.plant;
  const drive = driveFromLegs(FAST_IDLE, h.ambientC, 1);
  const t = simulate({ ...h.plant, seed: h.seed }, drive, { startC: h.ambientC });
  const hose = h.plant.inletSide ? t.lowerHose : t.upperHose;
  const by = h.chance(0.7) ? 'hand' : 'probe';
  const reading = (felt: HoseRushReadings['felt'], i: number): HoseRushReadings => ({
    felt,
    coolantC: Math.round(Math.min(t.jacket[i], limitsOf(h.spec).stopC.value - 1) + h.noise(1)),
    by,
    coolantBy: 'probe'
  });
  // What is felt is when the hose warmed fastest, and how fast; a hand is not sure of either.
  const rise = (i: number) => hose[i] - hose[i - 60];
  const last = t.jacket.findIndex((v) => v > limitsOf(h.spec).stopC.value);
  const end = last > 120 ? last : hose.length;
  let fastest = 60;
  for (let i = 60; i < end; i++) if (rise(i) > rise(fastest)) fastest = i;
  const sudden = rise(fastest) + h.noise(by === 'hand' ? 2 : 0.5) > 7;
  if (sudden && t.jacket[fastest] > startOpenC - 30) return reading('rush', fastest - 20);
  const top = end - 1;
  const cool = (hose[top] - h.ambientC) / (t.jacket[top] - h.ambientC) < 0.6;
  return reading(cool && t.jacket[top] > fullOpenC - 12 ? 'never' : 'gradual', top);
}
