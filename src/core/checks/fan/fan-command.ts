import { circuitOf } from '../circuit-check';
import type { Hands } from '../hands';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { FAN_DEAD } from '../../vehicle/faults';
import { lacksPart } from '../../vehicle/parts';
import { withoutFan } from '../vehicle-has';

const CLICKS = { yes: 'Clicks', no: 'No click', unknown: 'Not to be heard' } as const;
const TURNS = { full: 'Turns as it should', slow: 'Turns slowly', no: 'Stands still' } as const;
type Click = keyof typeof CLICKS;
type Turn = keyof typeof TURNS;

const readings = () =>
  z.object({
    commandedPct: defineField(
      z.number().min(1, 'A command is 1 to 100 %').max(100, 'A command is 1 to 100 %'),
      { label: 'Commanded', quantity: 'share', taps: [30, 50, 80, 100] }
    ),
    click: defineField(z.enum(Object.keys(CLICKS) as [Click, ...Click[]], 'Say whether a relay clicked'), {
      label: 'The relay, if there is one',
      choices: CLICKS
    }),
    turns: defineField(z.enum(Object.keys(TURNS) as [Turn, ...Turn[]], 'Say what the fan did'), {
      label: 'The fan',
      choices: TURNS
    })
  });
export type FanCommandReadings = z.infer<ReturnType<typeof readings>>;

/** The fan commanded on by a scan tool: tells the command path from the power path. */
export const fanCommand = defineCheck({
  title: 'Commanded fan',
  phases: ['X'],
  minutes: 4,
  decides: 'Command path against power path.',
  tools: ['Scan tool that commands'],
  cautions: ['fan-blades', 'fan-starts'],
  gate: 'none',
  results: {
    sound: {
      // It may drive the fan when told to, and not ask by itself: the command is cleared as far as it goes.
      against: [...FAN_DEAD, 'fan-motor-weak']
    },
    noPower: {
      seen: 'the relay clicks and the fan stands still',
      for: ['fan-relay-contacts', 'fan-motor-dead', 'fan-feed-open'],
      against: ['fan-command-missing', 'fan-relay-coil']
    },
    noClick: {
      seen: 'nothing clicks and the fan stands still',
      for: ['fan-relay-coil', 'fan-command-missing', 'fan-feed-open']
    },
    slow: { seen: 'the fan turns slowly', for: ['fan-motor-weak', 'fan-feed-open'] },
    dead: {
      seen: 'the fan stands still',
      for: FAN_DEAD
    }
  },
  strength: strength(0.93, 0.006, 0.06, 'scan', 'Splits the command from the power, not part from part', {
    'fan-command-missing': share(0.88, 0.006, 0.15, 'No click, and the coil does not click either'),
    'fan-motor-weak': share(0.87, 0.008, 0.12, 'Turns slowly'),
    'fan-feed-open': share(0.85, 0.01, 0.14, 'One of two fans may still run'),
    'fan-relay-coil': share(0.45, 0.006, 0.5, 'One relay of three, and the fan still runs'),
    'fan-relay-contacts': share(0.4, 0.006, 0.33, 'One relay of three, and the fan still runs')
  }),
  lacks: withoutFan,
  readings,
  begins: () => ({ commandedPct: 100 }),
  judge({ click, turns, commandedPct }, { sheet }) {
    const relay = lacksPart(sheet, 'fan relay') === null;
    const numbers = [
      { name: 'Commanded', value: `${commandedPct} %` },
      { name: 'Relay', value: CLICKS[click] },
      { name: 'Fan', value: TURNS[turns] }
    ];
    if (turns === 'full')
      return outcome('pass', 'Runs when commanded: motor, feed and relay are good', {
        numbers,
        found: ['sound']
      });
    if (turns === 'slow')
      return outcome(
        commandedPct >= 80 ? 'fail' : 'unclear',
        commandedPct >= 80
          ? `Turns slowly at ${commandedPct} %`
          : `Turns slowly at ${commandedPct} %: command it fully before judging`,
        {
          numbers,
          found: commandedPct >= 80 ? ['slow'] : []
        }
      );
    if (!relay)
      return outcome('fail', 'Stands still when commanded', {
        numbers,
        found: ['dead']
      });
    switch (click) {
      case 'yes':
        return outcome(
          'fail',
          'The relay clicks and the fan stands still: the command arrives, the power does not',
          {
            numbers,
            found: ['noPower']
          }
        );
      case 'no':
        return outcome('fail', 'No click and no fan: the command does not arrive, or the coil is open', {
          numbers,
          // Without a relay nothing clicks either.
          found: [lacksPart(sheet, 'fan controller') === null ? 'dead' : 'noClick']
        });
      case 'unknown':
        return outcome(
          'fail',
          'Stands still; whether the relay clicked was not to be heard. A hand on the relay feels it',
          { numbers, found: ['dead'] }
        );
    }
  },
  simulate: (h) => ({ ...simulateCommand(h), commandedPct: 100 }),
  words: (r) =>
    `Commanded ${r.commandedPct} %: ${CLICKS[r.click].toLowerCase()}, ${TURNS[r.turns].toLowerCase()}`
});

/** Click and fan under a commanded test. A motor that is weak turns slowly, whatever its circuit. */
function simulateCommand(h: Hands) {
  const id = circuitOf(h);
  const state = { 'fan-relay': 'on', 'fan-pair': 'high', 'fan-controller': 'demand', gauge: 'on' }[id];
  const fan = h.circuit(id, state, id === 'fan-pair' ? 'fan1' : 'turns');
  const dead = h.fault === 'fan-relay-coil' || h.fault === 'fan-command-missing';
  const clicks = id === 'fan-relay' ? h.circuit(id, 'on', 'clicks') > 0 : !dead;
  const driven = fan > 1 ? 'full' : fan > 0 ? 'slow' : 'no';
  const turns = h.fault !== 'fan-motor-weak' ? driven : h.severity > 0.45 ? 'slow' : 'full';
  const click = id === 'fan-controller' || h.chance(0.1) ? 'unknown' : clicks ? 'yes' : 'no';
  return { click, turns } as const;
}
