import { BATTERY_OHM, LEAD_OHM, MOTOR_OHM, turnsBy, turning } from './fan-relay';
import { GROUND, OPEN_OHM, type Network } from './network';
import { sizesFrom, type Template } from './template';

/** A command goes from nothing to this; a duty is told as its share of it, V. */
export const COMMAND_FULL_V = 5;
const REST_SHARE = 0.05;
const DEMAND_SHARE = 0.8;
/** What the controller draws by its supply pin apart from the motor, and what its command input loads, Ω. */
const IDLE_OHM = 400;
const INPUT_OHM = 20_000;
const SOURCE_OHM = 470;
/** An output that is off still lets this little through. */
const OFF_OHM = 50_000;

const SIZES = {
  'feed-resists': sizesFrom(0.2, 60),
  'ground-resists': sizesFrom(0.2, 60),
  'controller-shorted': [0.35, 0.5, 0.65, 0.8, 0.95],
  'motor-weak': sizesFrom(1.7, 5)
} as const;

/** What the unit sends, as a share of a full command. */
function sent(state: string, fault: string): number {
  if (fault === 'command-missing') return 0;
  if (fault === 'command-stuck' || state === 'demand') return DEMAND_SHARE;
  return REST_SHARE;
}

/** How far the controller opens its output. */
function opens(state: string, fault: string, size: number): number {
  if (fault === 'controller-dead') return 0;
  const sentShare = fault === 'command-wire-open' ? 0 : sent(state, fault);
  const heard = sentShare < 0.1 ? 0 : sentShare / DEMAND_SHARE;
  // A stage that leaks still opens further when it is asked to.
  return fault === 'controller-shorted' ? Math.max(size, heard) : heard;
}

function network(state: string, fault: string, size: number, batteryV: number): Network {
  const open = opens(state, fault, size);
  const wired = (opened: string, resists: string) =>
    fault === opened ? OPEN_OHM : fault === resists ? size : LEAD_OHM;
  const motor = fault === 'motor-open' ? OPEN_OHM : fault === 'motor-weak' ? MOTOR_OHM * size : MOTOR_OHM;
  return {
    sources: [
      { node: 'battery', volts: batteryV, ohm: BATTERY_OHM },
      { node: 'sent', volts: COMMAND_FULL_V * sent(state, fault), ohm: SOURCE_OHM }
    ],
    resistors: [
      ['battery', 'supply', wired('feed-open', 'feed-resists')],
      ['ground', GROUND, wired('ground-open', 'ground-resists')],
      ['sent', 'unit', LEAD_OHM],
      ['unit', 'command', fault === 'command-wire-open' ? OPEN_OHM : LEAD_OHM],
      ['command', 'ground', INPUT_OHM],
      ['supply', 'ground', IDLE_OHM],
      // A chopped output, by its mean: as much resistance before the motor as leaves it its share of the volts.
      ['supply', 'output', open > 0 ? Math.max(0.01, MOTOR_OHM * (1 / open - 1)) : OFF_OHM],
      ['output', 'ground', motor]
    ]
  };
}

/** One fan by an electronic controller that follows a voltage or a duty. */
export const FAN_CONTROLLER: Template = {
  id: 'fan-controller',
  title: 'One fan by an electronic controller',
  states: [
    { id: 'rest', title: 'Ignition on, at rest' },
    { id: 'demand', title: 'Full demand' }
  ],
  taps: [
    { id: 'supply', title: 'Supply pin', terminal: '30' },
    { id: 'ground', title: 'Ground pin', terminal: '31' },
    { id: 'command', title: 'Command pin', terminal: null },
    { id: 'unit', title: 'Control unit’s pin', terminal: null },
    { id: 'output', title: 'Output to the motor', terminal: null }
  ],
  sights: [
    turning('turns', 'Fan', ['rest', 'demand'], (v, _, fault, size) =>
      fault === 'motor-open' ? 0 : turnsBy(v('output') - v('ground'), fault === 'motor-weak' ? 1 / size : 1)
    ),
    {
      id: 'pressed',
      title: 'Speed when the connector is pressed',
      steps: ['stays', 'changes'],
      states: ['rest', 'demand'],
      // A shorted stage wanders with the pressure on its joint about as often as it does not.
      step: (_, __, fault) => (fault === 'controller-shorted' ? 0.75 : fault.endsWith('-resists') ? 0.4 : 0)
    }
  ],
  faults: [
    { id: 'sound', title: 'Circuit sound', prior: 0.2 },
    { id: 'feed-open', title: 'Fuse or supply open', prior: 0.1 },
    { id: 'feed-resists', title: 'Resistance in the supply', prior: 0.06 },
    { id: 'ground-open', title: 'Ground open', prior: 0.07 },
    { id: 'ground-resists', title: 'Resistance in the ground', prior: 0.07 },
    { id: 'command-missing', title: 'Control unit sends no command', prior: 0.09 },
    { id: 'command-wire-open', title: 'Command wire open', prior: 0.06 },
    { id: 'command-stuck', title: 'Command stands at demand', prior: 0.05 },
    { id: 'controller-shorted', title: 'Controller drives without command', prior: 0.12 },
    { id: 'controller-dead', title: 'Controller gives nothing', prior: 0.12 },
    { id: 'motor-open', title: 'Fan motor open', prior: 0.09 },
    { id: 'motor-weak', title: 'Fan motor weak', prior: 0.06 }
  ],
  sizes: SIZES,
  network
};
