import type { CheckId } from '../../../src/core/checks/registry';
import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Dice } from './dice';
import { Bench, type Leg } from './engine';
import { voltsAt, type Sick } from './faults';
import { commanded, controller, relaySocket } from './wires';

/** What a technician of this world has before him. */
export interface Scene {
  readonly s: Sick;
  readonly ambientC: number;
  readonly codes: readonly string[];
  readonly seed: number;
  readonly dice: Dice;
}
type Hand = (scene: Scene) => unknown;

const IDLE: Leg = { minutes: 40, rpm: 850, kmh: 0, power: 0.02 };
const FAST: Leg = { minutes: 40, rpm: 1900, kmh: 0, power: 0.03 };
const OUT: readonly Leg[] = [
  { minutes: 4, rpm: 900, kmh: 0, power: 0 },
  { minutes: 14, rpm: 1900, kmh: 45, power: 0.12 },
  { minutes: 6, rpm: 850, kmh: 0, power: 0.02 }
];
const has = (s: Sick, f: FaultId) => s.faults.includes(f);
const fanFault = (s: Sick): FaultId => s.faults.find((f) => f.startsWith('fan-')) ?? 'none';
const r1 = (x: number) => Math.round(10 * x) / 10;
const instrument = (kind: string) => ({
  kind,
  uncertaintyC: { scan: 1, contact: 1.5, glass: 0.7, infrared: 2.5, 'infrared-bright': 8, weather: 2 }[kind]
});
/** A temperature by an instrument: a contact probe loses a little to the air, a gun more, and on bright metal much. */
function taken(trueC: number, kind: string, { ambientC, dice }: Scene) {
  const lost =
    { contact: 0.015, glass: 0, infrared: 0.03, 'infrared-bright': 0.07, weather: 0, scan: 0 }[kind] ?? 0;
  const sd =
    { contact: 0.6, glass: 0.3, infrared: 1.2, 'infrared-bright': 2, weather: 0.9, scan: 0 }[kind] ?? 0;
  return { celsius: r1(trueC - lost * (trueC - ambientC) + sd * dice.bell()), instrument: instrument(kind) };
}
const probe = (scene: Scene) =>
  scene.dice.chance(0.7) ? 'contact' : scene.dice.chance(0.8) ? 'infrared' : 'infrared-bright';

function benchOf({ s, ambientC, dice }: Scene, heater = 0): Bench {
  return new Bench({ ...s.engine, heaterOn: heater }, ambientC, dice);
}
const stopC = (s: Sick) => s.holdsC + 27;
function hot(scene: Scene, heater = 0): Bench {
  const b = benchOf(scene, heater);
  for (const leg of OUT) b.run(leg, (m) => m.coolantC > stopC(scene.s));
  return b;
}
function worked(scene: Scene): Bench {
  const b = hot(scene);
  b.run(
    { ...FAST, minutes: 14 },
    (m) => m.coolantC > stopC(scene.s) - 5 || m.fanPct > 60 || m.clutchShare > 0.6
  );
  // What the fan has only just begun to do is not yet what it does.
  b.run({ ...FAST, minutes: 1.5 }, (m) => m.coolantC > stopC(scene.s));
  return b;
}

const scanOf = (b: Bench) => b.now.readC;
const clampC = (c: number) => Math.min(150, c);

/** A hose to the heater stays hot down to a trickle. */
const hoseShare = (flow: number) => Math.min(0.98, 0.72 + 9 * flow);

