import { FAST, has, r1, stopC, hot, scanOf, type Hands } from './scene';

/** The fan clutch, by hand and by speed. */
export const clutch: Hands = {
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
  }
};
