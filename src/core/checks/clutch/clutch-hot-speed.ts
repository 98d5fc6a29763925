import { FAST_IDLE } from '../hands';
import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import {
  clutchLimits,
  goneOver,
  readPairs,
  SETTLING_MIN,
  type ClutchLimits,
  type ClutchState,
  type ReadPair
} from '../../physics/clutch/speed';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { say, sayC } from '../../units/say';
import { defineCheck, outcome, unusual, type Judged } from '../check';
import { share, strength } from '../strength';
import { hotAirC } from '../../measure/temperature';
import { withoutClutch } from '../vehicle-has';

const pair = z.object({
  engineRpm: defineField(
    z
      .number()
      .min(300, 'The engine turns at 300 rpm or more')
      .max(9000, 'No engine here turns above 9000 rpm'),
    { label: 'Engine', quantity: 'rotation', bench: { instrument: 'tachometer', place: 'engine' } }
  ),
  fanRpm: defineField(z.number().min(0, 'A speed is 0 rpm or more').max(9000), {
    label: 'Fan',
    quantity: 'rotation',
    hint: 'one mark on the fan',
    bench: { instrument: 'tachometer', place: 'fan' }
  }),
  airC: defineField(hotAirC, {
    label: 'Air before the fan',
    quantity: 'temperature',
    hint: 'if measured',
    bench: { instrument: 'probe', place: 'fan-air' }
  }).nullable(),
  sinceStartMin: defineField(z.number().min(0).max(600), {
    label: 'Since cold start',
    quantity: 'time',
    keptIn: 'min',
    hint: 'if just started'
  }).nullable()
});
const readings = () =>
  z.object({
    pairs: defineField(z.array(pair).min(1, 'Take one pair of speeds at least').max(40), {
      label: 'Pairs of speeds',
      add: 'Add the pair'
    }),
    pulley: defineField(
      z.number().min(0.4, 'A pulley ratio is 0.4 to 2.5').max(2.5, 'A pulley ratio is 0.4 to 2.5'),
      { label: 'Pulley ratio', quantity: 'number', hint: 'fan over crank' }
    ).default(1),
    /** Coolant as the scan shows it, where the air was not measured. */
    coolantC: defineField(z.number().min(-40).max(215), {
      label: 'Coolant',
      quantity: 'temperature',
      hint: 'if air is unknown'
    }).nullable()
  });
export type ClutchHotSpeedReadings = z.infer<ReturnType<typeof readings>>;

/** Off the sheet's engagement temperature by more than this, and it is late. The bimetal and the probe both vary. */
const LATE_C = 9;
/** Clear of a switching temperature by this much, the clutch must have gone over. */
const CLEAR_C = 3;
const SEEN: Readonly<Record<ClutchState, string>> = {
  disengaged: 'free',
  slipping: 'slipping',
  engaged: 'engaged',
  limited: 'engaged, at its limit',
  'cut-out': 'cut out by speed',
  starting: 'settling after the start'
};

