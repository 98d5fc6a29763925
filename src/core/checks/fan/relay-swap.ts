import { z } from 'zod';
import { defineField } from '../../units/field';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';
import { withoutRelay } from '../vehicle-has';

const SWAPPED = {
  runs: 'Fan runs now when commanded',
  ran: 'Fan ran with its own relay too',
  dead: 'Still stands still',
  stops: 'Fan that ran on has stopped',
  'runs-on': 'Still runs on'
} as const;
type Swapped = keyof typeof SWAPPED;

const readings = () =>
  z.object({
    /** The printed part number is the same, letter for letter. */
    identical: defineField(z.boolean(), { label: '1. The part number is the same, letter for letter' }),
    /** The engine runs safely without that circuit. */
    donorSafe: defineField(z.boolean(), {
      label: '2. The engine runs safely without the circuit it comes from'
    }),
    donor: defineField(z.string().trim().min(1, 'Name the circuit the relay was borrowed from').max(60), {
      label: '3. Borrowed from',
      hint: 'as a horn or a rear wash'
    }),
    then: defineField(
      z.enum(Object.keys(SWAPPED) as [Swapped, ...Swapped[]], 'Say what the fan did with the other relay'),
      { label: '4. With it in place', choices: SWAPPED }
    ),
    putBack: defineField(z.boolean(), { label: '5. Both relays are back where they belong' })
  });

/** A known good relay in the place of the suspected one: quick, with rules of its own. */
export const relaySwap = defineCheck({
  title: 'Relay swap',
  phases: ['X'],
  minutes: 3,
  decides: 'Relay against the rest, with an identical part from a circuit not needed to run safely.',
  tools: ['Identical relay'],
  cautions: ['fan-starts'],
  measures: ['relay'],
  gate: 'none',
  results: {
    sound: { against: ['fan-relay-contacts', 'fan-relay-coil'] },
    // With its own relay back in place the fan ran: nothing on its way is broken today.
    ran: {
      against: [
        'fan-relay-contacts',
        'fan-relay-coil',
        'fan-motor-dead',
        'fan-feed-open',
        'fan-command-missing'
      ]
    },
    runs: {
      seen: 'the fan runs with the other relay',
      for: ['fan-relay-contacts', 'fan-relay-coil'],
      against: ['fan-motor-dead', 'fan-feed-open', 'fan-command-missing']
    },
    stops: { seen: 'the fan stops with the other relay', for: ['fan-relay-welded'] },
    runsOn: { against: ['fan-relay-welded'] }
  },
  strength: strength(0.94, 0.005, 0.05, 'itself', 'The part is exchanged and nothing else'),
  lacks: withoutRelay,
  readings,
  refuse: (r) => [
    ...(r.identical
      ? []
      : [
          {
            field: 'identical',
            message:
              'Relays of one shape differ inside: swap only where the part number is the same, letter for letter'
          }
        ]),
    ...(r.donorSafe
      ? []
      : [
          {
            field: 'donorSafe',
            message:
              'Borrow only from a circuit that the engine does not need to run safely, as a horn or a rear wash'
          }
        ])
  ],
  judge(r) {
    const numbers = [
      { name: 'Borrowed from', value: r.donor },
      { name: 'With it', value: SWAPPED[r.then] },
      { name: 'Put back', value: r.putBack ? 'yes' : 'not yet' }
    ];
    const doubts = r.putBack ? [] : [`The relay of the ${r.donor} has not been put back`];
    switch (r.then) {
      case 'runs':
        return outcome('fail', 'The fan runs with another relay: the relay it had is at fault', {
          numbers,
          doubts,
          found: ['runs']
        });
      case 'ran':
        return outcome('pass', 'The fan runs with either relay when commanded: its own is good today', {
          numbers,
          doubts,
          found: ['ran']
        });
      case 'stops':
        return outcome('fail', 'With another relay the fan stops: the one it had is welded', {
          numbers,
          doubts,
          found: ['stops']
        });
      case 'dead':
        return outcome('pass', 'No change with another relay: not the relay', {
          numbers,
          doubts,
          found: ['sound']
        });
      case 'runs-on':
        return outcome('pass', 'It runs on with another relay: something commands it', {
          numbers,
          doubts,
          found: ['runsOn']
        });
    }
  },
  simulate: ({ fault, plant }) =>
    ({
      identical: true,
      donor: 'horn',
      donorSafe: true,
      putBack: true,
      then:
        plant.fanStuckPct > 0
          ? fault === 'fan-relay-welded'
            ? 'stops'
            : 'runs-on'
          : /relay-(contacts|coil)/.test(fault)
            ? 'runs'
            : /fan-(motor-dead|feed|command)/.test(fault)
              ? 'dead'
              : 'ran'
    }) as const,
  words: (r) => `Relay of the ${r.donor}: ${SWAPPED[r.then].toLowerCase()}${r.putBack ? ', put back' : ''}`
});
