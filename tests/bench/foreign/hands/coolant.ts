import {
  IDLE,
  FAST,
  has,
  r1,
  instrument,
  taken,
  benchOf,
  stopC,
  hot,
  worked,
  clampC,
  type Hands
} from './scene';

/** A hose to the heater stays hot down to a trickle. */
const hoseShare = (flow: number) => Math.min(0.98, 0.72 + 9 * flow);

/** Coolant and air on their way: thermostat, hoses, heater, radiator. */
export const coolant: Hands = {
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
    const side = s.sheet.thermostat?.side ?? (scene.seed % 2 ? 'outlet' : 'inlet');
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
        ? Math.round(
            has(s, 'thermostat-low-rating') ? e.opensC : (s.sheet.thermostat?.startOpenC ?? e.opensC)
          )
        : null
    };
  },
  'thermostat-heater': ({ s }) => {
    if (s.sheet.thermostat?.heaterOhm == null) return null;
    const failed = has(s, 'thermostat-heater-failed');
    return {
      elementOhm: failed ? 9e6 : 15.3,
      powered: failed ? 'stays' : 'opens',
      afterS: failed ? null : 110,
      unpowered: failed ? null : 'closes'
    };
  }
};
