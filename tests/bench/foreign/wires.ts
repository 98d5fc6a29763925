import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Dice } from './dice';

/** What a meter and eyes meet at the fan's circuit: loops of one supply, worked by hand and not by a network. */
const BATTERY = 12.5;
const MOTOR = 0.75;
const COIL = 92;

interface Relay {
  supply: number;
  contact: number;
  ground: number;
  coil: number;
  control: number;
  motor: number;
  welded: boolean;
}

const OPEN = 4e6;

function relayOf(fault: FaultId, bad: number, way: number): Relay {
  const r: Relay = {
    supply: 0.02,
    contact: 0.01,
    ground: 0.02,
    coil: COIL,
    control: 0.3,
    motor: MOTOR,
    welded: false
  };
  if (fault === 'fan-relay-contacts') r.contact = way < 0.6 ? 0.6 + 12 * bad : OPEN;
  if (fault === 'fan-relay-welded') r.welded = true;
  if (fault === 'fan-relay-coil') r.coil = OPEN;
  if (fault === 'fan-command-missing') r.control = OPEN;
  if (fault === 'fan-feed-open') r[way < 0.55 ? 'supply' : 'ground'] = OPEN;
  if (fault === 'fan-motor-dead') r.motor = OPEN;
  if (fault === 'fan-motor-weak') r.motor = MOTOR * (2 + 3 * bad);
  return r;
}

export interface Fed {
  readonly clicks: boolean;
  readonly turns: number;
  readonly volts: Readonly<Record<string, number>>;
}

function fed(r: Relay, asked: boolean, fault: FaultId): Fed {
  const drawn = asked && r.coil < OPEN && r.control < OPEN;
  const closed = drawn || r.welded;
  const whole = r.supply + r.ground + r.motor + (closed ? r.contact : OPEN);
  const amps = BATTERY / whole;
  // A meter of ten megohms holds a broken wire up only as far as it lets it.
  const at30 = r.supply >= OPEN ? 0.05 : BATTERY - amps * r.supply;
  const at87 = !closed ? 0 : r.supply >= OPEN ? 0.05 : r.contact >= OPEN ? 0.02 : at30 - amps * r.contact;
  const minus = r.ground >= OPEN ? at87 : amps * r.ground;
  const across = at87 - minus;
  const pull = asked && r.control < OPEN;
  return {
    clicks: drawn,
    turns: r.motor >= OPEN ? 0 : (across / BATTERY) * (fault === 'fan-motor-weak' ? MOTOR / r.motor : 1),
    volts: {
      '30': at30,
      '87': at87,
      '86': BATTERY,
      '85': pull ? (r.coil >= OPEN ? 0.05 : 0.2) : r.coil >= OPEN ? 0.1 : BATTERY,
      motorPlus: at87,
      motorMinus: minus
    }
  };
}

const meter = (v: number, dice: Dice) =>
  Math.max(0, Math.round(100 * (v * (1 + 0.008 * dice.bell()) + 0.01 * dice.bell())) / 100);
const steps = (share: number) => (share < 0.15 ? 0 : share > 0.75 ? 2 : 1);

/** The pins of the relay's socket and what is heard and seen, off and commanded. */
export function relaySocket(fault: FaultId, bad: number, seed: number, dice: Dice) {
  const r = relayOf(fault, bad, (seed * 0.618) % 1);
  const taken: { state: string; at: string; value: number }[] = [];
  for (const state of ['on', 'off'] as const) {
    const f = fed(r, state === 'on', fault);
    const read = (at: string) => taken.push({ state, at, value: meter(f.volts[at], dice) });
    for (const at of state === 'on' ? ['30', '87', '85', 'motorMinus'] : ['30', '87'])
      if (!dice.chance(0.12)) read(at);
    if (state === 'on' && !dice.chance(0.2)) taken.push({ state, at: 'clicks', value: f.clicks ? 1 : 0 });
    taken.push({ state, at: 'turns', value: steps(f.turns) });
  }
  return { circuit: 'fan-relay', batteryV: BATTERY, taken };
}

/** Command, supply and output of a controller, at rest and at demand. */
export function controller(fault: FaultId, bad: number, seed: number, dice: Dice) {
  const way = (seed * 0.618) % 1;
  const noFeed = fault === 'fan-feed-open' && way < 0.55;
  const noGround = fault === 'fan-feed-open' && !noFeed;
  const taken: { state: string; at: string; value: number }[] = [];
  for (const state of ['demand', 'rest'] as const) {
    const sent = fault === 'fan-command-missing' ? 0 : state === 'demand' ? 4.1 : 0.2;
    const asked = state === 'demand' && fault !== 'fan-command-missing' ? 1 : 0;
    const open =
      fault === 'fan-controller-dead'
        ? 0
        : fault === 'fan-controller-shorted'
          ? Math.max(asked, 0.4 + 0.5 * bad)
          : asked;
    const drawn = fault === 'fan-motor-dead' ? 0 : open;
    const supply = noFeed ? 0.1 : BATTERY - 0.25 * drawn;
    const ground = noGround ? BATTERY - 0.3 : 0.05 * drawn;
    const output = noFeed
      ? 0.1
      : noGround
        ? BATTERY - 0.4
        : fault === 'fan-motor-dead'
          ? open > 0
            ? supply
            : 0.2
          : supply * open * 0.97;
    const read = (at: string, v: number) =>
      !dice.chance(0.12) && taken.push({ state, at, value: meter(v, dice) });
    read('supply', supply);
    read('ground', ground);
    read('command', sent);
    read('output', output);
    const across = noFeed || noGround || fault === 'fan-motor-dead' ? 0 : output / BATTERY;
    taken.push({
      state,
      at: 'turns',
      value: steps(across * (fault === 'fan-motor-weak' ? 1 / (2 + 3 * bad) : 1))
    });
  }
  return { circuit: 'fan-controller', batteryV: BATTERY, taken };
}

/** What the fan does when a scan tool commands it, and whether a relay is heard. */
export function commanded(
  fault: FaultId,
  bad: number,
  seed: number
): { click: 'yes' | 'no'; turns: 'full' | 'slow' | 'no' } {
  const f = fed(relayOf(fault, bad, (seed * 0.618) % 1), true, fault);
  const dead = fault === 'fan-controller-dead';
  return {
    click: f.clicks ? 'yes' : 'no',
    turns: dead ? 'no' : (['no', 'slow', 'full'] as const)[steps(f.turns)]
  };
}
