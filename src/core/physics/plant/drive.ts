/** What the engine was asked to do, on an even time grid. Arrays share one length. */
export interface Drive {
  readonly dt: number;
  readonly rpm: Float64Array;
  /** Engine load, 0 to 1. */
  readonly load: Float64Array;
  readonly speedKmh: Float64Array;
  readonly ambientC: Float64Array;
  readonly ac: Uint8Array;
}

/** One leg of a made-up drive: `minutes` long, at a road speed and load. */
export interface Leg {
  readonly minutes: number;
  readonly speedKmh: number;
  readonly load: number;
  readonly rpm: number;
  readonly ac?: boolean;
}

const idle = (minutes: number, ac = false): Leg => ({
  minutes,
  speedKmh: 0,
  load: ac ? 0.28 : 0.2,
  rpm: ac ? 900 : 800,
  ac
});
const town = (minutes: number): Leg[] =>
  Array.from({ length: Math.max(1, Math.round(minutes / 2)) }, (_, i): Leg[] => [
    { minutes: 1.2, speedKmh: 36 + 8 * (i % 3), load: 0.34, rpm: 1900 },
    { minutes: 0.8, speedKmh: 0, load: 0.2, rpm: 820 }
  ]).flat();
const road = (minutes: number): Leg => ({ minutes, speedKmh: 80, load: 0.42, rpm: 2300 });
const grade = (minutes: number): Leg => ({ minutes, speedKmh: 38, load: 0.85, rpm: 2900 });

/** The drives every test, bench and demo shares: what a technician does after opening the bonnet. */
export const DRIVES = {
  idle: [idle(34)],
  yard: [idle(6), ...town(4), idle(20)],
  mixed: [idle(3), ...town(10), road(9), idle(10)],
  ridge: [idle(3), road(8), grade(9), road(4), idle(8)],
  queue: [...town(8), road(6), idle(18, true)],
  short: [idle(4), ...town(2)]
} as const satisfies Record<string, readonly Leg[]>;

export type DriveName = keyof typeof DRIVES;

/** Lays legs end to end on a grid of `dt` s, with speed and revs moving between them as a vehicle would. */
export function driveFromLegs(legs: readonly Leg[], ambientC: number, dt = 1): Drive {
  const seconds = legs.reduce((sum, leg) => sum + leg.minutes * 60, 0);
  const n = Math.round(seconds / dt) + 1;
  const drive = {
    dt,
    rpm: new Float64Array(n),
    load: new Float64Array(n),
    speedKmh: new Float64Array(n),
    ambientC: new Float64Array(n).fill(ambientC),
    ac: new Uint8Array(n)
  };
  let leg = 0;
  let legEnd = legs[0].minutes * 60;
  let { speedKmh, rpm, load } = legs[0];
  for (let i = 0; i < n; i++) {
    while (i * dt > legEnd && leg < legs.length - 1) legEnd += legs[++leg].minutes * 60;
    const want = legs[leg];
    speedKmh += Math.max(-7 * dt, Math.min(4 * dt, want.speedKmh - speedKmh));
    rpm += (want.rpm - rpm) * (1 - Math.exp(-dt / 3));
    load += (want.load - load) * (1 - Math.exp(-dt / 3));
    drive.rpm[i] = rpm;
    drive.load[i] = load;
    drive.speedKmh[i] = speedKmh;
    drive.ac[i] = want.ac ? 1 : 0;
  }
  return drive;
}
