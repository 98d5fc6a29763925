import { z } from 'zod';
import { defineField } from '../../units/field';
import { defineCheck, outcome } from '../check';
import { sayVolts } from '../circuit-check';
import { strength } from '../strength';
import { withoutElectricPump } from '../vehicle-has';

const RUNS = { yes: 'Hums, and its hose pulses', no: 'Stands still' } as const;
/** Below this an electric pump has no feed worth the name, V. */
const FEED_V = 9;

const readings = () =>
  z.object({
    runs: defineField(z.enum(['yes', 'no'], 'Say whether the pump ran'), {
      label: 'The pump, commanded',
      choices: RUNS,
      bad: ['no']
    }),
    feedV: defineField(
      z.number().min(0, 'Volts are 0 or more').max(60, 'More than 60 V is at no such plug: measure anew'),
      { label: 'At its plug', quantity: 'voltage', hint: 'while it is commanded' }
    ).nullable()
  });

/** An electric coolant pump commanded on by a scan tool: whether it runs, and whether it has its feed. */
export const pumpCommand = defineCheck({
  title: 'Commanded coolant pump',
  phases: ['X'],
  minutes: 5,
  decides: 'Whether an electric coolant pump runs when it is told to, and has its feed.',
  tools: ['Scan tool that commands', 'Meter'],
  cautions: ['fan-starts', 'battery'],
  gate: 'none',
  lacks: withoutElectricPump,
  strength: strength(0.95, 0.005, 0.04, 'itself', 'It hums or it does not'),
  results: {
    sound: { against: ['coolant-pump-electric-dead'] },
    still: { seen: 'the pump stands still with its feed there', for: ['coolant-pump-electric-dead'] }
  },
  readings,
  judge({ runs, feedV }) {
    const numbers = [
      { name: 'The pump', value: RUNS[runs].toLowerCase() },
      ...(feedV === null
        ? []
        : [{ name: 'At its plug', value: sayVolts(feedV), limit: `at least ${sayVolts(FEED_V)}` }])
    ];
    if (runs === 'yes')
      return outcome('pass', 'The pump runs when it is told to', { numbers, found: ['sound'] });
    if (feedV === null)
      return outcome('unclear', 'It stands still: volts at its plug tell the pump from its feed', {
        numbers
      });
    return feedV >= FEED_V
      ? outcome('fail', `It stands still with ${sayVolts(feedV)} at its plug`, {
          numbers,
          found: ['still']
        })
      : outcome(
          'unclear',
          `It stands still, and has only ${sayVolts(feedV)}: fuse, relay and wire come first`,
          {
            numbers
          }
        );
  },
  simulate: (h) =>
    h.plant.pumpElectric ? ({ runs: h.plant.flowFactor < 0.1 ? 'no' : 'yes', feedV: 12.5 } as const) : null,
  words: (r) => `${RUNS[r.runs].toLowerCase()}${r.feedV === null ? '' : `, ${sayVolts(r.feedV)} at its plug`}`
});
