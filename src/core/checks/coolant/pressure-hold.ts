import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { say } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';

const readings = () =>
  z.object({
    points: defineField(
      z
        .array(
          z.object({
            kPa: defineField(
              z
                .number()
                .min(0, 'A pressure is 0\u00a0kPa or more')
                .max(400, 'More than 400\u00a0kPa bursts a radiator'),
              { label: 'Pressure', quantity: 'pressure', bench: { part: 'pressure', everyMin: 3 } }
            ),
            min: defineField(z.number().min(0, 'A time is 0 min or more').max(240), {
              label: 'After',
              quantity: 'time',
              keptIn: 'min',
              hint: 'blank: now',
              stamped: true
            })
          })
        )
        .min(2, 'Read the pressure twice at least')
        .max(40),
      { label: 'Pressures', add: 'Add the pressure' }
    ),
    seen: defineField(z.enum(['none', 'outside', 'inside'], 'Say whether coolant came out somewhere'), {
      label: 'Coolant seen',
      choices: { none: 'Nowhere', outside: 'Outside', inside: 'Cabin or oil' },
      bad: ['outside', 'inside']
    }).nullable(),
    engineRan: defineField(z.boolean(), { label: 'The engine ran during it' })
  });
export type PressureHoldReadings = z.infer<ReturnType<typeof readings>>;

/** Kept shut and cold, a sound system loses less than this in ten minutes, kPa. */
export const LOSS_LIMIT_KPA = 8;
const LEAST_MIN = 5;
const RISES_KPA = 5;
/** Combustion lifts the pressure with its first strokes; warmth needs minutes. */
const PULSES_KPA = 5;

/** How far the pressure rose in the first minute; null where it was not read in it. */
function firstMinute(points: PressureHoldReadings['points']): number | null {
  const [first, ...rest] = points;
  const early = rest.filter((p) => p.min - first.min <= 1);
  return early.length === 0 ? null : Math.max(...early.map((p) => p.kPa)) - first.kPa;
}

/** Pressure against time in straight lines: kPa lost in ten minutes, by least squares. Negative where it rises. */
export function lossIn10Min(points: PressureHoldReadings['points']): number {
  const mt = points.reduce((s, p) => s + p.min, 0) / points.length;
  const mp = points.reduce((s, p) => s + p.kPa, 0) / points.length;
  const spread = points.reduce((s, p) => s + (p.min - mt) ** 2, 0);
  return spread > 0 ? (-10 * points.reduce((s, p) => s + (p.min - mt) * (p.kPa - mp), 0)) / spread : 0;
}

/** The cold system pumped to its cap's pressure and watched. */
export const pressureHold = defineCheck({
  title: 'Pressure hold',
  phases: ['C'],
  minutes: 12,
  decides: 'How fast the system loses pressure, and whether it gains some by itself.',
  tools: ['Pressure tester'],
  cautions: ['hot-cap', 'test-pressure'],
  gate: 'cap-cool',
  results: {
    sound: { against: ['coolant-low', 'combustion-leak'] },
    holdsStopped: { against: ['coolant-low'] },
    falls: { seen: 'the pressure falls', for: ['coolant-low'] },
    // What is lost and not seen outside goes somewhere: into the engine, or the cabin.
    unseen: { for: ['combustion-leak'] },
    rises: { seen: 'the pressure rises while it runs', for: ['combustion-leak'] }
  },
  strength: strength(0.96, 0.005, 0.03, 'itself', 'Kept shut and watched', {
    'combustion-leak': share(0.95, 0.006, 0.05, 'Warmth makes pressure as well')
  }),
  readings,
  refuse(r, sheet) {
    const cap = sheet?.cap?.kPa;
    const most = Math.max(...r.points.map((p) => p.kPa));
    const early = r.points.findIndex((p, i) => i > 0 && p.min <= r.points[i - 1].min);
    return [
      ...(cap && most > cap * 1.25 + 10
        ? [
            {
              field: 'points.0.kPa',
              message: `${say(most, 'pressure')} is far above the cap’s ${say(cap, 'pressure')}: do not pump higher than the cap`
            }
          ]
        : []),
      ...(early > 0
        ? [{ field: `points.${early}.min`, message: `Row ${early + 1} is not later than the row before` }]
        : [])
    ];
  },
  judge(r, { thermal }) {
    const loss = lossIn10Min(r.points);
    const span = r.points[r.points.length - 1].min - r.points[0].min;
    const numbers = [
      {
        name: 'Lost in ten minutes',
        value: say(Math.max(0, loss), 'pressure'),
        limit: `at most ${say(LOSS_LIMIT_KPA, 'pressure')}`
      },
      { name: 'Watched for', value: `${span.toFixed(0)} min from ${say(r.points[0].kPa, 'pressure')}` }
    ];
    const risen = firstMinute(r.points);
    if (r.engineRan && risen !== null && risen > PULSES_KPA)
      return outcome(
        'fail',
        `The pressure rises by ${say(risen, 'pressure')} in the first minute of running, before anything is warm: gas comes into the coolant. Refer on`,
        { numbers, found: ['rises'] }
      );
    if (-loss > RISES_KPA && r.engineRan)
      return outcome(
        'unclear',
        `The pressure rises by ${say(-loss, 'pressure')} in ten minutes: an engine that warms lifts it by itself. Begin cold, and read it after half a minute of running`,
        { numbers }
      );
    if (-loss > RISES_KPA)
      return thermal.soaked === true
        ? outcome(
            'fail',
            `The pressure rises by itself on a cold engine that stands, ${say(-loss, 'pressure')} in ten minutes: gas comes into the coolant. Refer on`,
            { numbers, found: ['rises'] }
          )
        : outcome(
            'unclear',
            `The pressure rises by itself, ${say(-loss, 'pressure')} in ten minutes; let the engine cool and watch again`,
            { numbers }
          );
    if (loss > LOSS_LIMIT_KPA)
      return outcome(
        'fail',
        `Loses ${say(loss, 'pressure')} in ten minutes${r.seen === 'outside' ? ', and coolant is seen' : r.seen === 'inside' ? ', into the engine or the cabin' : ', and nothing is seen outside'}`,
        {
          numbers,
          found: ['falls', ...(r.seen === 'outside' ? [] : (['unseen'] as const))]
        }
      );
    if (span < LEAST_MIN)
      return outcome('unclear', `Holds for ${span.toFixed(0)} min; watch ${LEAST_MIN} at least`, { numbers });
    return outcome('pass', `Holds its pressure, ${say(Math.max(0, loss), 'pressure')} in ten minutes`, {
      numbers,
      found: [r.engineRan ? 'sound' : 'holdsStopped']
    });
  },
  simulate(h) {
    // Pumped up well below the cap, so that a rise shows as well.
    const below = 0.35 * limitsOf(h.spec).capKPa.value;
    return {
      points: [0, 1, 5, 10, 15].map((min) => ({
        min,
        kPa: Math.max(0, Math.round(h.part('pressure', min)! - below))
      })),
      seen: h.fault === 'coolant-low' ? (h.chance(0.6) ? 'outside' : null) : 'none',
      engineRan: true
    } as const;
  },
  words: (r) => r.points.map((p) => `${say(p.kPa, 'pressure')} at ${p.min} min`).join(', ')
});
