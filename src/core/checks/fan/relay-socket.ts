import { defineCheck } from '../check';
import { share, strength } from '../strength';
import {
  circuitReadings,
  circuitWords,
  judgeCircuit,
  refuseVolts,
  type CircuitReadings
} from '../circuit-check';
import { withoutController, withoutRelay } from '../vehicle-has';

/** Volts at the pins of a relay's socket, by state: which element of the fan's circuit fits them. */
export const relaySocket = defineCheck<CircuitReadings>({
  title: 'Relay socket',
  phases: ['X'],
  minutes: 8,
  decides:
    'Which element of the fan’s circuit fits the volts at its pins: supply, contacts, coil, command, motor, ground.',
  tools: ['Meter'],
  cautions: ['fan-starts'],
  gate: 'none',
  speaksTo: [
    'fan-relay-contacts',
    'fan-relay-coil',
    'fan-relay-welded',
    'fan-command-missing',
    'fan-feed-open',
    'fan-motor-dead',
    'fan-motor-weak'
  ],
  strength: strength(0.95, 0.003, 0.04, 'meter', 'The circuit solved from its volts', {
    'fan-motor-weak': share(0.5, 0.004, 0.3, 'A little weak hardly moves a volt')
  }),
  lacks: withoutRelay,
  readings: circuitReadings(['fan-relay', 'fan-pair']),
  refuse: refuseVolts,
  judge: judgeCircuit,
  words: circuitWords
});

/** Volts in and out of an electronic fan controller at rest and at demand. */
export const controllerInOut = defineCheck<CircuitReadings>({
  title: 'Fan controller, in and out',
  phases: ['X'],
  minutes: 8,
  decides:
    'Shorted, dead, or not commanded: by its supply, ground, command and output, at rest and at demand.',
  tools: ['Meter'],
  cautions: ['fan-starts', 'battery'],
  gate: 'none',
  speaksTo: [
    'fan-controller-shorted',
    'fan-controller-dead',
    'fan-command-missing',
    'fan-feed-open',
    'fan-motor-dead',
    'fan-motor-weak'
  ],
  strength: strength(0.95, 0.004, 0.04, 'meter', 'The circuit solved from its volts'),
  lacks: withoutController,
  readings: circuitReadings(['fan-controller']),
  refuse: refuseVolts,
  judge: judgeCircuit,
  words: circuitWords
});
