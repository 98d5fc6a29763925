import { describe, expect, it } from 'vitest';
import { context, curlew, entry, sheetOf, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);
const parcel = context([stopped(14)], sheetOf('qh-07-parcel'));
const noSheet = context([stopped(14)], null);
const rated = context([stopped(14)], { ...curlew, fan: { ...curlew.fan!, ratedA: 20 } });
const noRule = context([stopped(14)], { ...curlew, fan: { ...curlew.fan!, afterRunMaxMin: undefined } });
const diesel = context([stopped(14)], { ...curlew, engine: { ...curlew.engine!, fuel: 'diesel' } });
const again = {
  ...diesel,
  earlier: [entry('key-off-fan', { ranMin: 9, coolantC: null, stillRunning: false }, diesel)]
};

describe('what is told of a fan that is commanded, fed or switched off', () => {
  it.each([
    [
      { turns: 'full', click: 'yes', commandedPct: 100 },
      'pass (sound): Runs when commanded: motor, feed and relay are good | Commanded: 100 % | Relay: Clicks | Fan: Turns as it should | in words: Commanded 100 %: clicks, turns as it should'
    ],
    [
      { turns: 'slow', click: 'yes', commandedPct: 80 },
      'fail (slow): Turns slowly at 80 % | Commanded: 80 % | Relay: Clicks | Fan: Turns slowly | in words: Commanded 80 %: clicks, turns slowly'
    ],
    [
      { turns: 'slow', click: 'yes', commandedPct: 79 },
      'unclear: Turns slowly at 79 %: command it fully before judging | Commanded: 79 % | Relay: Clicks | Fan: Turns slowly | in words: Commanded 79 %: clicks, turns slowly'
    ],
    [
      { turns: 'no', click: 'yes', commandedPct: 100 },
      'fail (noPower): The relay clicks and the fan stands still: the command arrives, the power does not | Commanded: 100 % | Relay: Clicks | Fan: Stands still | in words: Commanded 100 %: clicks, stands still'
    ],
    [
      { turns: 'no', click: 'no', commandedPct: 100 },
      'fail (noClick): No click and no fan: the command does not arrive, or the coil is open | Commanded: 100 % | Relay: No click | Fan: Stands still | in words: Commanded 100 %: no click, stands still'
    ],
    [
      { turns: 'no', click: 'unknown', commandedPct: 100 },
      'fail (dead): Stands still; whether the relay clicked was not to be heard. A hand on the relay feels it | Commanded: 100 % | Relay: Not to be heard | Fan: Stands still | in words: Commanded 100 %: not to be heard, stands still'
    ]
  ])('a fan with relays: %j', (readings, says) => expect(told('fan-command', readings, minibus)).toBe(says));

  it.each([
    [
      { turns: 'no', click: 'yes', commandedPct: 100 },
      'fail (dead): Stands still when commanded | Commanded: 100 % | Relay: Clicks | Fan: Stands still | in words: Commanded 100 %: clicks, stands still'
    ],
    [
      { turns: 'no', click: 'no', commandedPct: 100 },
      'fail (dead): Stands still when commanded | Commanded: 100 % | Relay: No click | Fan: Stands still | in words: Commanded 100 %: no click, stands still'
    ]
  ])('a fan with a controller: %j', (readings, says) =>
    expect(told('fan-command', readings, parcel)).toBe(says)
  );

  it.each([
    [
      { turns: 'no', click: 'no', commandedPct: 100 },
      'fail (dead): No click and no fan: the command does not arrive, or the coil is open | Commanded: 100 % | Relay: No click | Fan: Stands still | in words: Commanded 100 %: no click, stands still'
    ]
  ])('a fan of nobody knows what: %j', (readings, says) =>
    expect(told('fan-command', readings, noSheet)).toBe(says)
  );

  it.each([
    [
      { at: 'plug', turns: 'full', amps: 12, feedV: 12.4 },
      'pass (sound): Runs when fed directly: motor and its wiring are good; look at relay, feed and command | Fed at: Fan plug | Fan: Full speed | Current: 12.0 A [6 A to 35 A usual] | At the plug: 12.4 V | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: full speed, 12.0 A'
    ],
    [
      { at: 'plug', turns: 'full', amps: null, feedV: null },
      'pass (sound): Runs when fed directly: motor and its wiring are good; look at relay, feed and command | Fed at: Fan plug | Fan: Full speed | in words: Fed at the fan plug: full speed'
    ],
    [
      { at: 'plug', turns: 'full', amps: 35, feedV: null },
      'pass (sound): Runs when fed directly: motor and its wiring are good; look at relay, feed and command | Fed at: Fan plug | Fan: Full speed | Current: 35.0 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: full speed, 35.0 A'
    ],
    [
      { at: 'plug', turns: 'full', amps: 36, feedV: null },
      'unclear (drawsMuch): Runs, and draws 36.0 A, more than most. Unusual for such an engine, and no more: the sheet’s current of the fan would decide | Fed at: Fan plug | Fan: Full speed | Current: 36.0 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: full speed, 36.0 A'
    ],
    [
      { at: 'plug', turns: 'slow', amps: null, feedV: null },
      'fail (weak): Turns slowly when fed directly | Fed at: Fan plug | Fan: Slowly | in words: Fed at the fan plug: slowly'
    ],
    [
      { at: 'plug', turns: 'slow', amps: 36, feedV: null },
      'fail (weak): Turns slowly and draws 36.0 A: tight bearings or shorted turns | Fed at: Fan plug | Fan: Slowly | Current: 36.0 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: slowly, 36.0 A'
    ],
    [
      { at: 'plug', turns: 'slow', amps: 5.9, feedV: null },
      'fail (weak): Turns slowly and draws 5.9 A only: worn brushes, or a poor joint on the way | Fed at: Fan plug | Fan: Slowly | Current: 5.9 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: slowly, 5.9 A'
    ],
    [
      { at: 'plug', turns: 'slow', amps: 6, feedV: null },
      'fail (weak): Turns slowly at a usual current: load on the blades, or a weak motor | Fed at: Fan plug | Fan: Slowly | Current: 6.0 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: slowly, 6.0 A'
    ]
  ])('fed past everything: %j', (readings, says) =>
    expect(told('fan-direct-feed', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { at: 'plug', turns: 'no', amps: null, feedV: null },
      'fail (dead): Fed directly it stands still: the motor; the current would tell open from stuck | Fed at: Fan plug | Fan: Stands still | in words: Fed at the fan plug: stands still'
    ],
    [
      { at: 'socket', turns: 'no', amps: null, feedV: null },
      'fail (deadOrWiring): Fed directly it stands still: the motor, or its plug, wire or ground; the current would tell open from stuck | Fed at: Across the relay’s contacts | Fan: Stands still | in words: Fed across the relay’s contacts: stands still'
    ],
    [
      { at: 'socket', turns: 'no', amps: 0.4, feedV: null },
      'fail (deadOrWiring): Fed directly it draws nothing: open in the motor, or its plug, wire or ground | Fed at: Across the relay’s contacts | Fan: Stands still | Current: 0.4 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed across the relay’s contacts: stands still, 0.4 A'
    ],
    [
      { at: 'plug', turns: 'no', amps: 0.4, feedV: null },
      'fail (dead): Fed directly it draws nothing: open in the motor | Fed at: Fan plug | Fan: Stands still | Current: 0.4 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed at the fan plug: stands still, 0.4 A'
    ],
    [
      { at: 'socket', turns: 'no', amps: 0.5, feedV: null },
      'fail (dead): Fed directly it draws 0.5 A and stands still: the motor is stuck or shorted | Fed at: Across the relay’s contacts | Fan: Stands still | Current: 0.5 A [6 A to 35 A usual] | but: The sheet gives no current for this fan; a usual range was taken | in words: Fed across the relay’s contacts: stands still, 0.5 A'
    ]
  ])('fed, and it stands still: %j', (readings, says) =>
    expect(told('fan-direct-feed', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { at: 'plug', turns: 'full', amps: 26, feedV: null },
      'pass (sound): Runs when fed directly: motor and its wiring are good; look at relay, feed and command | Fed at: Fan plug | Fan: Full speed | Current: 26.0 A [14 A to 26 A] | in words: Fed at the fan plug: full speed, 26.0 A'
    ],
    [
      { at: 'plug', turns: 'full', amps: 26.1, feedV: null },
      'fail (drawsMuch): Runs, and draws 26.1 A: too much for its wiring and relay | Fed at: Fan plug | Fan: Full speed | Current: 26.1 A [14 A to 26 A] | in words: Fed at the fan plug: full speed, 26.1 A'
    ],
    [
      { at: 'plug', turns: 'slow', amps: 13.9, feedV: null },
      'fail (weak): Turns slowly and draws 13.9 A only: worn brushes, or a poor joint on the way | Fed at: Fan plug | Fan: Slowly | Current: 13.9 A [14 A to 26 A] | in words: Fed at the fan plug: slowly, 13.9 A'
    ]
  ])('fed, and its sheet gives 20 A: %j', (readings, says) =>
    expect(told('fan-direct-feed', readings, rated)).toBe(says)
  );

  it.each([
    [
      { ranMin: 0, coolantC: null, stillRunning: false },
      'pass (sound): Stopped with the key | Ran on: 0 min [up to 6 min] | Taken from the battery: 0.0 A·h, 0 % of 60 A·h | heat: ran-until 2026-11-25T08:00:00.000Z, coolant null, air null | in words: Ran on 0 min'
    ],
    [
      { ranMin: 0, coolantC: 100, stillRunning: false },
      'pass (sound): Stopped with the key | Ran on: 0 min [up to 6 min] | Taken from the battery: 0.0 A·h, 0 % of 60 A·h | Coolant at key-off: 100 °C | Heat soak to be expected: up to 4 °C more in 2 min | Fan to be expected: for up to 6 min | heat: ran-until 2026-11-25T08:00:00.000Z, coolant 100, air null | in words: Ran on 0 min, coolant 100 °C'
    ],
    [
      { ranMin: 0, coolantC: 101, stillRunning: false },
      'unclear: Stopped with the key at 101 °C, where an after-run of up to 6 min was to be expected | Ran on: 0 min [up to 6 min] | Taken from the battery: 0.0 A·h, 0 % of 60 A·h | Coolant at key-off: 101 °C | Heat soak to be expected: up to 4 °C more in 2 min | Fan to be expected: for up to 6 min | heat: ran-until 2026-11-25T08:00:00.000Z, coolant 101, air null | in words: Ran on 0 min, coolant 101 °C'
    ],
    [
      { ranMin: 4, coolantC: null, stillRunning: false },
      'pass (sound): Ran on for 4 min, within the 6 min of its rule: heat soak after stopping | Ran on: 4 min [up to 6 min] | Taken from the battery: 1.3 A·h, 2 % of 60 A·h | heat: ran-until 2026-11-25T07:56:00.000Z, coolant null, air null | in words: Ran on 4 min'
    ],
    [
      { ranMin: 6, coolantC: 104, stillRunning: false },
      'pass (sound): Ran on for 6 min, within the 6 min of its rule: heat soak after stopping | Ran on: 6 min [up to 6 min] | Taken from the battery: 2.0 A·h, 3 % of 60 A·h | Coolant at key-off: 104 °C | Heat soak to be expected: up to 3 °C more in 1 min | Fan to be expected: for up to 6 min | heat: ran-until 2026-11-25T07:54:00.000Z, coolant 104, air null | in words: Ran on 6 min, coolant 104 °C'
    ],
    [
      { ranMin: 6.1, coolantC: null, stillRunning: false },
      'fail (runsOn): Ran on for 6.1 min; the sheet allows 6 min | Ran on: 6.1 min [up to 6 min] | Taken from the battery: 2.0 A·h, 3 % of 60 A·h | heat: ran-until 2026-11-25T07:53:54.000Z, coolant null, air null | in words: Ran on 6.1 min'
    ],
    [
      { ranMin: 6, coolantC: null, stillRunning: true },
      'fail (runsOn): Ran on for 6 min and still running; the sheet allows 6 min | Ran on: 6 min and still running [up to 6 min] | Taken from the battery: 2.0 A·h, 3 % of 60 A·h | heat: ran-until 2026-11-25T07:54:00.000Z, coolant null, air null | in words: Ran on 6 min, still running'
    ],
    [
      { ranMin: 3, coolantC: null, stillRunning: true },
      'unclear: Still running after 3 min of the 6 min allowed: watch it to the end | Ran on: 3 min and still running [up to 6 min] | Taken from the battery: 1.0 A·h, 2 % of 60 A·h | heat: ran-until 2026-11-25T07:57:00.000Z, coolant null, air null | in words: Ran on 3 min, still running'
    ],
    [
      { ranMin: 3, coolantC: 90, stillRunning: false },
      'fail (runsOn): Ran on for 3 min with the coolant at 90 °C, well below its off point at 96 °C | Ran on: 3 min [up to 6 min] | Taken from the battery: 1.0 A·h, 2 % of 60 A·h | Coolant at key-off: 90 °C | Heat soak to be expected: up to 5 °C more in 2 min | Fan to be expected: stops with the key | heat: ran-until 2026-11-25T07:57:00.000Z, coolant 90, air null | in words: Ran on 3 min, coolant 90 °C'
    ],
    [
      { ranMin: 3, coolantC: 91, stillRunning: false },
      'pass (sound): Ran on for 3 min, within the 6 min of its rule: heat soak after stopping | Ran on: 3 min [up to 6 min] | Taken from the battery: 1.0 A·h, 2 % of 60 A·h | Coolant at key-off: 91 °C | Heat soak to be expected: up to 4 °C more in 1 min | Fan to be expected: stops with the key | heat: ran-until 2026-11-25T07:57:00.000Z, coolant 91, air null | in words: Ran on 3 min, coolant 91 °C'
    ]
  ])('after key-off, up to 6 min by its rule: %j', (readings, says) =>
    expect(told('key-off-fan', readings, minibus)).toBe(says)
  );

  it.each([
    [
      { ranMin: 3, coolantC: null, stillRunning: false },
      'unclear: Ran on for 3 min; the sheet gives no rule to hold it against | Ran on: 3 min | Taken from the battery: 1.0 A·h, 2 % of 60 A·h | heat: ran-until 2026-11-25T07:57:00.000Z, coolant null, air null | in words: Ran on 3 min'
    ],
    [
      { ranMin: 0, coolantC: 104, stillRunning: false },
      'pass (sound): Stopped with the key | Ran on: 0 min | Taken from the battery: 0.0 A·h, 0 % of 60 A·h | Coolant at key-off: 104 °C | Heat soak to be expected: up to 4 °C more in 2 min | heat: ran-until 2026-11-25T08:00:00.000Z, coolant 104, air null | in words: Ran on 0 min, coolant 104 °C'
    ]
  ])('after key-off, without a rule: %j', (readings, says) =>
    expect(told('key-off-fan', readings, noRule)).toBe(says)
  );

  it.each([
    [
      { ranMin: 9, coolantC: null, stillRunning: false },
      'unclear: Ran on for 9 min; the sheet allows 6 min, and a diesel that has just burnt its filter clean may run on. Watch the next key-off as well | Ran on: 9 min [up to 6 min] | Taken from the battery: 3.0 A·h, 5 % of 60 A·h | heat: ran-until 2026-11-25T07:51:00.000Z, coolant null, air null | in words: Ran on 9 min'
    ]
  ])('after key-off, a diesel: %j', (readings, says) =>
    expect(told('key-off-fan', readings, diesel)).toBe(says)
  );

  it.each([
    [
      { ranMin: 9, coolantC: null, stillRunning: false },
      'fail (runsOn): Ran on for 9 min; the sheet allows 6 min | Ran on: 9 min [up to 6 min] | Taken from the battery: 3.0 A·h, 5 % of 60 A·h | heat: ran-until 2026-11-25T07:51:00.000Z, coolant null, air null | in words: Ran on 9 min'
    ]
  ])('after key-off, a diesel that did so before: %j', (readings, says) =>
    expect(told('key-off-fan', readings, again)).toBe(says)
  );
});