/** How each check is done here. Null: it cannot be done on this vehicle as it is. */
export const HANDS: Readonly<Partial<Record<CheckId, Hand>>> = {
  soak: ({ ambientC, dice }) => ({
    hoursStood: 13 + Math.round(4 * dice.next()),
    lastC: 88,
    ambientC: Math.round(ambientC)
  }),
  codes: ({ codes }) => ({ codes: codes.map((code) => ({ code, state: 'stored' })) }),
  'level-and-look': ({ s, dice }) => {
    const is = (f: FaultId, share: number) => has(s, f) && dice.chance(share);
    const seen = <T>(value: T) => (dice.chance(0.08) ? null : value);
    const low =
      is('coolant-low', 0.9) ||
      is('combustion-leak', 0.35) ||
      is('water-pump-bearing', 0.25) ||
      is('pressure-cap-weak', 0.25) ||
      dice.chance(0.05);
    return {
      level: seen(
        low
          ? has(s, 'coolant-low') && s.bad > 0.75 && dice.chance(0.6)
            ? 'empty'
            : 'low'
          : is('combustion-leak', 0.15)
            ? 'over'
            : 'mark'
      ),
      leaks: seen(
        is('coolant-low', 0.45) || is('water-pump-bearing', 0.2)
          ? 'drip'
          : is('coolant-low', 0.5) || dice.chance(0.08)
            ? 'trace'
            : 'none'
      ),
      colour: seen(
        is('radiator-clogged', 0.45) ||
          is('sensor-branch-restricted', 0.3) ||
          is('heater-core-restricted', 0.35) ||
          dice.chance(0.03)
          ? 'rusty'
          : is('combustion-leak', 0.15)
            ? 'oily'
            : 'clean'
      ),
      face: seen(
        is('airflow-restricted', 0.3 + 0.4 * s.bad)
          ? 'choked'
          : is('airflow-restricted', 0.5) || dice.chance(0.12)
            ? 'some'
            : 'clean'
      ),
      belt: seen(is('pump-flow-low', 0.3) ? 'slack' : dice.chance(0.06) ? 'worn' : 'good'),
      pump: seen(
        is('water-pump-bearing', 0.4 + 0.5 * s.bad)
          ? 'play'
          : is('water-pump-bearing', 0.5) || dice.chance(0.03)
            ? 'weeps'
            : 'firm'
      ),
      hoses: seen(
        is('pressure-cap-weak', 0.12)
          ? 'flat'
          : is('pump-flow-low', 0.08)
            ? 'flat'
            : dice.chance(0.05)
              ? 'soft'
              : 'firm'
      ),
      connector: seen(
        is('ect-wiring', 0.45) || is('ect-intermittent', 0.4) || dice.chance(0.05)
          ? dice.chance(0.6)
            ? 'green'
            : 'loose'
          : 'sound'
      ),
      added: seen(is('fan-setpoint-modified', 0.55) ? 'found' : 'none')
    };
  },
  'cold-agreement': (scene) => {
    const b = benchOf(scene);
    const { ambientC, dice } = scene;
    b.run({ minutes: 0.1, rpm: 0, kmh: 0, power: 0, off: true });
    return {
      ect: { celsius: Math.min(214, scanOf(b)), instrument: instrument('scan') },
      iat: dice.chance(0.8)
        ? { celsius: Math.round(ambientC + 0.8 * dice.bell()), instrument: instrument('scan') }
        : null,
      ambient: taken(ambientC, 'weather', scene),
      housing: dice.chance(0.5) ? taken(ambientC + 0.3, probe(scene), scene) : null
    };
  },
  'clutch-cold-turn': ({ s, dice }) => {
    const c = s.engine.clutch;
    if (!c) return null;
    if (c.locked && has(s, 'clutch-seized')) return { firstTurn: 'locked', freeTurns: 0, laterTurns: null };
    if (c.kind === 'electronic')
      return {
        firstTurn: dice.chance(0.7) ? 'firm' : 'locked',
        freeTurns: dice.chance(0.5) ? 0 : 1,
        laterTurns: null
      };
    const grip = c.grip + 0.1 * dice.bell();
    return {
      firstTurn: grip < 0.3 ? 'none' : grip < 0.8 ? 'slight' : 'firm',
      freeTurns: dice.chance(0.2) ? null : Math.max(0, Math.round(1 + 9 * (1 - grip) + 0.8 * dice.bell())),
      laterTurns: null
    };
  },
  'clutch-play': ({ s, dice }) => {
    if (!s.engine.clutch) return null;
    const own = has(s, 'clutch-bearing');
    const worn = own || has(s, 'water-pump-bearing');
    const tip = worn ? 3.5 + 10 * s.bad : 1.2;
    return {
      tipMm: Math.max(0, r1(tip + 0.7 * dice.bell())),
      moves: !worn ? 'nothing' : own ? 'clutch' : 'pump',
      feels: worn && dice.chance(0.6) ? 'rough' : 'smooth'
    };
  },
  'ect-ladder': (scene) => {
    const { s, dice } = scene;
    const b = benchOf(scene);
    const kind = dice.chance(0.8) ? 'contact' : 'infrared';
    const points = [0, 6, 5, 7].map((minutes) => {
      if (minutes > 0) b.run({ ...FAST, minutes }, (m) => m.coolantC > 118);
      const c = b.now.coolantC;
      const own = s.sensorOhm(b.now.sensorC);
      const at = taken(clampC(c), kind, scene);
      return {
        celsius: at.celsius,
        instrument: at.instrument,
        ohm: Number((own * (1 + 0.006 * dice.bell())).toPrecision(3)),
        volts: null
      };
    });
    return { points };
  },
  'ect-circuit': ({ s, dice }) => {
    const { series, open, short } = s.circuit;
    const low = open ? -40 : short ? 140 : -40;
    const bridged = open ? -40 : short ? 140 : Math.min(140, series > 25 ? readThrough(s, series) : 140);
    const v = open ? 0.03 : short ? 0.02 : 5;
    return {
      unpluggedC: low,
      bridgedC: Math.round(bridged),
      openV: Math.round(100 * Math.max(0, v + 0.02 * dice.bell())) / 100,
      signalV: null,
      groundV: null
    };
  },
  'ect-substitute': (scene) => {
    const { s, ambientC, dice } = scene;
    const b = benchOf(scene);
    b.run({ minutes: 0.1, rpm: 0, kmh: 0, power: 0, off: true });
    const { series, open, short } = s.circuit;
    const substituteC = open
      ? -40
      : short
        ? 140
        : series > 0
          ? readThrough(s, s.ohmAt(ambientC) + series)
          : ambientC + 0.5 * dice.bell();
    return {
      substituteC: Math.round(substituteC),
      air: taken(ambientC, 'glass', scene),
      oldOffC: dice.chance(0.6) ? Math.round(Math.max(-149, Math.min(149, scanOf(b) - ambientC))) : null
    };
  },
  wiggle: ({ s, seed, dice }) => {
    const follows = (share: number) => (dice.chance(0.06) ? null : dice.chance(share) ? 'follows' : 'steady');
    const plug = (seed * 0.377) % 1 < 0.6;
    return {
      sensorPlug: follows(s.comesAndGoes && plug ? 0.8 : 0.02),
      loom: follows(s.comesAndGoes && !plug ? 0.8 : has(s, 'ect-wiring') ? 0.25 : 0.02),
      unitPlug: 'steady',
      ground: 'steady',
      fanPlug: s.engine.fan.kind === 'none' ? null : follows(has(s, 'fan-controller-shorted') ? 0.35 : 0.02),
      jumpC: null
    };
  },
  'warm-idle': (scene) => {
    const b = hot(scene);
    let [low, high] = [300, -99];
    b.run({ ...IDLE, minutes: 2 }, undefined, ({ readC }) => {
      low = Math.min(low, readC);
      high = Math.max(high, readC);
    });
    return {
      scanC: Math.min(214, scanOf(b)),
      swingC: scene.dice.chance(0.4) ? Math.min(150, high - low) : null,
      warmMin: 6,
      acOn: false
    };
  },
  'gauge-compare': (scene) => {
    const { s, dice } = scene;
    const b = hot(scene);
    const shown = b.now.readC + s.gaugeOff;
    const pct =
      shown < 50
        ? 0
        : shown < 75
          ? (50 * (shown - 50)) / 25
          : shown < 108
            ? 50 + 3 * ((shown - 75) / 33)
            : 53 + (47 * (shown - 108)) / 17;
    const lin = (100 * (shown - 50)) / 75;
    // Half of these gauges are damped in the middle, half are straight.
    const straight = s.sheet.gauge != null;
    return {
      needlePct: Math.round(
        Math.min(100, Math.max(0, (straight ? 50 + (lin - 53.3) * 0.94 : pct) + 2 * dice.bell()))
      ),
      scanC: Math.min(214, scanOf(b)),
      thermometer: taken(clampC(b.now.coolantC), probe(scene), scene),
      sender: null
    };
  },
  'hose-rush': (scene) => {
    const { s, ambientC, dice } = scene;
    const b = benchOf(scene);
    const by = dice.chance(0.7) ? 'hand' : 'probe';
    const log: [number, number, number][] = [];
    b.run(
      { ...FAST, minutes: 32 },
      (m) => m.coolantC > stopC(s),
      (m) => m.t % 10 === 0 && log.push([m.coolantC, m.upperC, m.readC])
    );
    const coolantBy = dice.chance(0.5) ? 'scan' : 'probe';
    const say = (felt: string, i: number) => ({
      felt,
      by,
      coolantC: Math.min(
        150,
        Math.max(-50, Math.round(coolantBy === 'scan' ? log[i][2] : log[i][0] + 0.8 * dice.bell()))
      ),
      coolantBy
    });
    let best = 6;
    for (let i = 6; i < log.length; i++)
      if (log[i][1] - log[i - 6][1] > log[best][1] - log[best - 6][1]) best = i;
    const rise = log[best][1] - log[best - 6][1];
    const end = log.length - 1;
    const warmth = (log[end][1] - ambientC) / Math.max(1, log[end][0] - ambientC);
    if (rise + (by === 'hand' ? 3 : 0.5) * dice.bell() > 9 && log[best][0] > s.holdsC - 30)
      return say('rush', best);
    return say(warmth < 0.55 && log[end][0] > s.holdsC ? 'never' : 'gradual', end);
  },
  'fan-switching': (scene) => {
    const { s, dice } = scene;
    const { fan } = s.engine;
    if (fan.kind === 'none') return null;
    const b = hot(scene);
    const stages = fan.on.map((_, i) => ({
      name: ['low', 'high'][i],
      onC: null as number | null,
      offC: null as number | null
    }));
    const level = (i: number) =>
      fan.kind === 'controller' ? 18 + 55 * i : (100 * (i + 0.6)) / fan.on.length;
    const was = stages.map((_, i) => b.now.fanPct >= level(i));
    let hottestC = scanOf(b);
    b.run(
      { ...FAST, minutes: 25 },
      (m) => m.coolantC > stopC(s),
      (m) => {
        hottestC = Math.max(hottestC, m.readC);
        stages.forEach((stage, i) => {
          const on = m.fanPct >= level(i) && fan.strength > 0.02;
          if (on && !was[i]) stage.onC ??= m.readC;
          if (!on && was[i] && stage.onC !== null) stage.offC ??= m.readC;
          was[i] = on;
        });
      }
    );
    if (
      !stages.some((st) => st.onC !== null) &&
      hottestC < 138 &&
      hottestC > -38 &&
      hottestC < s.holdsC + 6 &&
      dice.chance(0.5)
    )
      return null;
    const ok = stages.map((st) =>
      st.onC !== null && st.offC !== null && st.offC >= st.onC ? { ...st, offC: null } : st
    );
    return { stages: ok, hottestC: Math.min(214, hottestC), by: 'scan', acOn: false, moving: false };
  },
  'fan-command': ({ s, seed, dice }) => {
    if (s.engine.fan.kind === 'none') return null;
    const { click, turns } = commanded(fanFault(s), s.bad, seed);
    return {
      commandedPct: 80,
      click: s.engine.fan.kind === 'controller' || dice.chance(0.15) ? 'unknown' : click,
      turns
    };
  },
  'fan-direct-feed': ({ s, dice }) => {
    if (s.engine.fan.kind === 'none') return null;
    const dead = has(s, 'fan-motor-dead');
    const weak = has(s, 'fan-motor-weak');
    const at = dice.chance(0.75) ? 'plug' : 'socket';
    const open = at === 'socket' && has(s, 'fan-feed-open') && dice.chance(0.4);
    const amps = dead || open ? 0 : (weak ? 1 / (2 + 3 * s.bad) : 1) * 16;
    return {
      at,
      turns: dead || open ? 'no' : weak ? (s.bad > 0.3 ? 'slow' : 'full') : 'full',
      amps: dice.chance(0.25) ? null : r1(amps * (1 + 0.04 * dice.bell())),
      feedV: 12.4
    };
  },
  'relay-bench': ({ s, seed, dice }) => {
    if (s.engine.fan.kind !== 'stages') return null;
    const coil = has(s, 'fan-relay-coil');
    const burnt = has(s, 'fan-relay-contacts');
    const way = (seed * 0.618) % 1;
    return {
      coilOhm: coil ? 9e6 : Math.round(92 * (1 + 0.03 * dice.bell())),
      clicks: coil ? 'no' : 'yes',
      dropV: coil
        ? null
        : burnt
          ? way < 0.6
            ? r1(Math.min(12, 6 + 5 * s.bad))
            : 12.4
          : Math.round(100 * (0.06 + 0.02 * dice.next())) / 100,
      loadA: coil ? null : 10,
      restOhm: has(s, 'fan-relay-welded') ? 0.2 : 9e6
    };
  },
  'relay-swap': ({ s, ambientC }) => {
    const f = fanFault(s);
    if (s.engine.fan.kind !== 'stages' || ambientC < -60) return null;
    const then =
      f === 'fan-relay-welded'
        ? 'stops'
        : s.engine.fan.stuck > 0
          ? 'runs-on'
          : f === 'fan-relay-contacts' || f === 'fan-relay-coil'
            ? 'runs'
            : ['fan-motor-dead', 'fan-feed-open', 'fan-command-missing'].includes(f)
              ? 'dead'
              : 'ran';
    return { identical: true, donorSafe: true, donor: 'horn', then, putBack: true };
  },
  'relay-socket': ({ s, seed, dice }) =>
    s.engine.fan.kind === 'stages' ? relaySocket(fanFault(s), s.bad, seed, dice) : null,
  'controller-in-out': ({ s, seed, dice }) =>
    s.engine.fan.kind === 'controller' ? controller(fanFault(s), s.bad, seed, dice) : null,
  'key-off-fan': (scene) => {
    const { s } = scene;
    if (s.engine.fan.kind === 'none') return null;
    const b = worked(scene);
    const coolantC = Math.round(clampC(b.now.coolantC));
    const runs = s.engine.fan.stuck > 25 && (has(s, 'fan-relay-welded') || has(s, 'fan-controller-shorted'));
    return { ranMin: runs ? 20 : scene.dice.chance(0.2) ? 2 : 0, coolantC, stillRunning: runs };
  },
  'clutch-hot-speed': (scene) => {
    const { s, dice } = scene;
    if (s.engine.clutch?.kind !== 'thermal') return null;
    const b = hot(scene);
    const pairs: unknown[] = [];
    for (let k = 0; k < 6; k++) {
      if (k === 1) b.covered = 0.75;
      b.run({ ...FAST, minutes: k === 0 ? 1 : 4 }, (m) => m.coolantC > stopC(s) - 2);
      const engineRpm = Math.round(b.now.rpm);
      pairs.push({
        engineRpm,
        fanRpm: Math.min(engineRpm, Math.round(b.now.rpm * b.now.clutchShare * (1 + 0.01 * dice.bell()))),
        airC: Math.round(Math.min(128, b.now.behindC + 2 * dice.bell())),
        sinceStartMin: 25 + 4 * k
      });
      if (b.now.coolantC > stopC(s) - 2) break;
    }
    return { pairs, pulley: 1, coolantC: scanOf(b) };
  },
  'clutch-electronic': ({ s, dice }) => {
    const c = s.engine.clutch;
    if (c?.kind !== 'electronic') return null;
    const pair = (commandPct: number) => {
      const share = c.locked ? 0.94 : c.grip * (0.14 + 0.74 * (commandPct / 100));
      return { commandPct, engineRpm: 1300, fanRpm: Math.round(1300 * share * (1 + 0.04 * dice.bell())) };
    };
    return {
      pairs: [15, 50, 85].map(pair),
      unplugged: dice.chance(0.5)
        ? { engineRpm: 1300, fanRpm: Math.round(1300 * 0.93 * Math.max(c.grip, 0.3)) }
        : null,
      plugV: dice.chance(0.7) ? (has(s, 'clutch-circuit-open') ? 0.1 : 12.3) : null,
      pickup: null
    };
  },
  'heater-air': (scene) => {
    const { ambientC, dice } = scene;
    const b = hot(scene, 0.4);
    b.run({ ...IDLE, minutes: 4 });
    const { coolantC, heaterFlow } = b.now;
    if (coolantC - ambientC < 30) return null;
    const hoseIn = ambientC + (coolantC - ambientC) * hoseShare(heaterFlow);
    // A small exchanger with its air at the lowest blower: what the water gives, the air takes.
    const [airKW, waterKW] = [0.034, 3.6 * Math.max(0.0012, 0.11 * heaterFlow)];
    const [least, most] = [Math.min(airKW, waterKW), Math.max(airKW, waterKW)];
    const air = (least / airKW) * (1 - Math.exp((-0.062 / least) * (1 - 0.5 * (least / most))));
    return {
      setHot: true,
      blower: 'low',
      ventC: r1(ambientC + 0.93 * air * (coolantC - ambientC) + dice.bell()),
      ambientC: r1(ambientC + 0.5 * dice.bell()),
      coolantC: r1(clampC(coolantC + 0.5 * dice.bell())),
      hoseInC: r1(hoseIn - 0.02 * (hoseIn - ambientC) + 0.7 * dice.bell()),
      hoseOutC: r1(hoseIn - (air * airKW * (hoseIn - ambientC)) / waterKW + 0.7 * dice.bell())
    };
  },
  'temperature-map': (scene) => {
    const { s, ambientC, dice } = scene;
    const b = hot(scene);
    const m = b.now;
    const side = s.sheet.thermostat.side ?? (scene.seed % 2 ? 'outlet' : 'inlet');
    const upper = side === 'inlet' ? Math.max(m.upperC, m.coolantC - 4) : m.upperC;
    const kind = dice.chance(0.75) ? 'contact' : 'infrared';
    const at = (c: number) => Math.min(148, taken(c, kind, scene).celsius);
    const sensor = m.sensorC;
    const hoseIn = ambientC + (m.coolantC - ambientC) * hoseShare(m.heaterFlow);
    const points = {
      outlet: at(m.coolantC),
      sensor: at(sensor),
      scan: Math.min(214, m.readC),
      upperHose: at(upper),
      radiatorOut: at(m.radiatorC),
      lowerHose: at(m.radiatorC),
      heaterIn: at(hoseIn),
      heaterOut: at(
        ambientC + (hoseIn - ambientC) * Math.max(0.1, 1 - 0.0125 / Math.max(0.0125, 0.11 * m.heaterFlow))
      )
    };
    return { points, instrument: instrument(kind), thermostat: null, ambientC: Math.round(ambientC) };
  },
  'radiator-face': (scene) => {
    const { s, ambientC, dice } = scene;
    const b = worked(scene);
    const m = b.now;
    if (m.upperC - ambientC < 22) return null;
    const columns = 5;
    const blocked = Math.round((1 - s.engine.coreShare) * columns * 0.8);
    const face = [0, 1, 2, 3].map((row) =>
      Array.from({ length: columns }, (_, c) => {
        const along = m.upperC + (m.radiatorC - m.upperC) * ((row + 0.5) / 4);
        const true_ = c < blocked ? ambientC + 0.35 * (along - ambientC) : along;
        return r1(ambientC + 0.94 * (true_ - ambientC) + dice.bell());
      })
    );
    return {
      face,
      flows: 'down',
      inC: r1(m.upperC + 0.5 * dice.bell()),
      outC: r1(Math.min(m.upperC, m.radiatorC + 0.5 * dice.bell())),
      airC: r1(ambientC),
      rpm: Math.round(m.rpm),
      fan: m.fanPct > 60 || m.clutchShare > 0.55 ? 1 : m.fanPct > 20 || m.clutchShare > 0.35 ? 0.5 : 0
    };
  },
  'air-rise': (scene) => {
    const { ambientC, dice } = scene;
    const b = worked(scene);
    const m = b.now;
    if (m.upperC - ambientC < 24) return null;
    return {
      beforeC: r1(ambientC + 0.7 * dice.bell()),
      afterC: r1(Math.min(m.upperC, m.behindC + 1.5 * dice.bell())),
      coolantC: r1(clampC(m.upperC)),
      fan: m.fanPct > 25 || m.clutchShare > 0.45 ? 'yes' : 'no'
    };
  },
  'pressure-hold': ({ s, dice }) => {
    const start = Math.round(0.8 * s.capKPa);
    const falls =
      has(s, 'coolant-low') && s.bad > 0.2 ? 1 + 4 * s.bad : has(s, 'water-pump-bearing') ? 0.6 * s.bad : 0.1;
    const gas = has(s, 'combustion-leak');
    const ran = dice.chance(0.5) || gas;
    return {
      points: [0, 2, 5, 10, 15].map((min) => ({
        min,
        kPa: Math.max(
          0,
          Math.round(
            (gas ? 0.6 * start : start) -
              falls * min +
              (gas ? (6 + 22 * s.bad) * (1 - Math.exp(-min)) : 0) +
              0.6 * dice.bell()
          )
        )
      })),
      seen: has(s, 'coolant-low') ? (dice.chance(0.55) ? 'outside' : null) : 'none',
      engineRan: ran
    };
  },
  'cap-test': ({ s, dice }) => {
    const weak = has(s, 'pressure-cap-weak');
    const opens = Math.round(s.capKPa * (weak ? 0.75 - 0.5 * s.bad : 1) * (1 + 0.03 * dice.bell()));
    return {
      opensKPa: [opens, opens],
      holds: weak && dice.chance(0.6) ? 'no' : 'yes',
      seal: weak && dice.chance(0.4) ? 'worn' : dice.chance(0.93) ? 'good' : 'worn'
    };
  },
  'combustion-gas': ({ s, dice }) => ({
    by: 'fluid',
    seen:
      has(s, 'combustion-leak') && dice.chance(0.5 + 0.45 * s.bad)
        ? 'gas'
        : dice.chance(0.05)
          ? 'doubtful'
          : 'clear',
    bubbles: dice.chance(0.4) ? (has(s, 'combustion-leak') && dice.chance(0.6) ? 'steady' : 'none') : null,
    dry: true,
    worked: true
  }),
  'thermostat-bath': ({ s, dice }) => {
    const { engine: e } = s;
    const lifts = 8.4;
    const points: unknown[] = [];
    const lag = e.waxS > 40 ? 3 + e.waxS / 25 : 0.6;
    const at = (c: number, way: 'heating' | 'cooling', atMin: number) => {
      const felt = way === 'heating' ? c - lag : c + lag;
      const x = Math.min(1, Math.max(0, (felt - e.opensC) / (e.fullC - e.opensC)));
      const open = Math.min(
        e.mostOpen < 0.2 ? e.mostOpen * 0.8 : 1,
        Math.max(e.leastOpen < 0.05 ? 0 : e.leastOpen, x)
      );
      points.push({
        way,
        bathC: r1(c + 0.3 * dice.bell()),
        liftMm: Math.max(0, Math.round(20 * (open * lifts + 0.05 * dice.bell())) / 20),
        atMin
      });
    };
    let t = 0;
    for (let c = e.opensC - 25; c <= e.fullC + 7; c += 3) at(c, 'heating', (t += 2));
    for (let c = e.fullC + 3; c >= e.opensC - 13; c -= 4) at(c, 'cooling', (t += 2));
    return {
      points: points.slice(0, 60),
      stampedC: dice.chance(0.5)
        ? Math.round(has(s, 'thermostat-low-rating') ? e.opensC : s.sheet.thermostat.startOpenC)
        : null
    };
  },
  'thermostat-heater': ({ s }) => {
    if (s.sheet.thermostat.heaterOhm == null) return null;
    const failed = has(s, 'thermostat-heater-failed');
    return {
      elementOhm: failed ? 9e6 : 15.3,
      powered: failed ? 'stays' : 'opens',
      afterS: failed ? null : 110,
      unpowered: failed ? null : 'closes'
    };
  }
};

