import { BATTERY_OHM, COIL_OHM, DRIVER_OHM, LEAD_OHM, MOTOR_OHM, turnsBy, turning } from './fan-relay';
import { CLOSED_OHM, GROUND, OPEN_OHM, type Network } from './network';
import { sizesFrom, type Template } from './template';

const BURNT = sizesFrom(0.15, 40);

/** Which relays a state asks for: A alone for low, all three for high. */
const ASKED: Readonly<Record<string, string>> = { off: '', low: 'A', high: 'ABC' };

/** Relay A hangs on the low command; B and C on the high one. */
const commandOf = (relay: string) => (relay === 'A' ? 'low' : 'high');

function coil(relay: string, state: string, fault: string): Network['resistors'] {
  const asked = ASKED[state].includes(relay);
  const answered = asked && fault !== `${commandOf(relay)}-command-missing`;
  return [
    ['86', `${relay}85`, fault === `coil-${relay}-open` ? OPEN_OHM : COIL_OHM],
    [`${relay}85`, GROUND, answered ? DRIVER_OHM : OPEN_OHM]
  ];
}

const isDrawn = (relay: string, state: string, fault: string): boolean =>
  ASKED[state].includes(relay) &&
  fault !== 'coil-feed-open' &&
  fault !== `coil-${relay}-open` &&
  fault !== `${commandOf(relay)}-command-missing`;

/**
 * Battery → A → fan 1 → C, which at rest passes on to fan 2 (series, low speed) and drawn goes to ground, while B
 * feeds fan 2 by itself (parallel, high speed).
 */
function network(state: string, fault: string, size: number, batteryV: number): Network {
  const is = (id: string, bad: number, good: number) => (fault === id ? bad : good);
  const contact = (relay: 'A' | 'B') => {
    const closed = isDrawn(relay, state, fault) || fault === `contacts-${relay}-welded`;
    if (!closed || fault === `contacts-${relay}-open`) return OPEN_OHM;
    return is(`contacts-${relay}-burnt`, size, CLOSED_OHM);
  };
  const over =
    fault === 'changeover-stuck-on' || (isDrawn('C', state, fault) && fault !== 'changeover-stays');
  return {
    sources: [
      { node: '15', volts: batteryV, ohm: BATTERY_OHM },
      { node: 'battery', volts: batteryV, ohm: BATTERY_OHM }
    ],
    resistors: [
      ['15', '86', is('coil-feed-open', OPEN_OHM, LEAD_OHM)],
      ...['A', 'B', 'C'].flatMap((relay) => coil(relay, state, fault)),
      ['battery', 'A30', is('fuse-1-open', OPEN_OHM, LEAD_OHM)],
      ['A30', 'fan1Plus', contact('A')],
      ['fan1Plus', 'fan1Minus', is('motor-1-open', OPEN_OHM, MOTOR_OHM)],
      ['fan1Minus', 'fan2Plus', over ? OPEN_OHM : is('series-path-open', OPEN_OHM, CLOSED_OHM)],
      ['fan1Minus', 'C87', over ? CLOSED_OHM : OPEN_OHM],
      ['C87', GROUND, is('ground-1-open', OPEN_OHM, LEAD_OHM)],
      ['battery', 'B30', is('fuse-2-open', OPEN_OHM, LEAD_OHM)],
      ['B30', 'fan2Plus', contact('B')],
      ['fan2Plus', 'fan2Minus', is('motor-2-open', OPEN_OHM, MOTOR_OHM)],
      ['fan2Minus', GROUND, is('ground-2-open', OPEN_OHM, LEAD_OHM)]
    ]
  };
}

/** Two fans with series–parallel speeds by three relays. */
export const FAN_PAIR: Template = {
  id: 'fan-pair',
  title: 'Two fans in series and parallel by three relays',
  states: [
    { id: 'off', title: 'Ignition on, not commanded' },
    { id: 'low', title: 'Low speed commanded' },
    { id: 'high', title: 'High speed commanded' }
  ],
  taps: [
    { id: 'A30', title: 'Relay A, supply', terminal: '30' },
    { id: 'fan1Plus', title: 'Fan 1, plus', terminal: '87' },
    { id: 'fan1Minus', title: 'Fan 1, minus', terminal: '30' },
    { id: 'C87', title: 'Relay C, ground', terminal: '31' },
    { id: 'B30', title: 'Relay B, supply', terminal: '30' },
    { id: 'fan2Plus', title: 'Fan 2, plus', terminal: '87' },
    { id: 'fan2Minus', title: 'Fan 2, minus', terminal: '31' },
    { id: '86', title: 'Coils, feed', terminal: '86' },
    { id: 'A85', title: 'Relay A, control', terminal: '85' },
    { id: 'B85', title: 'Relay B, control', terminal: '85' },
    { id: 'C85', title: 'Relay C, control', terminal: '85' }
  ],
  sights: [
    // A motor that is open has all the volts across it and stands still.
    turning('fan1', 'Fan 1', ['off', 'low', 'high'], (v, _, fault) =>
      fault === 'motor-1-open' ? 0 : turnsBy(v('fan1Plus') - v('fan1Minus'))
    ),
    turning('fan2', 'Fan 2', ['off', 'low', 'high'], (v, _, fault) =>
      fault === 'motor-2-open' ? 0 : turnsBy(v('fan2Plus') - v('fan2Minus'))
    )
  ],
  faults: [
    { id: 'sound', title: 'Circuit sound', prior: 0.2 },
    { id: 'fuse-1-open', title: 'Fuse or supply of relay A open', prior: 0.07 },
    { id: 'fuse-2-open', title: 'Fuse or supply of relay B open', prior: 0.07 },
    { id: 'contacts-A-open', title: 'Contacts of relay A do not close', prior: 0.06 },
    { id: 'contacts-A-burnt', title: 'Contacts of relay A burnt', prior: 0.06 },
    { id: 'contacts-A-welded', title: 'Contacts of relay A welded', prior: 0.04 },
    { id: 'contacts-B-open', title: 'Contacts of relay B do not close', prior: 0.05 },
    { id: 'contacts-B-burnt', title: 'Contacts of relay B burnt', prior: 0.05 },
    { id: 'contacts-B-welded', title: 'Contacts of relay B welded', prior: 0.03 },
    { id: 'changeover-stays', title: 'Relay C does not change over', prior: 0.06 },
    { id: 'changeover-stuck-on', title: 'Relay C stuck on ground', prior: 0.04 },
    { id: 'series-path-open', title: 'Rest contact of relay C open', prior: 0.05 },
    { id: 'coil-A-open', title: 'Coil of relay A open', prior: 0.04 },
    { id: 'coil-B-open', title: 'Coil of relay B open', prior: 0.03 },
    { id: 'coil-C-open', title: 'Coil of relay C open', prior: 0.03 },
    { id: 'coil-feed-open', title: 'Coils have no feed', prior: 0.04 },
    { id: 'low-command-missing', title: 'Low speed is not commanded', prior: 0.05 },
    { id: 'high-command-missing', title: 'High speed is not commanded', prior: 0.05 },
    { id: 'motor-1-open', title: 'Motor of fan 1 open', prior: 0.07 },
    { id: 'motor-2-open', title: 'Motor of fan 2 open', prior: 0.07 },
    { id: 'ground-1-open', title: 'Ground of relay C open', prior: 0.04 },
    { id: 'ground-2-open', title: 'Ground of fan 2 open', prior: 0.05 }
  ],
  sizes: { 'contacts-A-burnt': BURNT, 'contacts-B-burnt': BURNT },
  network
};
