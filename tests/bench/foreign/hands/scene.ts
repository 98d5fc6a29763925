import type { CheckId } from '../../../../src/core/checks/registry';
import type { Dice } from '../dice';
import { Bench, type Leg } from '../engine';
import type { ForeignFault, Sick } from '../faults';

/** What a technician of this world has before him. */
export interface Scene {
  readonly s: Sick;
  readonly ambientC: number;
  readonly codes: readonly string[];
  readonly seed: number;
  readonly dice: Dice;
}
/** How a check is done here; null where it cannot be on this vehicle as it is. */
export type Hands = Readonly<Partial<Record<CheckId, (scene: Scene) => unknown>>>;

export const IDLE: Leg = { minutes: 40, rpm: 850, kmh: 0, power: 0.02 };
export const FAST: Leg = { minutes: 40, rpm: 1900, kmh: 0, power: 0.03 };
const OUT: readonly Leg[] = [
  { minutes: 4, rpm: 900, kmh: 0, power: 0 },
  { minutes: 14, rpm: 1900, kmh: 45, power: 0.12 },
  { minutes: 6, rpm: 850, kmh: 0, power: 0.02 }
];
export const has = (s: Sick, f: ForeignFault) => s.faults.includes(f);
export const r1 = (x: number) => Math.round(10 * x) / 10;
export const instrument = (kind: string) => ({
  kind,
  uncertaintyC: { scan: 1, contact: 1.5, glass: 0.7, infrared: 2.5, 'infrared-bright': 8, weather: 2 }[kind]
});
/** A temperature by an instrument: a contact probe loses a little to the air, a gun more, and on bright metal much. */
export function taken(trueC: number, kind: string, { ambientC, dice }: Scene) {
  const lost =
    { contact: 0.015, glass: 0, infrared: 0.03, 'infrared-bright': 0.07, weather: 0, scan: 0 }[kind] ?? 0;
  const sd =
    { contact: 0.6, glass: 0.3, infrared: 1.2, 'infrared-bright': 2, weather: 0.9, scan: 0 }[kind] ?? 0;
  return { celsius: r1(trueC - lost * (trueC - ambientC) + sd * dice.bell()), instrument: instrument(kind) };
}
export const probe = (scene: Scene) =>
  scene.dice.chance(0.7) ? 'contact' : scene.dice.chance(0.8) ? 'infrared' : 'infrared-bright';

export function benchOf({ s, ambientC, dice }: Scene, heater = 0): Bench {
  return new Bench({ ...s.engine, heaterOn: heater }, ambientC, dice);
}
export const stopC = (s: Sick) => s.holdsC + 27;
export function hot(scene: Scene, heater = 0): Bench {
  const b = benchOf(scene, heater);
  for (const leg of OUT) b.run(leg, (m) => m.coolantC > stopC(scene.s));
  return b;
}
export function worked(scene: Scene): Bench {
  const b = hot(scene);
  b.run(
    { ...FAST, minutes: 14 },
    (m) => m.coolantC > stopC(scene.s) - 5 || m.fanPct > 60 || m.clutchShare > 0.6
  );
  // What the fan has only just begun to do is not yet what it does.
  b.run({ ...FAST, minutes: 1.5 }, (m) => m.coolantC > stopC(scene.s));
  return b;
}

export const scanOf = (b: Bench) => b.now.readC;
export const clampC = (c: number) => Math.min(150, c);
