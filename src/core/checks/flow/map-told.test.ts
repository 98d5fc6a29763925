import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of temperatures around the loop', () => {
  it.each([
    [
      {
        points: {
          outlet: 100,
          upperHose: 98,
          radiatorIn: 97,
          radiatorOut: 80,
          lowerHose: 79,
          heaterIn: 98,
          heaterOut: 85
        },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'pass (comesThrough, flows, heaterFlows): 7 places agree as they should with the thermostat open | Thermostat: open | Engine outlet less upper hose: 2 °C [−4 °C to 8 °C] | Upper hose less radiator inlet: 1 °C [−6 °C to 6 °C] | Radiator inlet less radiator outlet: 17 °C [1 °C to 30 °C] | Radiator outlet less lower hose: 1 °C [−6 °C to 6 °C] | Engine outlet less heater hose, in: 2 °C [−6 °C to 10 °C] | Heater hose, in less heater hose, back: 13 °C [−4 °C to 32 °C] | in words: engine outlet 100 °C, upper hose 98 °C, radiator inlet 97 °C, radiator outlet 80 °C, lower hose 79 °C, heater hose, in 98 °C, heater hose, back 85 °C'
    ],
    [
      {
        points: { outlet: 100, upperHose: 98 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear (comesThrough): 2 places agree so far; measure more of the loop | Thermostat: open | Engine outlet less upper hose: 2 °C [−4 °C to 8 °C] | in words: engine outlet 100 °C, upper hose 98 °C'
    ],
    [
      {
        points: { outlet: 100, upperHose: 98, radiatorIn: 97, radiatorOut: 80 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'pass (comesThrough, flows): 4 places agree as they should with the thermostat open | Thermostat: open | Engine outlet less upper hose: 2 °C [−4 °C to 8 °C] | Upper hose less radiator inlet: 1 °C [−6 °C to 6 °C] | Radiator inlet less radiator outlet: 17 °C [1 °C to 30 °C] | in words: engine outlet 100 °C, upper hose 98 °C, radiator inlet 97 °C, radiator outlet 80 °C'
    ],
    [
      {
        points: { outlet: 100, upperHose: 55 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (held): The engine is at 100 °C and the hose behind the thermostat at 55 °C: hardly anything comes through | Thermostat: open | Engine outlet less upper hose: 45 °C [−4 °C to 8 °C] | in words: engine outlet 100 °C, upper hose 55 °C'
    ],
    [
      {
        points: { outlet: 105, upperHose: 60, lowerHose: 30 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (held, flows): The engine is at 105 °C and the hose behind the thermostat at 60 °C: hardly anything comes through | Thermostat: open | Engine outlet less upper hose: 45 °C [−4 °C to 8 °C] | Upper hose less lower hose: 30 °C [1 °C to 30 °C] | in words: engine outlet 105 °C, upper hose 60 °C, lower hose 30 °C'
    ],
    [
      {
        points: { outlet: 100, radiatorIn: 97, radiatorOut: 95 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear (flows): 3 places agree so far; measure more of the loop | Thermostat: open | Radiator inlet less radiator outlet: 2 °C [1 °C to 30 °C] | in words: engine outlet 100 °C, radiator inlet 97 °C, radiator outlet 95 °C'
    ],
    [
      {
        points: { outlet: 100, radiatorIn: 97, radiatorOut: 35 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (slow): The radiator takes 62 °C off: little coolant comes by to be cooled | Thermostat: open | Radiator inlet less radiator outlet: 62 °C [1 °C to 30 °C] | in words: engine outlet 100 °C, radiator inlet 97 °C, radiator outlet 35 °C'
    ],
    [
      {
        points: { outlet: 100, heaterIn: 60 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (heaterCold): The hose to the heater is 40 °C colder than the engine: no flow there, air or a weak pump | Thermostat: open | Engine outlet less heater hose, in: 40 °C [−6 °C to 10 °C] | in words: engine outlet 100 °C, heater hose, in 60 °C'
    ],
    [
      {
        points: { outlet: 100, heaterIn: 97, heaterOut: 40 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (heaterSlow, heaterFlows): The heater takes 57 °C off: little flow through it | Thermostat: open | Engine outlet less heater hose, in: 3 °C [−6 °C to 10 °C] | Heater hose, in less heater hose, back: 57 °C [−4 °C to 32 °C] | in words: engine outlet 100 °C, heater hose, in 97 °C, heater hose, back 40 °C'
    ]
  ])('with the thermostat open: %j', (readings, says) =>
    expect(told('temperature-map', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        points: { outlet: 95, scan: 94 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear: 2 places agree so far; measure more of the loop | Thermostat: opening | Engine outlet less scan value: 1 °C [−6 °C to 6 °C] | sensor: 94 for 95 ± 0.8, both, at engine | in words: engine outlet 95 °C, scan value 94 °C'
    ],
    [
      {
        points: { outlet: 95, scan: 75 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (cold, orItsBranch): The scan value is 20 °C below the metal around its sensor | Thermostat: opening | Engine outlet less scan value: 20 °C [−6 °C to 6 °C] | sensor: 75 for 95 ± 0.8, both, at engine | in words: engine outlet 95 °C, scan value 75 °C'
    ],
    [
      {
        points: { outlet: 95, scan: 115 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (hot): The scan value is 20 °C above the metal around its sensor | Thermostat: opening | Engine outlet less scan value: −20 °C [−6 °C to 6 °C] | sensor: 115 for 95 ± 0.8, both, at engine | in words: engine outlet 95 °C, scan value 115 °C'
    ],
    [
      {
        points: { outlet: 95, scan: -40 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (open): The scan value is 135 °C below the metal around its sensor | Thermostat: opening | Engine outlet less scan value: 135 °C [−6 °C to 6 °C] | sensor: -40 for 95 ± 0.8, both, at engine | in words: engine outlet 95 °C, scan value −40 °C'
    ],
    [
      {
        points: { outlet: 95, scan: 140 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (short): The scan value is 45 °C above the metal around its sensor | Thermostat: opening | Engine outlet less scan value: −45 °C [−6 °C to 6 °C] | sensor: 140 for 95 ± 0.8, both, at engine | in words: engine outlet 95 °C, scan value 140 °C'
    ],
    [
      {
        points: { outlet: 95, sensor: 94, scan: 94 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear (branchFlows, scanAgrees): 3 places agree so far; measure more of the loop | Thermostat: opening | Engine outlet less housing at the sensor: 1 °C [−6 °C to 6 °C] | Housing at the sensor less scan value: 0 °C [−6 °C to 6 °C] | sensor: 94 for 94 ± 0.8, both, at sensor | in words: engine outlet 95 °C, housing at the sensor 94 °C, scan value 94 °C'
    ],
    [
      {
        points: { outlet: 95, sensor: 60, scan: 60 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (branchCold, scanAgrees): The branch with the sensor is 35 °C colder than the engine outlet: hardly any flow there | Thermostat: opening | Engine outlet less housing at the sensor: 35 °C [−6 °C to 6 °C] | Housing at the sensor less scan value: 0 °C [−6 °C to 6 °C] | sensor: 60 for 60 ± 0.8, both, at sensor | in words: engine outlet 95 °C, housing at the sensor 60 °C, scan value 60 °C'
    ]
  ])('the scan value beside metal: %j', (readings, says) =>
    expect(told('temperature-map', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        points: { outlet: 70, upperHose: 25, lowerHose: 20 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: 'shut',
        ambientC: 15
      },
      'unclear (shuts): 3 places agree so far; measure more of the loop | Thermostat: shut | Engine outlet less upper hose: 45 °C [at least 10 °C] | in words: engine outlet 70 °C, upper hose 25 °C, lower hose 20 °C'
    ],
    [
      {
        points: { outlet: 70, upperHose: 66 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: 'shut',
        ambientC: 15
      },
      'fail (leaks): The hose behind the shut thermostat is at 66 °C already: it lets coolant through | Thermostat: shut | Engine outlet less upper hose: 4 °C [at least 10 °C] | in words: engine outlet 70 °C, upper hose 66 °C'
    ],
    [
      {
        points: { outlet: 70, upperHose: 66 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (leaks): The hose behind the shut thermostat is at 66 °C already: it lets coolant through | Thermostat: shut | Engine outlet less upper hose: 4 °C [at least 10 °C] | in words: engine outlet 70 °C, upper hose 66 °C'
    ],
    [
      {
        points: { outlet: 125, upperHose: 60 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (held): The engine is at 125 °C and the hose behind the thermostat at 60 °C: hardly anything comes through | Thermostat: open | Engine outlet less upper hose: 65 °C [−4 °C to 8 °C] | in words: engine outlet 125 °C, upper hose 60 °C'
    ],
    [
      {
        points: { upperHose: 99, lowerHose: 80 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear (flows): 2 places agree so far; measure more of the loop | Thermostat: open | Upper hose less lower hose: 19 °C [1 °C to 30 °C] | in words: upper hose 99 °C, lower hose 80 °C'
    ],
    [
      {
        points: { radiatorIn: 140, radiatorOut: 80 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (slow): The radiator takes 60 °C off: little coolant comes by to be cooled | Thermostat: open | Radiator inlet less radiator outlet: 60 °C [1 °C to 30 °C] | in words: radiator inlet 140 °C, radiator outlet 80 °C'
    ]
  ])('with the thermostat shut: %j', (readings, says) =>
    expect(told('temperature-map', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        points: { scan: 150, outlet: 145, upperHose: 90 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (held): The engine is at 145 °C and the hose behind the thermostat at 90 °C: hardly anything comes through | Thermostat: open | Engine outlet less scan value: −5 °C [−6 °C to 6 °C] | Engine outlet less upper hose: 55 °C [−4 °C to 8 °C] | sensor: 150 for 145 ± 0.8, both, at engine | refused: 145 °C is hotter than this sealed system can hold: with its cap the strongest mixture boils at 141 °C | in words: scan value 150 °C, engine outlet 145 °C, upper hose 90 °C'
    ],
    [
      {
        points: { scan: 90, upperHose: 88 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'unclear (comesThrough): 2 places agree so far; measure more of the loop | Thermostat: opening | Scan value less upper hose: 2 °C [−4 °C to 47 °C] | in words: scan value 90 °C, upper hose 88 °C'
    ],
    [
      {
        points: { outlet: 92, sensor: 80, scan: 90 },
        instrument: { kind: 'contact', uncertaintyC: 1.5 },
        thermostat: null,
        ambientC: 15
      },
      'fail (branchCold, hot): The branch with the sensor is 12 °C colder than the engine outlet: hardly any flow there. The scan value is 10 °C above the metal around its sensor | Thermostat: opening | Engine outlet less housing at the sensor: 12 °C [−6 °C to 6 °C] | Housing at the sensor less scan value: −10 °C [−6 °C to 6 °C] | sensor: 90 for 80 ± 0.8, both, at sensor | in words: engine outlet 92 °C, housing at the sensor 80 °C, scan value 90 °C'
    ]
  ])('with the scan value among them: %j', (readings, says) =>
    expect(told('temperature-map', readings, minibus)).toBe(says)
  );
});
