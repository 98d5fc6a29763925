import { seeded } from '../../base/random';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { sayDeltaC } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';

/** Where hands go, and what is said of it. */
export const WIGGLED = {
  sensorPlug: 'Sensor plug',
  loom: 'Loom on its way',
  unitPlug: 'Control unit plug',
  ground: 'Ground point',
  fanPlug: 'Fan plug or relay socket'
} as const;
export type Wiggled = keyof typeof WIGGLED;
const FOLLOWED = { steady: 'Stays steady', follows: 'Follows the hand' } as const;

const followed = (place: Wiggled) =>
  defineField(z.enum(['steady', 'follows']), {
    label: WIGGLED[place],
    choices: FOLLOWED,
    bad: ['follows']
  }).nullable();
const readings = () =>
  z
    .object({
      sensorPlug: followed('sensorPlug'),
      loom: followed('loom'),
      unitPlug: followed('unitPlug'),
      ground: followed('ground'),
      fanPlug: followed('fanPlug'),
      /** The largest jump of the reading while a hand was at it, °C. */
      jumpC: defineField(
        z
          .number()
          .min(0, 'A jump is 0\u202f°C or more')
          .max(250, 'More than 250\u202f°C is beyond what a scan tool can show'),
        { label: 'Largest jump', quantity: 'difference', hint: 'if the reading jumped' }
      ).nullable()
    })
    .refine((r) => PLACES.some((p) => r[p] !== null), {
      message: 'Move one place at least, and say what the reading did',
      path: ['sensorPlug']
    });
const PLACES = Object.keys(WIGGLED) as Wiggled[];
export type WiggleReadings = z.infer<ReturnType<typeof readings>>;

/** Fewer places than this, all steady, are no search. */
const ENOUGH = 3;

/** Connector and loom moved by hand while the reading, or the fan, is watched: what follows the hand is the fault. */
export const wiggle = defineCheck({
  title: 'Wiggle',
  phases: ['X'],
  minutes: 5,
  decides: 'A reading or fan that follows a moved plug or loom names the connection.',
  tools: ['Scan tool'],
  cautions: ['fan-starts', 'fan-blades', 'hot-parts'],
  gate: 'none',
  results: {
    // A wire that resists all the time follows no hand.
    sound: { against: ['ect-intermittent'] },
    plug: { seen: 'the reading follows the hand', for: ['ect-intermittent'] },
    // Away from the plug the wire itself may be the contact that comes and goes.
    wire: { seen: 'the reading follows the hand along the wire', for: ['ect-intermittent', 'ect-wiring'] },
    fan: { seen: 'the fan follows the hand', for: ['fan-controller-shorted'] }
  },
  strength: strength(
    0.8,
    0.03,
    0.2,
    'hand',
    'A contact that answers is the one; one that does not may be cold today',
    {
      'ect-wiring': share(0.33, 0.02, 0.7, 'Most of it is broken for good'),
      'fan-controller-shorted': share(0.45, 0.008, 0.6, 'Its connector answers now and then')
    }
  ),
  readings,
  judge(r) {
    const moved = PLACES.filter((p) => r[p] !== null);
    const found = moved.filter((p) => r[p] === 'follows');
    const numbers = [
      ...moved.map((p) => ({ name: WIGGLED[p], value: FOLLOWED[r[p]!] })),
      ...(r.jumpC === null ? [] : [{ name: 'Largest jump', value: sayDeltaC(r.jumpC) }])
    ];
    if (found.length > 0) {
      return outcome('fail', `Follows the hand: ${found.map((p) => WIGGLED[p].toLowerCase()).join(', ')}`, {
        numbers,
        found: found.map((p) => (p === 'sensorPlug' ? 'plug' : p === 'fanPlug' ? 'fan' : 'wire'))
      });
    }
    return moved.length < ENOUGH
      ? outcome(
          'unclear',
          `Steady at ${moved.length === 1 ? 'the one place' : 'the two places'} moved so far`,
          { numbers }
        )
      : outcome('pass', `Steady wherever it was moved, ${moved.length} places`, {
          numbers,
          found: ['sound']
        });
  },
  simulate(h) {
    const answers = (share: number): 'follows' | 'steady' => (h.chance(share) ? 'follows' : 'steady');
    // A contact that comes and goes lies at the plug more often than on the way.
    const atPlug = seeded(h.seed * 5 + 1)() < 0.65;
    const comes = h.fault === 'ect-intermittent';
    const plug = comes && atPlug ? 0.85 : 0.01;
    const loom = comes && !atPlug ? 0.85 : h.fault === 'ect-wiring' ? 0.3 : 0.01;
    const fan = h.fault === 'fan-controller-shorted' ? 0.5 : 0.01;
    return {
      sensorPlug: answers(plug),
      loom: answers(loom),
      unitPlug: 'steady',
      ground: 'steady',
      fanPlug: h.plant.fan.kind === 'none' ? null : answers(fan),
      jumpC: null
    } as const;
  },
  words: (r) =>
    PLACES.filter((p) => r[p] !== null)
      .map((p) => `${WIGGLED[p]}: ${FOLLOWED[r[p]!].toLowerCase()}`)
      .join(', ')
});
