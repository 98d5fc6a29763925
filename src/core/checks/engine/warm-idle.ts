import { z } from 'zod';
import { scanC } from '../../measure/temperature';
import { defineField } from '../../units/field';
import { sayC, sayDeltaC } from '../../units/say';
import { limitsOf, notGiven, originWords, type Limit } from '../../vehicle/limits';
import { READS_COLD, READS_HOT, readsOff } from '../../vehicle/sensor-faults';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { openingLikelihoods, type Follows } from '../thermostat/opening';

const readings = () =>
  z.object({
    scanC: defineField(scanC, { label: 'Reading at warm idle', quantity: 'temperature' }),
    /** How far it went up and down in the two minutes, °C. */
    swingC: defineField(
      z
        .number()
        .min(0, 'A swing is 0\u202f°C or more')
        .max(150, 'A swing of more than 150\u202f°C is a jump: do the wiggle'),
      { label: 'Swung by, in two minutes', quantity: 'difference', hint: 'if it was watched' }
    ).nullable(),
    /** Since it was warm, min. */
    warmMin: defineField(z.number().min(0, 'A time is 0 min or more').max(600), {
      label: 'Has idled warm for',
      quantity: 'time',
      keptIn: 'min',
      watch: { start: 'Warm now', stop: 'Read now' }
    }),
    acOn: defineField(z.boolean(), { label: 'A/C on' })
  });
export type WarmIdleReadings = z.infer<ReturnType<typeof readings>>;

/** Beyond its norm by this much it is a finding: a reading is rounded to 1 °C, and no day is like another. Ours, °C. */
const OFF_C = 4;
/** It must have idled warm for so long before it stands for anything, min. */
const LEAST_MIN = 2;
/** A warm engine at idle swings with its thermostat and fan, and not by more, °C. */
const SWINGS_C = 14;

/** At warm idle an engine stands some degrees above where its thermostat opens, or where its fan or the day holds it. */
const REGULATES: Follows = [{ share: 0.5, meanC: 4, sdC: 3.5 }];
const HELD: Follows = [{ share: 0.5, meanC: 10, sdC: 4.5 }];

/** What this engine reads at warm idle: from the low end of what it regulates to where its fan holds it. */
export function normOf(sheet: Parameters<typeof limitsOf>[0]): { readonly low: Limit; readonly high: Limit } {
  const { regulatingLowC, regulatingHighC, fanOnC } = limitsOf(sheet);
  const held = fanOnC.origin === 'typical' ? regulatingHighC : fanOnC;
  return { low: regulatingLowC, high: held.value > regulatingHighC.value ? held : regulatingHighC };
}

