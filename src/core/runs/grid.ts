import { CHANNELS, type ChannelKey, type Log } from '../logs/channels';
import { usualStep } from '../logs/csv-clock';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Drive } from '../physics/plant/drive';
import { findJumps, type Jumps } from './jumps';

/** A log on an even grid, spikes taken out, NaN where there was a gap. The reader works on this alone. */
export interface Grid {
  readonly dt: number;
  readonly n: number;
  readonly ect: Float64Array;
  readonly channels: Readonly<Partial<Record<ChannelKey, Float64Array>>>;
  readonly jumps: Jumps;
  /** Seconds of the log that were left out at its end because it is too long to read in full. */
  readonly leftOutS: number;
}

const LONGEST_READ_S = 4 * 3600;

const SHORTEST_GAP_S = 30;
const LONGEST_GAP_S = 360;

/**
 * How long a silence is a gap: half a minute for a logger; for readings that are typed now and then, as long as
 * two and a half of their usual intervals, for coolant goes straight from one to the next.
 */
const gapOf = (t: Float64Array): number =>
  Math.min(LONGEST_GAP_S, Math.max(SHORTEST_GAP_S, 2.5 * usualStep(t)));

/**
 * Puts a log on a grid of 1 s (coarser above an hour), straight between samples unless a gap lies between them.
 * Switches and the fan hold their last value. Impossible excursions of the coolant reading are bridged and counted.
 */
export function toGrid(log: Log, spec: SpecSheet): Grid {
  const gapS = gapOf(log.t);
  const end = Math.min(log.t[log.t.length - 1], LONGEST_READ_S);
  const dt = Math.max(1, Math.ceil(end / 3600));
  const n = Math.floor(end / dt) + 1;
  const jumps = findJumps(log.t, log.channels.ect_c!, spec);
  const channels: Partial<Record<ChannelKey, Float64Array>> = {};
  for (const { key } of CHANNELS) {
    const values = log.channels[key];
    if (values && key !== 'ect_c')
      channels[key] = resample(log.t, values, dt, n, gapS, /fan|ac_on/.test(key));
  }
  return {
    dt,
    n,
    ect: resample(log.t, jumps.cleaned, dt, n, gapS, false),
    channels,
    jumps,
    leftOutS: log.t[log.t.length - 1] - end
  };
}

function resample(
  t: Float64Array,
  values: Float32Array,
  dt: number,
  n: number,
  gapS: number,
  hold: boolean
): Float64Array {
  const out = new Float64Array(n).fill(NaN);
  let j = -1;
  let next = nextValid(values, 0);
  for (let i = 0; i < n; i++) {
    const at = i * dt;
    while (next < t.length && t[next] <= at + 1e-9) {
      j = next;
      next = nextValid(values, next + 1);
    }
    if (j < 0) continue;
    if (at - t[j] < 1e-9) out[i] = values[j];
    else if (hold || next >= t.length) {
      if (at - t[j] <= gapS) out[i] = values[j];
    } else if (t[next] - t[j] <= gapS)
      out[i] = values[j] + ((at - t[j]) / (t[next] - t[j])) * (values[next] - values[j]);
  }
  return out;
}

function nextValid(values: Float32Array, from: number): number {
  let i = from;
  while (i < values.length && Number.isNaN(values[i])) i++;
  return i;
}

/** What the engine was asked to do, as the log tells it, and what had to be assumed. */
export interface RunDrive {
  readonly drive: Drive;
  readonly ambientC: number;
  /** Where the ambient came from. */
  readonly ambientFrom: 'ambient' | 'intake air' | 'start temperature' | 'assumed';
  readonly assumed: readonly ('engine speed' | 'road speed' | 'load')[];
}

const USUAL_AMBIENT_C = 15;

/** Drive history from the log itself, on a grid `every` times as coarse. Missing channels are filled from the others. */
export function driveOf(grid: Grid, every: number): RunDrive {
  const n = Math.floor((grid.n - 1) / every) + 1;
  const dt = grid.dt * every;
  const { rpm, speed_kmh: speed, load_pct: load, ac_on: ac } = grid.channels;
  const ambient = ambientOf(grid);
  const drive = {
    dt,
    rpm: new Float64Array(n),
    load: new Float64Array(n),
    speedKmh: new Float64Array(n),
    ambientC: new Float64Array(n).fill(ambient.celsius),
    ac: new Uint8Array(n)
  };
  const held = { rpm: 800, speed: 0, load: 0.22 };
  for (let i = 0; i < n; i++) {
    const k = i * every;
    const speedNow = known(speed?.[k]);
    const rpmNow = known(rpm?.[k]);
    if (speedNow !== undefined) held.speed = speedNow;
    else if (!speed)
      held.speed = rpmNow === undefined ? 20 : rpmNow < 1150 ? 0 : Math.min(100, (rpmNow - 900) / 28);
    if (rpmNow !== undefined) held.rpm = rpmNow;
    else if (!rpm) held.rpm = speed ? (held.speed < 3 ? 800 : Math.min(3200, 1150 + 16 * held.speed)) : 1300;
    const loadNow = known(load?.[k]);
    if (loadNow !== undefined) held.load = Math.min(1, loadNow / 100);
    else if (!load)
      held.load =
        held.speed < 3
          ? 0.2
          : Math.min(
              0.9,
              0.26 + held.speed / 500 + Math.max(0, acceleration(speed, k, every, grid.dt)) * 0.25
            );
    drive.rpm[i] = held.rpm;
    drive.load[i] = held.load;
    drive.speedKmh[i] = held.speed;
    drive.ac[i] = (ac?.[k] ?? 0) > 0 ? 1 : 0;
  }
  const assumed = [!rpm && 'engine speed', !speed && 'road speed', !load && 'load'].filter(
    (x): x is 'engine speed' | 'road speed' | 'load' => x !== false
  );
  return { drive, ambientC: ambient.celsius, ambientFrom: ambient.from, assumed };
}

const known = (x: number | undefined) => (x === undefined || Number.isNaN(x) ? undefined : x);

function acceleration(speed: Float64Array | undefined, k: number, every: number, dt: number): number {
  const before = known(speed?.[Math.max(0, k - every)]);
  const now = known(speed?.[k]);
  return before === undefined || now === undefined ? 0 : (now - before) / 3.6 / (every * dt);
}

function ambientOf(grid: Grid): { celsius: number; from: RunDrive['ambientFrom'] } {
  const ambient = finite(grid.channels.ambient_c).toSorted((a, b) => a - b);
  if (ambient.length > 0) return { celsius: ambient[ambient.length >> 1], from: 'ambient' };
  const intake = finite(grid.channels.iat_c);
  if (intake.length > 0) return { celsius: Math.min(intake[0], ...thinned(intake)), from: 'intake air' };
  const start = finite(grid.ect)[0];
  return start !== undefined && start > -35 && start < 35
    ? { celsius: start, from: 'start temperature' }
    : { celsius: USUAL_AMBIENT_C, from: 'assumed' };
}

const finite = (values: Float64Array | undefined): Float64Array =>
  (values ?? new Float64Array(0)).filter((v) => !Number.isNaN(v));
const thinned = (values: Float64Array): number[] => Array.from(values).filter((_, i) => i % 10 === 0);
