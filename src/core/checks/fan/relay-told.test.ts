import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';

const minibus = context([stopped(14)], curlew);

describe('what is told of relays', () => {
  it.each([
    [
      { coilOhm: 85, restOhm: 10000000, clicks: 'yes', dropV: 0.05, loadA: 10 },
      'pass (coilSound, opens, contactsSound): Coil and contacts are sound, the contacts under load | Coil: 85.0 Ω [40 Ω to 450 Ω usual] | Fed: clicks | Contacts under load: 5 mΩ [at most 20 mΩ] | Contacts at rest: 10.00 MΩ | in words: coil 85.0 Ω, clicks, 0.05 V at 10.0 A, at rest 10.00 MΩ'
    ],
    [
      { coilOhm: 85, restOhm: null, clicks: 'yes', dropV: null, loadA: null },
      'unclear (coilSound): It clicks; whether its contacts carry current is shown by the drop under load | Coil: 85.0 Ω [40 Ω to 450 Ω usual] | Fed: clicks | in words: coil 85.0 Ω, clicks'
    ],
    [
      { coilOhm: 85, restOhm: null, clicks: null, dropV: null, loadA: null },
      'unclear: Nothing wrong so far: feed the coil, and load the contacts | Coil: 85.0 Ω [40 Ω to 450 Ω usual] | in words: coil 85.0 Ω'
    ],
    [
      { coilOhm: 20000, restOhm: null, clicks: null, dropV: null, loadA: null },
      'fail (coil): The coil is open | Coil: 20.00 kΩ [40 Ω to 450 Ω usual] | in words: coil 20.00 kΩ'
    ],
    [
      { coilOhm: 19999, restOhm: null, clicks: null, dropV: null, loadA: null },
      'unclear: Nothing wrong so far: feed the coil, and load the contacts | Coil: 20.00 kΩ [40 Ω to 450 Ω usual] | sure? A coil of 20.00 kΩ is more than relays usually have | in words: coil 20.00 kΩ'
    ],
    [
      { coilOhm: 14.9, restOhm: null, clicks: 'no', dropV: null, loadA: null },
      'fail (coil): The coil has shorted turns; fed, it does not click | Coil: 14.9 Ω [40 Ω to 450 Ω usual] | Fed: silent | in words: coil 14.9 Ω, silent'
    ],
    [
      { coilOhm: 15, restOhm: null, clicks: null, dropV: null, loadA: null },
      'unclear: Nothing wrong so far: feed the coil, and load the contacts | Coil: 15.0 Ω [40 Ω to 450 Ω usual] | in words: coil 15.0 Ω'
    ],
    [
      { coilOhm: 451, restOhm: null, clicks: null, dropV: null, loadA: null },
      'unclear: Nothing wrong so far: feed the coil, and load the contacts | Coil: 451.0 Ω [40 Ω to 450 Ω usual] | sure? A coil of 451.0 Ω is more than relays usually have | in words: coil 451.0 Ω'
    ],
    [
      { coilOhm: 450, restOhm: null, clicks: null, dropV: null, loadA: null },
      'unclear: Nothing wrong so far: feed the coil, and load the contacts | Coil: 450.0 Ω [40 Ω to 450 Ω usual] | in words: coil 450.0 Ω'
    ],
    [
      { coilOhm: null, restOhm: null, clicks: 'no', dropV: null, loadA: null },
      'fail (coil): Fed, it does not click | Fed: silent | in words: silent'
    ],
    [
      { coilOhm: null, restOhm: 4.9, clicks: 'yes', dropV: 0.21, loadA: 10 },
      'fail (coilSound, welded, contacts): Its contacts are closed with nothing on the coil; its contacts lose 0.21 V at 10.0 A | Fed: clicks | Contacts under load: 21 mΩ [at most 20 mΩ] | Contacts at rest: 4.9 Ω | in words: clicks, 0.21 V at 10.0 A, at rest 4.9 Ω'
    ],
    [
      { coilOhm: null, restOhm: 5, clicks: 'yes', dropV: null, loadA: null },
      'unclear (coilSound): It clicks; whether its contacts carry current is shown by the drop under load | Fed: clicks | Contacts at rest: 5.0 Ω | in words: clicks, at rest 5.0 Ω'
    ],
    [
      { coilOhm: null, restOhm: 1010000, clicks: null, dropV: null, loadA: null },
      'unclear (opens): Nothing wrong so far: feed the coil, and load the contacts | Contacts at rest: 1.01 MΩ | in words: at rest 1.01 MΩ'
    ],
    [
      { coilOhm: null, restOhm: null, clicks: 'yes', dropV: 0.2, loadA: 10 },
      'pass (coilSound, contactsSound): Coil and contacts are sound, the contacts under load | Fed: clicks | Contacts under load: 20 mΩ [at most 20 mΩ] | in words: clicks, 0.20 V at 10.0 A'
    ]
  ])('on the bench: %j', (readings, says) => expect(told('relay-bench', readings, minibus)).toBe(says));

  it.each([
    [
      { identical: true, donorSafe: true, donor: 'horn', then: 'runs', putBack: true },
      'fail (runs): The fan runs with another relay: the relay it had is at fault | Borrowed from: horn | With it: Fan runs now when commanded | Put back: yes | in words: Relay of the horn: fan runs now when commanded, put back'
    ],
    [
      { identical: true, donorSafe: true, donor: 'horn', then: 'ran', putBack: true },
      'pass (ran): The fan runs with either relay when commanded: its own is good today | Borrowed from: horn | With it: Fan ran with its own relay too | Put back: yes | in words: Relay of the horn: fan ran with its own relay too, put back'
    ],
    [
      { identical: true, donorSafe: true, donor: 'horn', then: 'stops', putBack: false },
      'fail (stops): With another relay the fan stops: the one it had is welded | Borrowed from: horn | With it: Fan that ran on has stopped | Put back: not yet | but: The relay of the horn has not been put back | in words: Relay of the horn: fan that ran on has stopped'
    ],
    [
      { identical: true, donorSafe: true, donor: 'horn', then: 'dead', putBack: true },
      'pass (sound): No change with another relay: not the relay | Borrowed from: horn | With it: Still stands still | Put back: yes | in words: Relay of the horn: still stands still, put back'
    ],
    [
      { identical: true, donorSafe: true, donor: 'horn', then: 'runs-on', putBack: true },
      'pass (runsOn): It runs on with another relay: something commands it | Borrowed from: horn | With it: Still runs on | Put back: yes | in words: Relay of the horn: still runs on, put back'
    ],
    [
      { identical: false, donorSafe: false, donor: 'horn', then: 'dead', putBack: true },
      'pass (sound): No change with another relay: not the relay | Borrowed from: horn | With it: Still stands still | Put back: yes | refused: Relays of one shape differ inside: swap only where the part number is the same, letter for letter | refused: Borrow only from a circuit that the engine does not need to run safely, as a horn or a rear wash | in words: Relay of the horn: still stands still, put back'
    ]
  ])('another relay: %j', (readings, says) => expect(told('relay-swap', readings, minibus)).toBe(says));
});