/** Two minutes at warm idle: the reading against this engine's own norm. */
export const warmIdle = defineCheck({
  title: 'Warm idle',
  phases: ['R'],
  minutes: 2,
  decides: 'Whether the reading stands where this engine’s does at warm idle: below, above, or at a default.',
  tools: ['Scan tool'],
  cautions: ['indoor-running', 'belts', 'stop-limit'],
  gate: 'none',
  strength: strength(0.55, 0.02, 0.5, 'scan', 'One reading, at the least load there is', {
    'thermostat-stuck-open': share(0.6, 0.015, 0.45, 'At idle in warm air an open one holds its heat'),
    'thermostat-low-rating': share(0.75, 0.015, 0.3, 'It regulates where it opens'),
    'sheet-wrong': share(0.5, 0.02, 0.5, 'It regulates where it opens, and not where the sheet says'),
    'radiator-clogged': share(0.4, 0.02, 0.7, 'At idle half a core is enough, most days'),
    'pump-flow-low': share(0.3, 0.02, 0.75, 'At idle little flow is enough, most days'),
    'airflow-restricted': share(0.5, 0.02, 0.6, 'By how hot the day is'),
    'ect-open-circuit': share(0.97, 0.002, 0.02, 'Its default is no temperature'),
    'ect-short-circuit': share(0.97, 0.002, 0.02, 'Its default is no temperature'),
    'ect-intermittent': share(0.15, 0.01, 0.85, 'Seen only if it happens just then')
  }),
  results: {
    sound: {
      against: ['thermostat-low-rating', 'thermostat-stuck-open', 'ect-open-circuit', 'ect-short-circuit']
    },
    low: {
      seen: 'it stands below its norm',
      for: [
        'thermostat-low-rating',
        'thermostat-stuck-open',
        'sensor-branch-restricted',
        'sheet-wrong',
        ...READS_COLD
      ]
    },
    high: {
      seen: 'it stands above its norm',
      for: [
        ...READS_HOT,
        'sheet-wrong',
        'airflow-restricted',
        'radiator-clogged',
        'pump-flow-low',
        'fan-motor-dead',
        'clutch-slipping',
        'thermostat-stuck-closed',
        'thermostat-sluggish',
        'fan-setpoint-modified'
      ]
    },
    open: { seen: 'it stands at its cold default', for: ['ect-open-circuit', 'ect-wiring'] },
    short: { seen: 'it stands at its hot default', for: ['ect-short-circuit', 'ect-wiring'] },
    jumps: { for: ['ect-intermittent'] }
  },
  readings,
  likelihoods: (r, { sheet, found }) =>
    found.includes('sound') || found.includes('low')
      ? {
          'thermostat-low-rating':
            openingLikelihoods(r.scanC, sheet, REGULATES, HELD)['thermostat-low-rating'] ?? 0
        }
      : {},
  begins: ({ heat }) => ({
    ...(heat.running && heat.coolantC !== null ? { scanC: Math.round(heat.coolantC) } : {})
  }),
  judge(r, { sheet }) {
    const { low, high } = normOf(sheet);
    const numbers = [
      {
        name: 'At warm idle',
        value: sayC(r.scanC),
        limit: `${sayC(low.value)} to ${sayC(high.value)}, ${originWords(low)}`
      },
      { name: 'Idled warm for', value: `${r.warmMin} min`, limit: `at least ${LEAST_MIN} min` },
      ...(r.swingC === null
        ? []
        : [{ name: 'Swung by', value: sayDeltaC(r.swingC), limit: `up to ${sayDeltaC(SWINGS_C, 0)}` }])
    ];
    const reads = readsOff(r.scanC, 0, sheet);
    if (reads === 'open' || reads === 'short')
      return outcome(
        'fail',
        `Reads ${sayC(r.scanC)}, the default of ${reads === 'open' ? 'an open' : 'a shorted'} circuit`,
        {
          numbers,
          found: [reads]
        }
      );
    const jumps = r.swingC !== null && r.swingC > SWINGS_C ? (['jumps'] as const) : [];
    if (jumps.length > 0)
      return outcome(
        'fail',
        `Swings by ${sayDeltaC(r.swingC!)} in two minutes of idling: more than an engine does`,
        {
          numbers,
          found: jumps
        }
      );
    if (r.warmMin < LEAST_MIN)
      return outcome('unclear', `Idled warm for ${r.warmMin} min only: wait until it is ${LEAST_MIN}`, {
        numbers
      });
    const [below, above] = [low.value - r.scanC, r.scanC - high.value];
    const off = Math.max(below, above);
    if (off <= 0)
      return outcome('pass', `Stands at ${sayC(r.scanC)}, within its norm`, { numbers, found: ['sound'] });
    const says = `Stands at ${sayC(r.scanC)}, ${sayDeltaC(off)} ${below > 0 ? 'below' : 'above'} ${sayC(below > 0 ? low.value : high.value)}`;
    if (off <= OFF_C) return outcome('unclear', `${says}: near its norm, not in it`, { numbers });
    if (above > 0 && r.acOn)
      return outcome('unclear', `${says}, with the A/C on: switch it off and read again`, { numbers });
    const limit = below > 0 ? low : high;
    if (limit.origin === 'typical')
      return outcome(
        'unclear',
        `${says}, unusual for such an engine; the sheet’s regulating temperatures would decide`,
        { numbers, asks: notGiven(low, high) }
      );
    return outcome('fail', says, { numbers, found: [below > 0 ? 'low' : 'high'] });
  },
  simulate: (h) => ({ scanC: h.hot().scanC, swingC: null, warmMin: 6, acOn: false }),
  words: (r) =>
    `Stands at ${sayC(r.scanC)} after ${r.warmMin} min of warm idle${r.swingC === null ? '' : `, swings by ${sayDeltaC(r.swingC)}`}${r.acOn ? ', A/C on' : ''}`
});