function readThrough(s: Sick, ohm: number): number {
  let [low, high] = [-40, 140];
  for (let i = 0; i < 30; i++) {
    const mid = (low + high) / 2;
    if (voltsAt(s.ohmAt(mid)) > voltsAt(ohm)) low = mid;
    else high = mid;
  }
  return low;
}

/** A run as a logger of this world writes it: columns as it happens to have, gaps and a lost second here and there. */
export function csvOf(scene: Scene, road: boolean): string {
  const { s, ambientC, dice } = scene;
  const b = new Bench({ ...s.engine, heaterOn: ambientC < 15 ? dice.between(0, 1) : 0 }, ambientC, dice);
  const legs: Leg[] = road
    ? [
        { minutes: 5, rpm: 900, kmh: 0, power: 0 },
        { minutes: 12, rpm: 1900, kmh: 45, power: 0.12 },
        { minutes: 8, rpm: 2600, kmh: 60, power: 0.32 },
        { minutes: 6, rpm: 2200, kmh: 90, power: 0.15 },
        { minutes: 9, rpm: 850, kmh: 0, power: 0.02 }
      ]
    : dice.chance(0.5)
      ? [
          { minutes: 5, rpm: 950, kmh: 0, power: 0 },
          { minutes: 18, rpm: 1900, kmh: 0, power: 0.03 },
          { minutes: 8, rpm: 850, kmh: 0, power: 0.02 }
        ]
      : [
          { minutes: 4, rpm: 950, kmh: 0, power: 0 },
          { minutes: 16, rpm: 1800, kmh: 42, power: 0.1 },
          { minutes: 9, rpm: 850, kmh: 0, power: 0.02 }
        ];
  const full = dice.chance(0.5);
  const rows = [
    full ? 't_s,ect_c,iat_c,ambient_c,rpm,speed_kmh,load_pct,fan_cmd_pct' : 't_s,ect_c,rpm,speed_kmh,load_pct'
  ];
  for (const leg of legs)
    b.run(
      leg,
      (m) => m.coolantC > stopC(s) + 2,
      (m) => {
        if (m.t % 2 !== 0 || dice.chance(0.01)) return;
        // Load as a control unit tells it: of what it could fill at this speed.
        const load = Math.round(Math.min(100, 16 + (84 * m.power) / Math.max(0.2, m.rpm / 5000)));
        rows.push(
          full
            ? `${m.t},${m.readC},${Math.round(ambientC + 4 + dice.bell())},${Math.round(ambientC)},${Math.round(m.rpm)},${Math.round(m.kmh)},${load},${s.engine.fan.kind === 'none' ? '' : Math.round(Math.max(s.engine.fan.works ? m.fanPct : asked(b), s.engine.fan.stuck > 0 ? asked(b) : 0))}`
            : `${m.t},${m.readC},${Math.round(m.rpm)},${Math.round(m.kmh)},${load}`
        );
      }
    );
  return rows.join('\n');
}
/** What the control unit asks of its fan, whatever the fan does. */
function asked({ e, now }: Bench): number {
  const { fan } = e;
  return fan.kind === 'stages'
    ? (100 * fan.on.filter((on) => now.readC - fan.shiftC >= on).length) / fan.on.length
    : 0;
}
