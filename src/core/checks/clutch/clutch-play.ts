import { limitsOf, originWords } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { say } from '../../units/say';
import { defineCheck, outcome, unusual, type Judged } from '../check';
import { strength } from '../strength';
import { withoutClutch } from '../vehicle-has';

const MOVERS = {
  nothing: 'Nothing moves',
  clutch: 'Fan and clutch move, the pump shaft stands still',
  pump: 'The pump shaft and pulley move with the fan',
  blade: 'Only the blade bends'
} as const;
type Mover = keyof typeof MOVERS;

const readings = () =>
  z.object({
    /** Movement at the blade tip, to and fro in all. */
    tipMm: defineField(
      z
        .number('Measure the movement at the blade tip')
        .min(0, 'A movement is 0 mm or more')
        .max(200, 'More than 200 mm at the tip: the fan would be off'),
      { label: 'Movement at the blade tip', quantity: 'length', hint: 'to and fro in all' }
    ),
    moves: defineField(z.enum(Object.keys(MOVERS) as [Mover, ...Mover[]], 'Say which part moves'), {
      label: 'What moves',
      choices: MOVERS
    }),
    feels: defineField(z.enum(['smooth', 'rough'], 'Say how it feels turned slowly'), {
      label: 'Turned slowly by hand',
      choices: { smooth: 'Smooth', rough: 'Rough' },
      bad: ['rough']
    })
  });
export type ClutchPlayReadings = z.infer<ReturnType<typeof readings>>;

/** Play at the blade tip, and above all which part it comes from. */
export const clutchPlay = defineCheck({
  title: 'Clutch play',
  phases: ['C'],
  minutes: 3,
  decides: 'Whether there is play, and whether it is of the clutch bearing or of the water pump.',
  tools: ['Steel rule', 'Lamp'],
  cautions: ['fan-stopped', 'fan-blades'],
  gate: 'stopped',
  results: {
    sound: { against: ['clutch-bearing', 'water-pump-bearing'] },
    ofPump: { for: ['water-pump-bearing'], against: ['clutch-bearing'] },
    ofClutch: { for: ['clutch-bearing'], against: ['water-pump-bearing'] },
    rough: { for: ['clutch-bearing'] }
  },
  strength: strength(0.95, 0.004, 0.04, 'hand', 'Play is felt and measured'),
  lacks: withoutClutch,
  readings,
  unlikely: (r) => [
    ...(r.tipMm > 40
      ? [`${say(r.tipMm, 'length')} at the blade tip is far more than a bearing in one piece allows`]
      : []),
    ...(r.moves === 'nothing' && r.tipMm > 2
      ? [`${say(r.tipMm, 'length')} at the tip, and yet nothing moves`]
      : [])
  ],
  judge(r, { sheet }) {
    const { tipPlayMaxMm } = limitsOf(sheet);
    const limit = tipPlayMaxMm.value;
    const against = `${say(limit, 'length')}, ${originWords(tipPlayMaxMm)}`;
    const numbers = [
      { name: 'At the blade tip', value: say(r.tipMm, 'length'), limit: `up to ${say(limit, 'length')}` },
      { name: 'What moves', value: MOVERS[r.moves] },
      { name: 'Turned slowly', value: r.feels }
    ];
    const found = `${say(r.tipMm, 'length')} at the blade tip; the limit is ${against}`;
    if (r.moves === 'pump')
      return outcome(
        'fail',
        `The pump shaft moves with the fan: ${found}. The pump is at fault, not the clutch`,
        {
          numbers,
          found: ['ofPump']
        }
      );
    if (r.moves === 'blade')
      return outcome('unclear', `Only the blade bends. Measure again with the hand at the hub: ${found}`, {
        numbers
      });
    const loose = r.tipMm > limit && r.feels !== 'rough';
    if (loose && r.moves === 'nothing')
      return outcome('unclear', `${found}. See which part moves: that tells clutch from pump`, { numbers });
    const held = <T extends Judged<'ofClutch' | 'rough'>>(judged: T) =>
      loose && tipPlayMaxMm.origin === 'typical'
        ? unusual(judged, 'play at the blade tip', tipPlayMaxMm.field)
        : judged;
    if (r.tipMm > limit || r.feels === 'rough')
      return held(
        outcome(
          'fail',
          r.feels === 'rough' ? `Turns roughly by hand. ${found}` : `${found}; the pump shaft stands still`,
          {
            numbers,
            found: [r.moves === 'clutch' ? 'ofClutch' : 'rough']
          }
        )
      );
    return outcome('pass', found, { numbers, found: ['sound'] });
  },
  simulate(h) {
    const worn = h.fault === 'clutch-bearing' || h.fault === 'water-pump-bearing';
    const playMm = worn ? limitsOf(h.spec).tipPlayMaxMm.value * (0.7 + 1.5 * h.severity) : 0.8;
    const tipMm = Math.max(0, Math.round(10 * (playMm + h.noise(0.5))) / 10);
    const moves = !worn || tipMm < 1 ? 'nothing' : h.fault === 'clutch-bearing' ? 'clutch' : 'pump';
    return { tipMm, moves, feels: worn && h.chance(0.6) ? 'rough' : 'smooth' } as const;
  },
  words: (r) => `${say(r.tipMm, 'length')} at the blade tip, ${MOVERS[r.moves].toLowerCase()}, ${r.feels}`
});