/** Pairs of engine and fan speed against the region the clutch should run in. */
export const clutchHotSpeed = defineCheck({
  title: 'Clutch speed, hot',
  phases: ['R', 'H'],
  minutes: 10,
  decides:
    'Slip against the sheet: free, engaged, at its limit, cut out; and at which air temperature it goes over.',
  tools: ['Optical tachometer', 'Card for the radiator'],
  cautions: ['indoor-running', 'belts', 'fan-blades', 'covered-radiator'],
  gate: 'none',
  results: {
    sound: { against: ['clutch-slipping', 'clutch-engages-late', 'clutch-seized'] },
    lame: {
      seen: 'it stays free when hot',
      for: ['clutch-slipping', 'clutch-engages-late'],
      against: ['clutch-seized']
    },
    locked: { seen: 'it drives with cool air', for: ['clutch-seized'], against: ['clutch-slipping'] },
    late: { for: ['clutch-engages-late'], against: ['clutch-seized'] },
    slips: { for: ['clutch-slipping'], against: ['clutch-seized'] },
    free: { against: ['clutch-seized'] },
    freeInPlay: {
      for: ['clutch-slipping', 'clutch-engages-late'],
      against: ['clutch-seized'],
      strength: share(0.6, 0.15, 0.3, 'Others go over some degrees late as well')
    },
    // A fixed clutch knows no air: it cannot be late.
    inProportion: { against: ['clutch-slipping', 'clutch-seized'] }
  },
  strength: strength(0.85, 0.006, 0.05, 'tachometer', 'Speeds are sure, the air before it less so', {
    'clutch-engages-late': share(0.7, 0.006, 0.1, 'The air may not get hot enough to show it'),
    'clutch-seized': share(0.9, 0.004, 0.08, 'It drives with cool air')
  }),
  lacks: (sheet) =>
    withoutClutch(sheet) ??
    (sheet.clutch?.kind === 'electronic' ? 'its clutch follows a command, not the air' : null),
  readings,
  begins: () => ({ pulley: 1 }),
  refuse: (r) =>
    r.pairs.flatMap(({ engineRpm, fanRpm }, i) =>
      fanRpm > engineRpm * r.pulley * 1.03
        ? [
            {
              field: `pairs.${i}.fanRpm`,
              message: `${say(fanRpm, 'rotation')} is faster than the pulley that drives it (${say(engineRpm * r.pulley, 'rotation')}); one mark too many on the fan, or the pulley’s ratio`
            }
          ]
        : []
    ),
  judge(r, { sheet }) {
    const limits = clutchLimits(sheet);
    const read = readPairs(r.pairs, limits, r.pulley);
    const numbers = read.map((p) => ({
      name: `${say(p.engineRpm, 'rotation')} engine${p.airC === null ? '' : `, air ${sayC(p.airC)}`}`,
      value: `${say(p.fanRpm, 'rotation')}, slip ${(100 * p.slip).toFixed(0)} %: ${SEEN[p.state]}`
    }));
    const judged =
      sheet?.clutch?.kind === 'fixed'
        ? fixedClutch(read, sheet)
        : thermalClutch(read, limits, r.coolantC, sheet);
    const whole = { ...judged, numbers: [...judged.numbers, ...numbers] };
    const own = sheet?.clutch?.kind === 'fixed' || limits.own;
    return own ? whole : unusual(whole, 'engagement temperature', limitsOf(sheet).engageAirC.field);
  },
  simulate(h) {
    const engine = h.hot();
    engine.hold(FAST_IDLE[0]);
    const { engageAirC } = clutchLimits(h.spec);
    const limitC = limitsOf(h.spec).stopC.value - 3;
    // Once as it idles; then with card before the radiator, until the clutch must have gone over or the coolant forbids.
    const pairs = [31, 35, 39, 43, 47, 51, 55].flatMap((minutes) => {
      if (minutes === 35) engine.cover(0.75);
      while (engine.now < 60 * minutes && engine.truth().outletC < limitC) engine.advanceTo(engine.now + 5);
      const { clutchAirC, outletC } = engine.truth();
      if (outletC > limitC + 3 || (minutes > 35 && clutchAirC < engageAirC && outletC < limitC)) return [];
      const engineRpm = h.reads(engine, 'tachometer', 'engine')!;
      return [
        {
          engineRpm,
          fanRpm: Math.min(engineRpm, h.reads(engine, 'tachometer', 'fan')!),
          airC: Math.round(Math.min(125, clutchAirC + h.noise(1.5))),
          sinceStartMin: minutes
        }
      ];
    });
    return pairs.length === 0 ? null : { pairs, pulley: 1, coolantC: Math.min(118, engine.scanC) };
  },
  words: (r) =>
    r.pairs
      .map((p) => `${p.engineRpm}/${p.fanRpm} rpm${p.airC === null ? '' : ` at ${sayC(p.airC)}`}`)
      .join(', ')
});

type Found = 'sound' | 'lame' | 'locked' | 'late' | 'slips' | 'free' | 'freeInPlay' | 'inProportion';

const drives = (p: ReadPair) => p.state === 'engaged' || p.state === 'limited';
const counts = (p: ReadPair) => p.state !== 'starting' && p.state !== 'cut-out';

