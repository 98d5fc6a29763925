import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Dice } from './dice';
import type { Made } from './vehicles';

/** A vehicle with what is wrong with it, as hands and instruments of this world meet it. */
export interface Sick extends Made {
  readonly faults: readonly ForeignFault[];
  /** How bad, from 0 to 1. */
  readonly bad: number;
  /** Ohms of the sensor alone at a temperature, and with its circuit. */
  readonly sensorOhm: (celsius: number) => number;
  readonly circuit: { series: number; open: boolean; short: boolean };
  readonly comesAndGoes: boolean;
  readonly gaugeOff: number;
}

/** What this world has no part for. */
type NotHere =
  'thermostat-map-control' | 'active-shutter-stuck' | 'coolant-pump-electric-dead' | 'sheet-wrong';
export type ForeignFault = Exclude<FaultId, NotHere>;

type Body = { -readonly [K in keyof Sick]: Sick[K] };
/** What each fault does here. What it does is written from what mechanics tell of it, not from the product's plant. */
const DOES: Readonly<Record<ForeignFault, (s: Body, bad: number, dice: Dice) => void>> = {
  none: () => {},
  'thermostat-stuck-open': ({ engine: e }, bad) => void (e.leastOpen = 0.15 + 0.75 * bad),
  'thermostat-stuck-closed': ({ engine: e }, bad) => void (e.mostOpen = 0.12 * (1 - bad) + 0.002),
  'thermostat-low-rating': ({ engine: e }, bad) => {
    const less = 7 + 12 * bad;
    e.opensC -= less;
    e.fullC -= less;
  },
  'thermostat-sluggish': ({ engine: e }, bad) => {
    e.waxS *= 4 + 8 * bad;
    e.opensC += 3 * bad;
  },
  'thermostat-heater-failed': ({ engine: e }) => void (e.heatedC = 0),
  'ect-reads-hot': (s, bad, dice) => shift(s, 7 + 13 * bad + dice.bell()),
  'ect-reads-cold': (s, bad, dice) => shift(s, -(7 + 13 * bad) + dice.bell()),
  'ect-open-circuit': (s) => {
    s.engine.reads = () => -40;
    s.sensorOhm = () => 9e6;
  },
  'ect-short-circuit': (s) => {
    s.engine.reads = () => 140;
    s.sensorOhm = () => 0.6;
  },
  'ect-intermittent': (s, bad) => {
    const own = s.engine.reads;
    s.comesAndGoes = true;
    s.engine.reads = (c, t) => ((t * 7919) % 613 < 25 * bad + 6 && t > 90 ? -40 : own(c, t));
  },
  'ect-wrong-part': (s, bad, dice) => {
    const tilt = (dice.chance(0.5) ? 1 : -1) * (420 + 500 * bad);
    const size = dice.between(0.6, 1.5);
    const own = s.ohmAt;
    s.sensorOhm = (c) => own(c) * size * Math.exp(tilt * (1 / (c + 273) - 1 / 330));
    throughCircuit(s);
  },
  'ect-wiring': (s, bad, dice) => {
    const way = dice.next();
    if (way < 0.6) s.circuit.series = 60 + 700 * bad * dice.next();
    else if (way < 0.85) s.circuit.open = true;
    else s.circuit.short = true;
    throughCircuit(s);
  },
  'gauge-fault': (s, bad, dice) => void (s.gaugeOff = (dice.chance(0.5) ? 1 : -1) * (16 + 26 * bad)),
  'fan-relay-contacts': noFan,
  'fan-relay-coil': noFan,
  'fan-command-missing': noFan,
  'fan-feed-open': noFan,
  'fan-motor-dead': noFan,
  'fan-controller-dead': noFan,
  'fan-relay-welded': ({ engine: e }) => void (e.fan.stuck = 100),
  'fan-motor-weak': ({ engine: e }, bad) => void (e.fan.strength *= 0.5 - 0.35 * bad),
  'fan-controller-shorted': ({ engine: e }, bad) => void (e.fan.stuck = 40 + 55 * bad),
  'fan-setpoint-modified': ({ engine: e }, bad, dice) =>
    void (e.fan.shiftC = dice.chance(0.65) ? -(8 + 8 * bad) : 6 + 8 * bad),
  'clutch-slipping': ({ engine: e }, bad) => void (e.clutch!.grip = 0.45 - 0.4 * bad),
  'clutch-seized': ({ engine: e }) => void (e.clutch!.locked = true),
  'clutch-circuit-open': ({ engine: e }) => void (e.clutch!.locked = true),
  'clutch-engages-late': ({ engine: e }, bad) => {
    e.clutch!.engagesC += 14 + 14 * bad;
    e.clutch!.releasesC += 14 + 14 * bad;
  },
  'clutch-bearing': () => {},
  'water-pump-bearing': () => {},
  'airflow-restricted': ({ engine: e }, bad) => void (e.airShare = 0.5 - 0.4 * bad),
  'radiator-clogged': ({ engine: e }, bad) => void (e.coreShare = 0.5 - 0.38 * bad),
  'pump-flow-low': ({ engine: e }, bad) => void (e.pumpShare = 0.32 - 0.26 * bad),
  'heater-core-restricted': ({ engine: e }, bad) => void (e.heaterShare = 0.14 - 0.12 * bad),
  'coolant-low': ({ engine: e }, bad) => void (e.air = 0.35 + 0.55 * bad),
  'sensor-branch-restricted': ({ engine: e }, bad) => void (e.branchShare = 0.3 - 0.25 * bad),
  'pressure-cap-weak': ({ engine: e }, bad) => void (e.boilsC -= 4 + 12 * bad),
  'combustion-leak': ({ engine: e }, bad) => {
    e.gasKW = 0.05 * e.mostKW * bad;
    e.air = 0.3 * bad;
  }
};

