import { z } from 'zod';
import { defineField } from '../../units/field';
import { defineCheck, outcome, voidOutcome, type CheckContext } from '../check';
import { strength } from '../strength';
import { withoutClutch } from '../vehicle-has';

const DRAGS = {
  none: 'No drag',
  slight: 'Slight drag',
  firm: 'Firm drag',
  locked: 'Cannot be turned'
} as const;
type Drag = keyof typeof DRAGS;
const drag = z.enum(Object.keys(DRAGS) as [Drag, ...Drag[]], 'Say how the first turn felt');

const readings = () =>
  z.object({
    firstTurn: defineField(drag, { label: 'The very first turn after standing, by hand', choices: DRAGS }),
    /** Turns it makes by itself after a flick; null where not tried. */
    freeTurns: defineField(
      z.number().min(0, 'Turns are 0 or more').max(60, 'No hand spins a fan for more than 60 turns'),
      {
        label: 'Turns it makes by itself after a flick, 8 for more',
        quantity: 'number',
        taps: [0, 1, 2, 3, 4, 5, 6, 8]
      }
    ).nullable(),
    /** How it felt after some turns. Kept, not judged: the fluid is spread by then. */
    laterTurns: defineField(drag, { label: 'Later turns, kept and not judged', choices: DRAGS }).nullable()
  });
export type ClutchColdTurnReadings = z.infer<ReturnType<typeof readings>>;

/** A clutch with its fluid stops a flicked fan within this many turns; one without lets it run on. Ours, by default. */
const STOPS_WITHIN = 2;
const RUNS_ON_FROM = 5;
/** Hours of standing after which the fluid has run back and a first turn is a first turn again. */
const FIRST_AGAIN_H = 6;

/** The drag of the very first turn by hand after standing: a viscous clutch that has lost its fluid has none. */
export const clutchColdTurn = defineCheck({
  title: 'Clutch, first turn cold',
  phases: ['C'],
  minutes: 3,
  decides: 'No drag: slipping. Cannot be turned: seized. Only the first turn after standing counts.',
  tools: ['Gloved hand'],
  cautions: ['fan-stopped'],
  gate: 'stopped',
  results: {
    sound: { against: ['clutch-slipping', 'clutch-seized'] },
    free: {
      seen: 'the fan spins freely',
      for: ['clutch-slipping'],
      against: ['clutch-seized', 'clutch-circuit-open']
    },
    stuck: { seen: 'it cannot be turned', for: ['clutch-seized'], against: ['clutch-slipping'] },
    // An electronic clutch without power is engaged: that it cannot be turned says only that it has its fluid.
    unpowered: { against: ['clutch-slipping'] }
  },
  strength: strength(0.92, 0.004, 0.06, 'hand', 'The drag of a hand, on the first turn only'),
  needsSoak: true,
  lacks: withoutClutch,
  readings,
  judge(r, context) {
    const numbers = [
      { name: 'First turn', value: DRAGS[r.firstTurn], limit: 'slight to firm' },
      ...(r.freeTurns === null
        ? []
        : [{ name: 'Turns after a flick', value: String(r.freeTurns), limit: `up to ${STOPS_WITHIN}` }])
    ];
    const judged = outcomeOf(r, context, numbers);
    const before = turnedBefore(context);
    return before
      ? {
          ...judged,
          ...voidOutcome(
            'The fan was turned by hand shortly before; only the first turn after standing counts',
            'not the first turn',
            before
          )
        }
      : judged;
  },
  unlikely: (r) =>
    r.firstTurn === 'locked' && (r.freeTurns ?? 0) > 0
      ? ['It cannot be turned, yet it ran on after a flick']
      : [],
  simulate(h) {
    const grip = h.plant.clutchGrip + h.noise(0.08);
    if (h.plant.clutchLocked) return { firstTurn: 'locked', freeTurns: 0, laterTurns: null } as const;
    return {
      firstTurn: grip < 0.35 ? 'none' : grip < 0.75 ? 'slight' : 'firm',
      freeTurns: Math.max(0, Math.round(9 * (1 - grip) + h.noise(0.6))),
      laterTurns: null
    } as const;
  },
  words: (r) =>
    `First turn: ${DRAGS[r.firstTurn].toLowerCase()}${r.freeTurns === null ? '' : `, ${turnsOf(r.freeTurns)} after a flick`}${r.laterTurns ? `; later ${DRAGS[r.laterTurns].toLowerCase()}` : ''}`
});

const turnsOf = (turns: number) => (turns === 1 ? 'one turn' : `${turns} turns`);

/** When a turn would be a first one again, if the fan was turned less than that ago. */
function turnedBefore({ at, earlier }: CheckContext): string | null {
  const last = earlier.at(-1);
  if (!last) return null;
  const again = Date.parse(last.at) + FIRST_AGAIN_H * 3_600_000;
  return Date.parse(at) < again ? new Date(again).toISOString() : null;
}

function outcomeOf(
  { firstTurn, freeTurns }: ClutchColdTurnReadings,
  { sheet }: CheckContext,
  numbers: { name: string; value: string; limit?: string }[]
) {
  const turns = freeTurns ?? 0;
  if (firstTurn === 'none' || turns >= RUNS_ON_FROM)
    return outcome(
      'fail',
      turns >= RUNS_ON_FROM
        ? `Runs on for ${turns} turns after a flick; a clutch with its fluid stops within ${STOPS_WITHIN}`
        : 'No drag on the first turn after standing; a clutch with its fluid drags',
      {
        numbers,
        found: ['free']
      }
    );
  if (firstTurn === 'locked') {
    if (sheet?.clutch?.kind === 'electronic')
      return outcome(
        'unclear',
        'Cannot be turned: an electronic clutch without power is engaged, so this says nothing. Compare command and fan speed, and measure at its plug',
        { numbers, found: ['unpowered'] }
      );
    return outcome('fail', 'Cannot be turned by hand on a cold engine', {
      numbers,
      found: ['stuck']
    });
  }
  if (turns > STOPS_WITHIN)
    return outcome(
      'unclear',
      `Drags, yet makes ${turns} turns after a flick; up to ${STOPS_WITHIN} is good, ${RUNS_ON_FROM} and more is slipping`,
      { numbers }
    );
  return outcome('pass', `${DRAGS[firstTurn]} on the first turn, as a clutch with its fluid has`, {
    numbers,
    found: ['sound']
  });
}