function thermalClutch(
  read: readonly ReadPair[],
  limits: ClutchLimits,
  coolantC: number | null,
  sheet: SpecSheet | null
): Judged<Found> {
  const counting = read.filter(counts);
  if (counting.length === 0)
    return outcome(
      'unclear',
      `All within ${SETTLING_MIN} min of the start, or above its cut-out: it drives by its settled oil then. Measure again later`
    );
  const hotCoolant = coolantC !== null && coolantC >= limitsOf(sheet).fullOpenC.value;
  const hot = counting.filter((p) => (p.airC === null ? hotCoolant : p.airC >= limits.engageAirC + CLEAR_C));
  const cool = counting.filter((p) => p.airC !== null && p.airC <= limits.releaseAirC - CLEAR_C);
  const { engaged, released } = goneOver(read);
  const numbers = engaged
    ? [
        {
          name: 'Engaged between',
          value: `${sayC(engaged.fromC)} and ${sayC(engaged.toC)}`,
          limit: `sheet: ${sayC(limits.engageAirC)}`
        }
      ]
    : [];
  if (released)
    numbers.push({
      name: 'Let go between',
      value: `${sayC(released.toC)} and ${sayC(released.fromC)}`,
      limit: `sheet: ${sayC(limits.releaseAirC)}`
    });
  const byAir = hot.some((p) => p.airC !== null);
  const doubts =
    hot.length > 0 && !byAir ? ['By the coolant it should be engaged; the air was not measured'] : [];
  if (cool.some(drives))
    return outcome(
      'fail',
      `Engaged with air of ${sayC(cool.find(drives)!.airC!)}, where it should have let go at ${sayC(limits.releaseAirC)}: locked`,
      { numbers, doubts, found: ['locked'] }
    );
  if (engaged && engaged.fromC > limits.engageAirC + LATE_C)
    return outcome(
      'fail',
      `Engages above ${sayC(engaged.fromC)} of air only, ${sayC(limits.engageAirC)} by the sheet: late`,
      { numbers, doubts, found: ['late'] }
    );
  // A bimetal may be late by so much before it is a finding: free below that is within its play.
  const lame = counting.filter(
    (p) => !drives(p) && (p.airC === null ? hotCoolant : p.airC >= limits.engageAirC + LATE_C)
  );
  const driving = hot.filter(drives);
  if (driving.length > 0 && lame.length === 0)
    return outcome(
      'pass',
      `Engaged when hot: ${(100 * (1 - driving[0].slip)).toFixed(0)} % of its pulley’s speed`,
      {
        numbers,
        doubts,
        found: ['sound']
      }
    );
  if (lame.length > 0)
    return outcome(
      'fail',
      `${lame[0].state === 'slipping' ? 'Slips' : 'Free'} when hot: fan ${say(lame[0].fanRpm, 'rotation')} of ${say(lame[0].engineRpm, 'rotation')}${lame[0].airC === null ? '' : ` with air of ${sayC(lame[0].airC)}`}, where it should drive from ${sayC(limits.engageAirC)}`,
      {
        numbers,
        doubts,
        found: ['lame']
      }
    );
  if (hot.length > 0)
    return outcome(
      'unclear',
      `Free at ${sayC(Math.max(...hot.map((p) => p.airC ?? limits.engageAirC)))} of air, within its play of ${sayC(limits.engageAirC)}: let the air get to ${sayC(limits.engageAirC + LATE_C)}`,
      { numbers, doubts, found: ['freeInPlay'] }
    );
  const hotter = `let the air behind the radiator reach ${sayC(limits.engageAirC + CLEAR_C)}, with part of its face covered where the day is too cool`;
  return outcome(
    'unclear',
    cool.length > 0
      ? `Free with air of ${sayC(cool[0].airC!)}, as it should be; whether it takes hold shows when it is hot: ${hotter}`
      : `Nothing was measured where it must be engaged or free: ${hotter}`,
    { numbers, doubts, found: counting.every((p) => !drives(p)) ? ['free'] : [] }
  );
}

function fixedClutch(read: readonly ReadPair[], sheet: SpecSheet): Judged<Found> {
  const { ratioLow, ratioHigh } = limitsOf(sheet);
  const [low, high] = [ratioLow.value, ratioHigh.value];
  const counting = read.filter(counts);
  if (counting.length === 0)
    return outcome('unclear', 'All within minutes of the start: measure again later');
  const ratio = counting.reduce((sum, p) => sum + p.ratio, 0) / counting.length;
  const numbers = [
    { name: 'Fan over pulley', value: ratio.toFixed(2), limit: `${low.toFixed(2)} to ${high.toFixed(2)}` }
  ];
  if (ratio < low - 0.03)
    return outcome(
      'fail',
      `Turns at ${ratio.toFixed(2)} of its pulley, at least ${low.toFixed(2)} by the sheet: slips`,
      {
        numbers,
        found: ['slips']
      }
    );
  if (ratio > high + 0.05)
    return outcome(
      'fail',
      `Turns at ${ratio.toFixed(2)} of its pulley, at most ${high.toFixed(2)} by the sheet: locked`,
      {
        numbers,
        found: ['locked']
      }
    );
  return outcome('pass', `Turns at ${ratio.toFixed(2)} of its pulley, as it should`, {
    numbers,
    found: ['inProportion']
  });
}