function noFan({ engine: e }: Body): void {
  e.fan.works = false;
}
function shift(s: Body, by: number): void {
  const own = s.engine.reads;
  s.engine.reads = (c, t) => own(c, t) + by;
  const ohm = s.ohmAt;
  s.sensorOhm = (c) => ohm(c + by);
}
/** The sensor as its circuit lets the control unit see it. */
function throughCircuit(s: Body): void {
  s.engine.reads = (c) => {
    if (s.circuit.open) return -40;
    if (s.circuit.short) return 140;
    return readsOf(s, s.sensorOhm(c) + s.circuit.series);
  };
}
/** What the control unit makes of so many ohms, by the law of the right sensor. */
export function readsOf({ ohmAt }: Pick<Made, 'ohmAt'>, ohm: number): number {
  let [low, high] = [-40, 140];
  for (let i = 0; i < 30; i++) {
    const mid = (low + high) / 2;
    if (ohmAt(mid) > ohm) low = mid;
    else high = mid;
  }
  return low;
}

/** The faults that a vehicle of this making can have. */
export function possibleIn({ engine: e, sheet }: Made): ForeignFault[] {
  const { fan, clutch } = e;
  const relay = fan.kind === 'stages';
  const controller = fan.kind === 'controller';
  return (Object.keys(DOES) as ForeignFault[]).filter((f) => {
    if (f === 'none') return false;
    if (f === 'thermostat-heater-failed') return sheet.thermostat?.heaterOhm != null;
    if (f.startsWith('fan-relay')) return relay;
    if (f.startsWith('fan-controller')) return controller;
    if (f.startsWith('fan-')) return fan.kind !== 'none';
    if (f === 'clutch-circuit-open') return clutch?.kind === 'electronic';
    if (f === 'clutch-engages-late') return clutch?.kind === 'thermal';
    if (f.startsWith('clutch-')) return clutch !== null;
    return true;
  });
}

export function withFaults(made: Made, faults: readonly ForeignFault[], bad: number, dice: Dice): Sick {
  const body: Body = {
    ...made,
    engine: {
      ...made.engine,
      fan: { ...made.engine.fan },
      clutch: made.engine.clutch && { ...made.engine.clutch }
    },
    faults,
    bad,
    sensorOhm: made.ohmAt,
    circuit: { series: 0, open: false, short: false },
    comesAndGoes: false,
    gaugeOff: 0
  };
  for (const f of faults) DOES[f](body, bad, dice);
  return body;
}
