import { Bench, type Leg } from './engine';
import { stopC, type Scene } from './hands/scene';

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
            ? `${m.t},${m.readC},${Math.round(ambientC + 4 + dice.bell())},${Math.round(ambientC)},${Math.round(m.rpm)},${Math.round(m.kmh)},${load},${s.engine.fan.kind === 'none' ? '' : Math.round(m.askedPct)}`
            : `${m.t},${m.readC},${Math.round(m.rpm)},${Math.round(m.kmh)},${load}`
        );
      }
    );
  return rows.join('\n');
}
