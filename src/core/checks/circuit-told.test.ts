import { describe, expect, it } from 'vitest';
import { context, curlew, told } from '../../../tests/support/check-bench';
import { placeOf, sayVolts, soundWords, templateOf } from './circuit-check';
import { plainText } from '../units/say';
import { checkOf, type CheckId } from './registry';

describe('what is told of a fan’s circuit', () => {
  it.each<[string, CheckId, object, string]>([
    [
      'one sight, which leaves it open',
      'relay-socket',
      { circuit: 'fan-relay', batteryV: 12.6, taken: [{ state: 'on', at: 'turns', value: 2 }] },
      'unclear (not fan-feed-open, not fan-motor-weak, not fan-motor-dead, not fan-command-missing, not fan-relay-coil): Open between: circuit sound, relay contacts welded. Measure next: Load pin, ignition on, not commanded | Fan, commanded on: full speed [full speed if sound] | Circuit sound: 64 % | Relay contacts welded: 16 % | Control wire on ground, or command stuck: 13 % | in words: Fan full speed (commanded on)'
    ],
    [
      'sound, by six readings',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12.6,
        taken: [
          { state: 'off', at: '87', value: 0 },
          { state: 'on', at: 'turns', value: 2 },
          { state: 'on', at: 'motorPlus', value: 11.7 },
          { state: 'on', at: 'motorMinus', value: 0.22 },
          { state: 'on', at: '85', value: 0.08 },
          { state: 'off', at: 'turns', value: 0 }
        ]
      },
      'pass (not fan-relay-contacts, not fan-feed-open, not fan-motor-weak, not fan-relay-welded, not fan-relay-coil, not fan-motor-dead, not fan-command-missing): Everything measured is as a sound circuit shows it | Load pin, ignition on, not commanded: 0.00 V [0.00 V if sound] | Fan, commanded on: full speed [full speed if sound] | Fan plug, plus, commanded on: 11.7 V [11.7 V if sound] | Fan plug, minus, commanded on: 0.22 V [0.22 V if sound] | Control pin, commanded on: 0.08 V [0.08 V if sound] | Fan, ignition on, not commanded: stands [stands if sound] | Circuit sound: 99 % | in words: Load pin 0.00 V (ignition on, not commanded), Fan full speed (commanded on), Fan plug, plus 11.7 V (commanded on), Fan plug, minus 0.22 V (commanded on), Control pin 0.08 V (commanded on), Fan stands (ignition on, not commanded)'
    ],
    [
      'motor fed and still',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12.6,
        taken: [
          { state: 'on', at: 'motorPlus', value: 12.5 },
          { state: 'on', at: 'motorMinus', value: 0.01 },
          { state: 'on', at: 'turns', value: 0 }
        ]
      },
      'fail (fan-motor-dead, not fan-feed-open, not fan-motor-weak, not fan-relay-contacts, not fan-command-missing, not fan-relay-coil, not fan-relay-welded): Fan motor open, by 3 readings | Fan plug, plus, commanded on: 12.5 V [11.7 V if sound] | Fan plug, minus, commanded on: 0.01 V [0.22 V if sound] | Fan, commanded on: stands [full speed if sound] | Fan motor open: 99 % | in words: Fan plug, plus 12.5 V (commanded on), Fan plug, minus 0.01 V (commanded on), Fan stands (commanded on)'
    ],
    [
      'no feed',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12.6,
        taken: [
          { state: 'on', at: '30', value: 0 },
          { state: 'on', at: 'turns', value: 0 }
        ],
        names: { '30': 'Box 4, pin 2' }
      },
      'fail (fan-feed-open, not fan-motor-dead, not fan-relay-contacts, not fan-command-missing, not fan-relay-coil, not fan-motor-weak, not fan-relay-welded): Fuse or supply wire open, by 2 readings | Box 4, pin 2, commanded on: 0.00 V [12.2 V if sound] | Fan, commanded on: stands [full speed if sound] | Fuse or supply wire open: 99 % | in words: Box 4, pin 2 0.00 V (commanded on), Fan stands (commanded on)'
    ],
    [
      'no command',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12.6,
        taken: [
          { state: 'on', at: '85', value: 12.6 },
          { state: 'on', at: 'unit', value: 12.6 },
          { state: 'on', at: 'clicks', value: 0 }
        ]
      },
      'fail (fan-command-missing, not fan-relay-coil, not fan-feed-open, not fan-relay-contacts, not fan-motor-dead, not fan-motor-weak, not fan-relay-welded): Control unit does not pull down, by 3 readings | Control pin, commanded on: 12.6 V [0.08 V if sound] | Control unit’s pin, commanded on: 12.6 V [0.07 V if sound] | Relay, commanded on: silent [clicks if sound] | Control unit does not pull down: 99 % | in words: Control pin 12.6 V (commanded on), Control unit’s pin 12.6 V (commanded on), Relay silent (commanded on)'
    ],
    [
      'still, and nothing else',
      'relay-socket',
      { circuit: 'fan-relay', batteryV: 12.6, taken: [{ state: 'on', at: 'turns', value: 0 }] },
      'unclear (not fan-motor-weak, not fan-relay-welded): Open between: fuse or supply wire open, fan motor open. Measure next: Fan plug, plus, commanded on | Fan, commanded on: stands [full speed if sound] | Fuse or supply wire open: 17 % | Fan motor open: 14 % | Relay contacts do not close: 13 % | Control unit does not pull down: 10 % | Relay coil open: 9 % | in words: Fan stands (commanded on)'
    ],
    [
      'a sight that has no such step',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12.6,
        taken: [
          { state: 'on', at: 'turns', value: 3 },
          { state: 'off', at: 'turns', value: -1 },
          { state: 'on', at: 'clicks', value: 0.5 }
        ]
      },
      'unclear (not fan-motor-dead, not fan-relay-coil, not fan-motor-weak, not fan-relay-welded): Open between: circuit sound, relay contacts burnt. Measure next: Fan plug, minus, commanded on | Fan, commanded on: ? [full speed if sound] | Fan, ignition on, not commanded: ? [stands if sound] | Relay, commanded on: clicks [clicks if sound] | Circuit sound: 43 % | Relay contacts burnt: 19 % | Resistance in the supply: 12 % | Resistance in the fan ground: 12 % | refused: Fan: choose one of stands, turns slowly, full speed | refused: Fan: choose one of stands, turns slowly, full speed | refused: Relay: choose one of silent, clicks | in words: Fan ? (commanded on), Fan ? (ignition on, not commanded), Relay clicks (commanded on)'
    ],
    [
      'volts above the battery',
      'relay-socket',
      {
        circuit: 'fan-relay',
        batteryV: 12,
        taken: [
          { state: 'on', at: '87', value: 12.79 },
          { state: 'off', at: '30', value: 12.77 }
        ]
      },
      'unclear (fan-motor-dead, not fan-motor-weak, not fan-relay-coil, not fan-relay-welded): Open between: fan motor open, fan ground open. Measure next: Fan plug, minus, commanded on | Load pin, commanded on: 12.8 V [11.4 V if sound] | Supply pin, ignition on, not commanded: 12.8 V [12.0 V if sound] | Fan motor open: 44 % | Fan ground open: 26 % | Resistance in the fan ground: 7 % | Circuit sound: 6 % | refused: Load pin: 12.8 V is above the battery’s 12.0 V; measure the battery anew, in the same state | in words: Load pin 12.8 V (commanded on), Supply pin 12.8 V (ignition on, not commanded)'
    ],
    [
      'contacts of a pair',
      'relay-socket',
      {
        circuit: 'fan-pair',
        batteryV: 12.6,
        taken: [
          { state: 'low', at: 'A30', value: 12.5 },
          { state: 'low', at: 'fan1Plus', value: 0 },
          { state: 'low', at: 'A85', value: 0.07 },
          { state: 'low', at: 'fan1', value: 0 }
        ]
      },
      'fail (fan-relay-contacts, not fan-motor-dead, not fan-command-missing, not fan-relay-welded): Contacts of relay A do not close, by 4 readings | Relay A, supply, low speed commanded: 12.5 V [12.4 V if sound] | Fan 1, plus, low speed commanded: 0.00 V [12.2 V if sound] | Relay A, control, low speed commanded: 0.07 V [0.07 V if sound] | Fan 1, low speed commanded: stands [turns slowly if sound] | Contacts of relay A do not close: 92 % | in words: Relay A, supply 12.5 V (low speed commanded), Fan 1, plus 0.00 V (low speed commanded), Relay A, control 0.07 V (low speed commanded), Fan 1 stands (low speed commanded)'
    ],
    [
      'a controller that is fed, told and silent',
      'controller-in-out',
      {
        circuit: 'fan-controller',
        batteryV: 12.6,
        taken: [
          { state: 'demand', at: 'supply', value: 12.5 },
          { state: 'demand', at: 'ground', value: 0.02 },
          { state: 'demand', at: 'command', value: 3.9 },
          { state: 'demand', at: 'output', value: 0 }
        ]
      },
      'fail (fan-controller-dead, not fan-feed-open, not fan-command-missing, not fan-motor-dead, not fan-motor-weak, not fan-controller-shorted): Controller gives nothing, by 4 readings | Supply pin, full demand: 12.5 V [12.2 V if sound] | Ground pin, full demand: 0.02 V [0.22 V if sound] | Command pin, full demand: 3.9 V [3.9 V if sound] | Output to the motor, full demand: 0.00 V [12.1 V if sound] | Controller gives nothing: 99 % | in words: Supply pin 12.5 V (full demand), Ground pin 0.02 V (full demand), Command pin 3.9 V (full demand), Output to the motor 0.00 V (full demand)'
    ],
    [
      'a controller that runs at rest',
      'controller-in-out',
      {
        circuit: 'fan-controller',
        batteryV: 12.6,
        taken: [
          { state: 'rest', at: 'output', value: 11.9 },
          { state: 'rest', at: 'command', value: 0.24 },
          { state: 'rest', at: 'turns', value: 2 }
        ]
      },
      'fail (fan-controller-shorted, not fan-motor-dead, not fan-controller-dead, not fan-feed-open, not fan-motor-weak, not fan-command-missing): Controller drives without command, by 3 readings | Output to the motor, ignition on, at rest: 11.9 V [0.00 V if sound] | Command pin, ignition on, at rest: 0.24 V [0.24 V if sound] | Fan, ignition on, at rest: full speed [stands if sound] | Controller drives without command: 99 % | in words: Output to the motor 11.9 V (ignition on, at rest), Command pin 0.24 V (ignition on, at rest), Fan full speed (ignition on, at rest)'
    ]
  ])('%s', (_, check, readings, says) => expect(told(check, readings, context([], curlew))).toBe(says));

  it('names the reading that no state of it has', () => {
    const issues = checkOf('relay-socket').readings.safeParse({
      circuit: 'fan-relay',
      batteryV: 12.6,
      taken: [
        { state: 'off', at: '30', value: 12.6 },
        { state: 'off', at: 'clicks', value: 1 }
      ]
    }).error!.issues;
    expect(issues.map((i) => [i.path.join('.'), i.message])).toEqual([
      ['taken.1', 'clicks cannot be measured in state off of this circuit']
    ]);
  });
  it('knows a place by its state: volts at a pin, a sight where it can be seen, and nothing elsewhere', () => {
    const relay = templateOf('fan-relay');
    expect(placeOf(relay, 'on', '30')).toMatchObject({ terminal: '30', steps: null });
    expect(placeOf(relay, 'on', 'clicks')).toMatchObject({ terminal: null, steps: ['silent', 'clicks'] });
    for (const [state, at] of [
      ['off', 'clicks'],
      ['asleep', '30'],
      ['on', 'no such pin']
    ])
      expect(placeOf(relay, state, at)).toBeUndefined();
  });
  it('says volts to a tenth, and to a hundredth where they are few', () => {
    expect([12.34, 1, 0.996, -0.234, 0].map((v) => plainText(sayVolts(v)))).toEqual([
      '12.3 V',
      '1.0 V',
      '1.00 V',
      '−0.23 V',
      '0.00 V'
    ]);
  });
  it('says what a sound one shows, and nothing of a place it has not', () => {
    expect(plainText(soundWords('fan-relay', 'off', '30', 12.6))).toBe('12.6 V');
    expect(soundWords('fan-relay', 'on', 'turns', 12.6)).toBe('full speed');
    expect(soundWords('fan-relay', 'on', 'no such pin', 12.6)).toBe('');
  });
});
