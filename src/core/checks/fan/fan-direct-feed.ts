import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { say } from '../../units/say';
import { defineCheck, outcome, unusual } from '../check';
import { share, strength } from '../strength';
import { withoutFan } from '../vehicle-has';

const FED_AT = { plug: 'Fan plug', socket: 'Across the relay’s contacts' } as const;
const FED_TURNS = { full: 'Full speed', slow: 'Slowly', no: 'Stands still' } as const;
const readings = () =>
  z.object({
    at: defineField(z.enum(['plug', 'socket'], 'Say where it was fed'), { label: 'Fed at', choices: FED_AT }),
    turns: defineField(z.enum(['full', 'slow', 'no'], 'Say what the fan did'), {
      label: 'The fan',
      choices: FED_TURNS
    }),
    amps: defineField(
      z.number().min(0, 'Amperes are 0 or more').max(120, 'More than 120 A is a short: let the fuse have it'),
      {
        label: 'Current',
        quantity: 'current',
        hint: 'clamp, once it runs steadily',
        bench: { part: 'fan-amps' }
      }
    ).nullable(),
    feedV: defineField(
      z.number().min(6, 'A feed below 6 V tells nothing').max(32, 'More than 32 V is on no vehicle'),
      { label: 'Volts at the plug', quantity: 'voltage', hint: 'if read' }
    ).nullable()
  });
export type FanDirectFeedReadings = z.infer<ReturnType<typeof readings>>;

/** What fans of cars and vans draw, where the sheet gives no current of its own, A at 12 to 14 V. */
const USUAL = { lowA: 6, highA: 35 };
/** Off the sheet's current by more than this share, and it is a finding. */
const OFF = 0.3;
const NOTHING_A = 0.5;

/** The current a sheet gives for the fan, if it does. */
export function currentLimits(sheet: SpecSheet | null): { lowA: number; highA: number; own: boolean } {
  const rated = sheet?.fan?.ratedA;
  return rated ? { lowA: rated * (1 - OFF), highA: rated * (1 + OFF), own: true } : { ...USUAL, own: false };
}

/** The fan fed past relay and control unit: its motor and wiring by what it does and what it draws. */
export const fanDirectFeed = defineCheck({
  title: 'Fan direct feed',
  phases: ['X'],
  minutes: 6,
  decides: 'Motor and its wiring good or not, by speed and current.',
  tools: ['Fused feed', 'Clamp meter'],
  cautions: ['fused-feed', 'fan-blades'],
  measures: ['fan-motor'],
  gate: 'stopped',
  results: {
    sound: { against: ['fan-motor-dead', 'fan-motor-weak'] },
    dead: { for: ['fan-motor-dead'], against: ['fan-command-missing'] },
    deadOrWiring: { for: ['fan-motor-dead', 'fan-feed-open'] },
    weak: { for: ['fan-motor-weak'] },
    drawsMuch: { for: ['fan-motor-weak'], against: ['fan-motor-dead'] }
  },
  strength: strength(0.96, 0.003, 0.03, 'meter', 'Motor by its current, past everything else', {
    'fan-motor-weak': share(0.87, 0.004, 0.12, 'A little weak is within what a good one draws')
  }),
  lacks: withoutFan,
  readings,
  begins: () => ({ at: 'plug' as const }),
  judge(r, { sheet }) {
    const { lowA, highA, own } = currentLimits(sheet);
    const { amps } = r;
    const numbers = [
      { name: 'Fed at', value: FED_AT[r.at] },
      { name: 'Fan', value: FED_TURNS[r.turns] },
      ...(amps === null
        ? []
        : [
            {
              name: 'Current',
              value: say(amps, 'current', 1),
              limit: `${say(lowA, 'current', 0)} to ${say(highA, 'current', 0)}${own ? '' : ' usual'}`
            }
          ]),
      ...(r.feedV === null ? [] : [{ name: 'At the plug', value: say(r.feedV, 'voltage', 1) }])
    ];
    const doubts =
      own || amps === null ? [] : ['The sheet gives no current for this fan; a usual range was taken'];
    const wiring = r.at === 'socket' ? ', or its plug, wire or ground' : '';
    if (r.turns === 'no')
      return outcome(
        'fail',
        amps === null
          ? `Fed directly it stands still: the motor${wiring}; the current would tell open from stuck`
          : amps < NOTHING_A
            ? `Fed directly it draws nothing: open in the motor${wiring}`
            : `Fed directly it draws ${say(amps, 'current', 1)} and stands still: the motor is stuck or shorted`,
        {
          numbers,
          doubts,
          found: [r.at === 'plug' || (amps !== null && amps >= NOTHING_A) ? 'dead' : 'deadOrWiring']
        }
      );
    if (r.turns === 'slow')
      return outcome(
        'fail',
        amps === null
          ? 'Turns slowly when fed directly'
          : amps > highA
            ? `Turns slowly and draws ${say(amps, 'current', 1)}: tight bearings or shorted turns`
            : amps < lowA
              ? `Turns slowly and draws ${say(amps, 'current', 1)} only: worn brushes, or a poor joint on the way`
              : `Turns slowly at a usual current: load on the blades, or a weak motor`,
        { numbers, doubts, found: ['weak'] }
      );
    if (amps !== null && amps > highA) {
      const judged = outcome(
        'fail',
        `Runs, and draws ${say(amps, 'current', 1)}${own ? ': too much for its wiring and relay' : ', more than most'}`,
        { numbers, doubts, found: ['drawsMuch'] }
      );
      return own ? judged : unusual(judged, 'current of the fan', 'fan.ratedA');
    }
    return outcome(
      'pass',
      'Runs when fed directly: motor and its wiring are good; look at relay, feed and command',
      {
        numbers,
        doubts,
        found: ['sound']
      }
    );
  },
  simulate(h) {
    const amps = h.part('fan-amps');
    if (amps === null) return null;
    const turns =
      h.fault === 'fan-motor-dead'
        ? 'no'
        : h.fault === 'fan-motor-weak' && (h.severity > 0.5 || h.chance(0.6))
          ? 'slow'
          : 'full';
    return { at: 'plug', turns, amps, feedV: 12.5 } as const;
  },
  words: (r) =>
    `Fed ${r.at === 'plug' ? 'at the fan plug' : 'across the relay’s contacts'}: ${FED_TURNS[r.turns].toLowerCase()}${r.amps === null ? '' : `, ${say(r.amps, 'current', 1)}`}`
});
