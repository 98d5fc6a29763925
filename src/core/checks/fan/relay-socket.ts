import { defineCheck } from '../check';
import { share, strength } from '../strength';
import {
  circuitReadings,
  circuitResults,
  circuitWords,
  emptyCircuit,
  judgeCircuit,
  refuseVolts,
  simulateCircuit
} from '../circuit-check';
import { withoutController, withoutRelay } from '../vehicle-has';

/** Volts at the pins of a relay's socket, by state: which element of the fan's circuit fits them. */
export const relaySocket = defineCheck({
  title: 'Relay socket',
  phases: ['X'],
  minutes: 8,
  decides:
    'Which element of the fan’s circuit fits the volts at its pins: supply, contacts, coil, command, motor, ground.',
  tools: ['Meter'],
  cautions: ['fan-starts'],
  gate: 'none',
  results: circuitResults(['fan-relay', 'fan-pair']),
  strength: strength(0.95, 0.003, 0.04, 'meter', 'The circuit solved from its volts', {
    'fan-motor-weak': share(0.5, 0.004, 0.3, 'A little weak hardly moves a volt')
  }),
  lacks: withoutRelay,
  readings: () => circuitReadings(['fan-relay', 'fan-pair']),
  begins: ({ sheet }) => ({
    ...emptyCircuit,
    circuit: (sheet?.fan?.stages?.length ?? 0) > 1 ? ('fan-pair' as const) : ('fan-relay' as const)
  }),
  refuse: refuseVolts,
  judge: judgeCircuit,
  simulate: simulateCircuit,
  words: circuitWords
});

/** Volts in and out of an electronic fan controller at rest and at demand. */
export const controllerInOut = defineCheck({
  title: 'Fan controller, in and out',
  phases: ['X'],
  minutes: 8,
  decides:
    'Shorted, dead, or not commanded: by its supply, ground, command and output, at rest and at demand.',
  tools: ['Meter'],
  cautions: ['fan-starts', 'battery'],
  gate: 'none',
  results: circuitResults(['fan-controller']),
  strength: strength(0.95, 0.004, 0.04, 'meter', 'The circuit solved from its volts'),
  lacks: withoutController,
  readings: () => circuitReadings(['fan-controller']),
  begins: () => ({ ...emptyCircuit, circuit: 'fan-controller' as const }),
  refuse: refuseVolts,
  judge: judgeCircuit,
  simulate: simulateCircuit,
  words: circuitWords
});
