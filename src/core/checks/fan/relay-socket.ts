import { defineCheck } from '../check';
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
  lacks: withoutController,
  readings: circuitReadings(['fan-controller']),
  refuse: refuseVolts,
  judge: judgeCircuit,
  words: circuitWords
});
