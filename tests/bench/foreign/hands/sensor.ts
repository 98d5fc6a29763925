import { readsOf } from '../faults';
import { IDLE, FAST, has, instrument, taken, probe, benchOf, hot, scanOf, clampC, type Hands } from './scene';

/** The sensor, its loom and the gauge. */
export const sensor: Hands = {
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
    const bridged = open ? -40 : short ? 140 : Math.min(140, series > 25 ? readsOf(s, series) : 140);
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
          ? readsOf(s, s.ohmAt(ambientC) + series)
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
  }
};
