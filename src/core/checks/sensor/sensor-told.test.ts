import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of a sensor exchanged, or moved by hand', () => {
  it.each([
    [
      {
        substituteC: 20,
        air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } },
        oldOffC: null
      },
      'unclear (circuitSound): A known good sensor reads right in its place: the circuit is good. Whether the old sensor is at fault shows only where its own error was measured | Known good sensor less air: 0 °C ± 1.4 °C [± 3 °C] | sensor: 20 for 20 ± 0.5, circuit, at sensor | in words: Known good sensor 20 °C, air 20 °C'
    ],
    [
      { substituteC: 20, air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } }, oldOffC: -12 },
      'fail (reads): A known good sensor reads right in its place: the old sensor is at fault | Known good sensor less air: 0 °C ± 1.4 °C [± 3 °C] | Old sensor was off by: −12 °C | sensor: 20 for 20 ± 0.5, circuit, at sensor | sensor: 8 for 20 ± 3.0, both, at sensor | in words: Known good sensor 20 °C, air 20 °C'
    ],
    [
      { substituteC: 20, air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } }, oldOffC: 2 },
      'pass (sound): Both sensors agree with the air around them: sensor and circuit are good | Known good sensor less air: 0 °C ± 1.4 °C [± 3 °C] | Old sensor was off by: +2 °C | sensor: 20 for 20 ± 0.5, circuit, at sensor | sensor: 22 for 20 ± 3.0, both, at sensor | in words: Known good sensor 20 °C, air 20 °C'
    ],
    [
      {
        substituteC: 35,
        air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } },
        oldOffC: null
      },
      'fail (off): A known good sensor is off by 15 °C: the circuit, not the sensor | Known good sensor less air: +15 °C ± 1.4 °C [± 3 °C] | sensor: 35 for 20 ± 0.5, circuit, at sensor | in words: Known good sensor 35 °C, air 20 °C'
    ],
    [
      { substituteC: 35, air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } }, oldOffC: 14 },
      'fail (off): A known good sensor is off by 15 °C too, as much as the old one: the circuit, not the sensor | Known good sensor less air: +15 °C ± 1.4 °C [± 3 °C] | Old sensor was off by: +14 °C | sensor: 35 for 20 ± 0.5, circuit, at sensor | sensor: 34 for 20 ± 3.0, both, at sensor | in words: Known good sensor 35 °C, air 20 °C'
    ],
    [
      { substituteC: 35, air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } }, oldOffC: -3 },
      'fail (off): A known good sensor is off by 15 °C: the circuit, not the sensor | Known good sensor less air: +15 °C ± 1.4 °C [± 3 °C] | Old sensor was off by: −3 °C | sensor: 35 for 20 ± 0.5, circuit, at sensor | sensor: 17 for 20 ± 3.0, both, at sensor | in words: Known good sensor 35 °C, air 20 °C'
    ],
    [
      {
        substituteC: 24,
        air: { celsius: 20, instrument: { kind: 'glass', uncertaintyC: 1 } },
        oldOffC: null
      },
      'unclear: Off by 4 °C: let it lie in the air longer, away from the engine | Known good sensor less air: +4 °C ± 1.4 °C [± 3 °C] | sensor: 24 for 20 ± 0.5, circuit, at sensor | in words: Known good sensor 24 °C, air 20 °C'
    ]
  ])('a known good sensor: %j', (readings, says) =>
    expect(told('ect-substitute', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { sensorPlug: 'steady', loom: null, unitPlug: null, ground: null, fanPlug: null, jumpC: null },
      'unclear: Steady at the one place moved so far | Sensor plug: Stays steady | in words: Sensor plug: stays steady'
    ],
    [
      { sensorPlug: 'steady', loom: 'steady', unitPlug: null, ground: null, fanPlug: null, jumpC: null },
      'unclear: Steady at the two places moved so far | Sensor plug: Stays steady | Loom on its way: Stays steady | in words: Sensor plug: stays steady, Loom on its way: stays steady'
    ],
    [
      { sensorPlug: 'steady', loom: 'steady', unitPlug: null, ground: 'steady', fanPlug: null, jumpC: null },
      'pass (sound): Steady wherever it was moved, 3 places | Sensor plug: Stays steady | Loom on its way: Stays steady | Ground point: Stays steady | in words: Sensor plug: stays steady, Loom on its way: stays steady, Ground point: stays steady'
    ],
    [
      { sensorPlug: 'follows', loom: null, unitPlug: null, ground: null, fanPlug: null, jumpC: 40 },
      'fail (plug): Follows the hand: sensor plug | Sensor plug: Follows the hand | Largest jump: 40 °C | in words: Sensor plug: follows the hand'
    ],
    [
      { sensorPlug: 'steady', loom: 'follows', unitPlug: null, ground: null, fanPlug: null, jumpC: null },
      'fail (wire): Follows the hand: loom on its way | Sensor plug: Stays steady | Loom on its way: Follows the hand | in words: Sensor plug: stays steady, Loom on its way: follows the hand'
    ],
    [
      { sensorPlug: null, loom: null, unitPlug: 'follows', ground: null, fanPlug: 'follows', jumpC: null },
      'fail (wire, fan): Follows the hand: control unit plug, fan plug or relay socket | Control unit plug: Follows the hand | Fan plug or relay socket: Follows the hand | in words: Control unit plug: follows the hand, Fan plug or relay socket: follows the hand'
    ]
  ])('moved by hand: %j', (readings, says) => expect(told('wiggle', readings, minibus)).toBe(says));
});
