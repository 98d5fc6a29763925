import { z } from 'zod';
import { limitsOf } from '../../vehicle/limits';
import { defineField } from '../../units/field';
import { sayC } from '../../units/say';
import { coolantC, refuseHotter } from '../../measure/temperature';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { withoutThermalClutch } from '../vehicle-has';

const COLD = {
  fades: 'Roars, and falls quiet within two minutes',
  quiet: 'Quiet from the start',
  roars: 'Goes on roaring'
} as const;
const HOT = { roars: 'The roar sets in', quiet: 'Stays quiet' } as const;
const keys = <T extends object>(of: T) => Object.keys(of) as [keyof T & string, ...(keyof T & string)[]];

const readings = () =>
  z.object({
    cold: defineField(z.enum(keys(COLD)), {
      label: 'At the first start, revved to 2000 rpm',
      choices: COLD,
      bad: ['roars']
    })
      .nullable()
      .default(null),
    hot: defineField(z.enum(keys(HOT)), {
      label: 'Hot, held at 2000 rpm',
      choices: HOT,
      bad: ['quiet']
    })
      .nullable()
      .default(null),
    coolantC: defineField(coolantC, { label: 'Coolant then', quantity: 'temperature' }).nullable()
  });

/** So far above full open the air behind the radiator has called for any clutch. Ours, in °C. */
const SURELY_HOT_C = 5;

/** The roar of a fan that is carried along: its fluid drains from the coupling after a start, and comes back when hot. */
export const clutchListen = defineCheck({
  title: 'Clutch by ear',
  phases: ['W', 'R'],
  minutes: 4,
  decides: 'Roars on after a start: seized. Never roars however hot: slipping or late.',
  tools: ['Clock'],
  cautions: ['belts', 'indoor-running'],
  gate: 'none',
  lacks: withoutThermalClutch,
  strength: strength(0.7, 0.03, 0.15, 'hand', 'Ears, beside an engine that makes its own noise', {
    'clutch-seized': share(0.85, 0.02, 0.1, 'A fan that never falls quiet is heard by anyone'),
    'clutch-engages-late': share(0.5, 0.03, 0.2, 'Late is heard only where somebody waits for it')
  }),
  results: {
    frees: { against: ['clutch-seized'] },
    engages: { against: ['clutch-slipping', 'clutch-engages-late'] },
    roarsOn: { seen: 'it goes on roaring', for: ['clutch-seized'], against: ['clutch-slipping'] },
    silent: { seen: 'it stays quiet however hot', for: ['clutch-slipping', 'clutch-engages-late'] }
  },
  readings,
  refuse: (r, sheet) => [refuseHotter('coolantC', r.coolantC, sheet)].filter((p) => p !== undefined),
  judge({ cold, hot, coolantC: at }, { sheet }) {
    const numbers = [
      ...(cold ? [{ name: 'After the start', value: COLD[cold].toLowerCase() }] : []),
      ...(hot ? [{ name: `Hot${at === null ? '' : `, at ${sayC(at)}`}`, value: HOT[hot].toLowerCase() }] : [])
    ];
    if (!cold && !hot) return outcome('unclear', 'Nothing was listened to', { numbers });
    const full = limitsOf(sheet).fullOpenC.value;
    const calls = at !== null && at >= full + SURELY_HOT_C;
    const heard = [
      ...(cold === 'fades' ? (['frees'] as const) : []),
      ...(hot === 'roars' ? (['engages'] as const) : [])
    ];
    if (cold === 'roars')
      return outcome('fail', 'It goes on roaring after the start: the fan never lets go', {
        numbers,
        found: ['roarsOn']
      });
    if (hot === 'quiet' && calls)
      return outcome('fail', `It stays quiet at ${sayC(at)}: the fan is hardly carried along`, {
        numbers,
        found: ['silent', ...heard]
      });
    if (hot === 'quiet')
      return outcome(
        'unclear',
        `It stays quiet; a clutch need not take hold before ${sayC(full + SURELY_HOT_C)}`,
        { numbers, found: heard }
      );
    return heard.length > 0
      ? outcome(
          'pass',
          hot === 'roars' ? 'The roar sets in when it is hot' : 'It falls quiet after the start',
          {
            numbers,
            found: heard
          }
        )
      : outcome('unclear', 'Quiet from the start: it had not stood for long, or holds no fluid', { numbers });
  },
  simulate(h) {
    if (h.plant.clutch.kind !== 'thermal') return null;
    const engine = h.hot(25);
    const grips = h.plant.clutchGrip > 0.6 && engine.fanShare > 0.5;
    return {
      cold: h.plant.clutchLocked ? 'roars' : h.plant.clutchGrip < 0.4 ? 'quiet' : 'fades',
      hot: h.plant.clutchLocked || grips ? 'roars' : 'quiet',
      coolantC: Math.round(engine.truth().outletC)
    } as const;
  },
  words: (r) =>
    [r.cold && `cold: ${COLD[r.cold].toLowerCase()}`, r.hot && `hot: ${HOT[r.hot].toLowerCase()}`]
      .filter(Boolean)
      .join('; ') || 'Not listened to'
});
