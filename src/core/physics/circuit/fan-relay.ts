import { CLOSED_OHM, GROUND, OPEN_OHM, type Network } from './network';
import { sizesFrom, type Sight, type Template } from './template';

/** A running fan motor as a resistance, a relay's coil, the leads and the inside of the battery, Ω. */
export const MOTOR_OHM = 0.8;
export const COIL_OHM = 85;
export const LEAD_OHM = 0.015;
export const BATTERY_OHM = 0.012;
/** The transistor of a control unit while it pulls down. */
export const DRIVER_OHM = 0.5;
/** What a contact that is burnt, and a joint that is green, may have, Ω. */
const BURNT = sizesFrom(0.15, 40);
const GREEN = sizesFrom(0.15, 40);
/** A relay pulls in from about this share of its nominal voltage. */
const PULLS_IN = 0.6;

/** Whether the coil between two nodes is strong enough to pull, by its share of a healthy voltage. */
const pulls = (coilV: number, batteryV: number): boolean => coilV > PULLS_IN * Math.min(batteryV, 14);

const TURNS = ['stands', 'turns slowly', 'full speed'] as const;
/** A fan turns by the volts across it: full from four fifths of the battery. */
export const turnsBy = (motorV: number, strength = 1): number => {
  const share = (motorV / 12.6) * strength;
  return share < 0.15 ? 0 : share > 0.78 ? 2 : 1;
};
export const turning = (
  id: string,
  title: string,
  states: readonly string[],
  step: Sight['step']
): Sight => ({
  id,
  title,
  steps: TURNS,
  states,
  step
});

const SIZES = {
  'feed-resists': GREEN,
  'contacts-burnt': BURNT,
  'ground-resists': GREEN,
  'motor-weak': sizesFrom(1.7, 5)
} as const;

/** What the coil sees: its feed by ignition, the coil, the wire to the control unit and its transistor. */
function coilSide(state: string, fault: string, batteryV: number): Network {
  const pulled = state === 'pulled';
  const commanded = state !== 'off';
  const driver =
    fault === 'command-stuck' || (commanded && fault !== 'command-missing') ? DRIVER_OHM : OPEN_OHM;
  return {
    sources: [{ node: '15', volts: batteryV, ohm: BATTERY_OHM }],
    resistors: [
      ['15', '86', fault === 'coil-feed-open' ? OPEN_OHM : LEAD_OHM],
      ['86', '85', pulled || fault === 'coil-open' ? OPEN_OHM : COIL_OHM],
      ['85', 'unit', fault === 'command-wire-open' ? OPEN_OHM : LEAD_OHM],
      ['unit', GROUND, driver]
    ]
  };
}

/** Whether the relay is drawn: where its coil has a feed, is whole and is pulled down. */
function drawn(state: string, fault: string): boolean {
  if (state === 'pulled') return false;
  const broken = ['coil-feed-open', 'coil-open', 'command-wire-open', 'command-missing'];
  return fault === 'command-stuck' || (state === 'on' && !broken.includes(fault));
}

function network(state: string, fault: string, size: number, batteryV: number): Network {
  const coil = coilSide(state, fault, batteryV);
  const welded = fault === 'contacts-welded' && state !== 'pulled';
  const closed = welded || (drawn(state, fault) && fault !== 'contacts-open');
  const contact = !closed ? OPEN_OHM : fault === 'contacts-burnt' ? size : CLOSED_OHM;
  const motor = fault === 'motor-open' ? OPEN_OHM : fault === 'motor-weak' ? MOTOR_OHM * size : MOTOR_OHM;
  const wired = (open: string, resists: string) =>
    fault === open ? OPEN_OHM : fault === resists ? size : LEAD_OHM;
  return {
    sources: [...coil.sources, { node: 'battery', volts: batteryV, ohm: BATTERY_OHM }],
    resistors: [
      ...coil.resistors,
      ['battery', '30', wired('fuse-open', 'feed-resists')],
      ['30', '87', contact],
      ['87', 'motorPlus', LEAD_OHM],
      ['motorPlus', 'motorMinus', motor],
      ['motorMinus', GROUND, wired('ground-open', 'ground-resists')]
    ]
  };
}

/** One electric fan by one relay, its coil pulled down by the control unit. */
export const FAN_RELAY: Template = {
  id: 'fan-relay',
  title: 'One fan by one relay',
  states: [
    { id: 'off', title: 'Ignition on, not commanded' },
    { id: 'on', title: 'Commanded on' },
    { id: 'pulled', title: 'Commanded on, relay pulled out' }
  ],
  taps: [
    { id: '30', title: 'Supply pin', terminal: '30' },
    { id: '87', title: 'Load pin', terminal: '87' },
    { id: '86', title: 'Coil feed pin', terminal: '86' },
    { id: '85', title: 'Control pin', terminal: '85' },
    { id: 'unit', title: 'Control unit’s pin', terminal: null },
    { id: 'motorPlus', title: 'Fan plug, plus', terminal: null },
    { id: 'motorMinus', title: 'Fan plug, minus', terminal: '31' }
  ],
  sights: [
    {
      id: 'clicks',
      title: 'Relay',
      steps: ['silent', 'clicks'],
      states: ['on'],
      // A coil that is open has all the volts across it and pulls nothing.
      step: (volts, _, fault) =>
        fault !== 'coil-open' && pulls(volts('86') - volts('85'), volts('15')) ? 1 : 0
    },
    // A motor that is open has all the volts across it and stands still.
    turning('turns', 'Fan', ['off', 'on'], (volts, _, fault, size) =>
      fault === 'motor-open'
        ? 0
        : turnsBy(volts('motorPlus') - volts('motorMinus'), fault === 'motor-weak' ? 1 / size : 1)
    )
  ],
  faults: [
    { id: 'sound', title: 'Circuit sound', prior: 0.2 },
    { id: 'fuse-open', title: 'Fuse or supply wire open', prior: 0.12 },
    { id: 'feed-resists', title: 'Resistance in the supply', prior: 0.06 },
    { id: 'contacts-open', title: 'Relay contacts do not close', prior: 0.09 },
    { id: 'contacts-burnt', title: 'Relay contacts burnt', prior: 0.1 },
    { id: 'contacts-welded', title: 'Relay contacts welded', prior: 0.05 },
    { id: 'coil-open', title: 'Relay coil open', prior: 0.06 },
    { id: 'coil-feed-open', title: 'Coil has no feed', prior: 0.05 },
    { id: 'command-missing', title: 'Control unit does not pull down', prior: 0.07 },
    { id: 'command-wire-open', title: 'Control wire open', prior: 0.05 },
    { id: 'command-stuck', title: 'Control wire on ground, or command stuck', prior: 0.04 },
    { id: 'motor-open', title: 'Fan motor open', prior: 0.1 },
    { id: 'motor-weak', title: 'Fan motor weak', prior: 0.06 },
    { id: 'ground-open', title: 'Fan ground open', prior: 0.06 },
    { id: 'ground-resists', title: 'Resistance in the fan ground', prior: 0.06 }
  ],
  sizes: SIZES,
  network
};
