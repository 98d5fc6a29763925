import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { readAfterRun, stopIndex, upTo, type AfterRun } from './after-run';
import { fanCoolingRate, readHunting, type Hunting } from './cycles';
import { readFan, type FanReading } from './fan-events';
import type { Grid, RunDrive } from './grid';
import { findKnee, type Knee } from './knee';
import { lineFit, medianOf, smooth } from './smooth';

/** A stretch of one kind of driving after warm-up, long enough to have settled. */
export interface Segment {
  readonly kind: 'idle' | 'town' | 'road';
  readonly fromS: number;
  readonly toS: number;
  /** Median reading of its later half. */
  readonly celsius: number;
  /** Half the 10–90 % range of its later half. */
  readonly spreadC: number;
  readonly meanLoadPct: number;
}

/** What the hose behind the thermostat did: rushed when it opened, or crept up with the engine. */
type HoseReading =
  | { readonly kind: 'rush'; readonly atS: number; readonly ectC: number }
  | { readonly kind: 'creep' }
  | { readonly kind: 'stayed-cool' }
  | { readonly kind: 'not-logged' };

/** What a run shows, before anyone asks why. Temperatures in °C, times in s from the start of the log. */
export interface Features {
  readonly durationS: number;
  /** Where regulation begins; null while the engine was still warming up at the end. */
  readonly warmFromS: number | null;
  readonly startC: number | null;
  /** Start reading minus ambient and minus intake air, where those were logged. */
  readonly startMinusAmbientC: number | null;
  readonly startMinusIntakeC: number | null;
  readonly warmRateCPerMin: number | null;
  readonly knee: Knee | null;
  readonly hose: HoseReading;
  readonly overshootC: number | null;
  readonly plateauC: number | null;
  readonly plateauSpreadC: number | null;
  readonly segments: readonly Segment[];
  /** Road (or town) plateau minus idle plateau. */
  readonly roadMinusIdleC: number | null;
  /** °C of plateau per 10 % more load, over three segments or more of unlike load. */
  readonly perLoadC: number | null;
  readonly hunting: Hunting | null;
  readonly maxC: number | null;
  readonly fan: FanReading;
  /** How fast the reading falls while the fan runs at a standstill, °C a minute. */
  readonly fanCoolsCPerMin: number | null;
  readonly secondsAboveHot: number;
  readonly secondsAboveStop: number;
  /** Seconds until within 11 °C of start-to-open, the standard monitor's own yardstick; null if never. */
  readonly nearRegulatingAtS: number | null;
  /** What followed key-off; null where the log ends with the engine running. All else is of the running engine. */
  readonly afterRun: AfterRun | null;
}

/** Measures a run. `heatTime` is heat released so far over the heat capacity, °C (see {@link heatTimeOf}). */
export function measure(
  whole: Grid,
  run: RunDrive,
  heatTime: Float64Array,
  spec: SpecSheet,
  electricFan: boolean
): Features {
  const grid = upTo(whole, stopIndex(whole) ?? whole.n);
  const { ect, dt } = grid;
  const level = smooth(ect, Math.max(3, Math.round(15 / dt)));
  const startC = medianOf(ect, 0, Math.max(3, Math.round(10 / dt)));
  const firstOf = (key: 'ambient_c' | 'iat_c') =>
    grid.channels[key] ? medianOf(grid.channels[key], 0, Math.max(3, Math.round(20 / dt))) : null;
  const minus = (other: number | null) => (startC === null || other === null ? null : startC - other);
  const opensC = limitsOf(spec).startOpenC.value;
  const knee = findKnee(ect, heatTime, dt);
  const warmFrom = warmIndex(level, knee, opensC, dt);
  const segments = warmFrom === null ? [] : segmentsFrom(grid, run, warmFrom);
  const settled =
    warmFrom === null
      ? null
      : ect
          .slice(warmFrom)
          .filter((v) => !Number.isNaN(v))
          .sort();
  const at = (share: number) => settled![Math.min(settled!.length - 1, Math.floor(share * settled!.length))];
  const known = ect.filter((v) => !Number.isNaN(v));
  const above = (limit: number | null | undefined) =>
    limit == null ? 0 : known.filter((v) => v > limit).length * dt;
  const fan = readFan(grid, electricFan);
  const near = startC === null ? -1 : level.findIndex((v) => v >= opensC - 11);
  return {
    durationS: (whole.n - 1) * dt,
    warmFromS: warmFrom === null ? null : warmFrom * dt,
    startC,
    startMinusAmbientC: minus(firstOf('ambient_c')),
    startMinusIntakeC: minus(firstOf('iat_c')),
    warmRateCPerMin: warmRate(level, knee, opensC, dt),
    knee,
    hose: readHose(grid, spec),
    overshootC: knee ? overshoot(level, knee, dt) : null,
    plateauC: settled && settled.length * dt >= 60 ? at(0.5) : null,
    plateauSpreadC: settled && settled.length * dt >= 60 ? (at(0.9) - at(0.1)) / 2 : null,
    segments,
    roadMinusIdleC: roadMinusIdle(segments),
    perLoadC: perLoad(segments),
    hunting: warmFrom === null ? null : readHunting(grid, warmFrom, fan),
    maxC: known.length > 0 ? known.reduce((a, b) => Math.max(a, b), -Infinity) : null,
    fan,
    fanCoolsCPerMin: fanCoolingRate(grid, fan),
    secondsAboveHot: above(spec.limits?.hotC),
    secondsAboveStop: above(spec.limits?.stopC),
    nearRegulatingAtS: near < 0 ? null : near * dt,
    afterRun: readAfterRun(whole, run.ambientC)
  };
}

/** °C a minute over the middle of the rise, 25 to 75 % of the way up to the opening or to what was reached. */
function warmRate(level: Float64Array, knee: Knee | null, opensC: number, dt: number): number | null {
  const first = level.findIndex((v) => !Number.isNaN(v));
  if (first < 0) return null;
  const known = level.filter((v) => !Number.isNaN(v));
  const top = knee?.celsius ?? Math.min(opensC, known.toSorted()[Math.floor(known.length * 0.8)]);
  const rise = top - level[first];
  if (rise < 8) return null;
  const from = level.findIndex((v) => v >= level[first] + 0.25 * rise);
  const to = level.findIndex((v) => v >= level[first] + 0.75 * rise);
  return to > from && from >= 0 ? ((level[to] - level[from]) / ((to - from) * dt)) * 60 : null;
}

/** Where regulation begins: a minute after the knee, or where an unbent rise has levelled off. */
function warmIndex(level: Float64Array, knee: Knee | null, opensC: number, dt: number): number | null {
  const n = level.length;
  if (knee) {
    const i = Math.round((knee.atS + 45) / dt);
    return i < n - Math.round(60 / dt) ? i : null;
  }
  const first = level.findIndex((v) => !Number.isNaN(v));
  const end = medianOf(level, Math.floor(n * 0.7), n);
  if (first < 0 || end === null) return null;
  if (end - level[first] < 10) return level[first] > opensC - 25 ? first : null;
  const i = level.findIndex((v) => v >= level[first] + 0.84 * (end - level[first]));
  const clock = Float64Array.from(level, (_, k) => k * dt);
  const early = lineFit(clock, level, first, Math.max(first + 5, i));
  const late = lineFit(clock, level, i, n);
  const levelled = early && late && late.slope < Math.min(0.45 * early.slope, 1.5 / 60);
  const passed = i >= 0 && level[i] > opensC - 5;
  return i >= 0 && (n - i) * dt > 120 && (levelled || passed) ? i : null;
}

function overshoot(level: Float64Array, knee: Knee, dt: number): number {
  const from = Math.round(knee.atS / dt);
  let peak = -Infinity;
  for (let i = from; i < Math.min(level.length, from + Math.round(150 / dt)); i++)
    if (level[i] > peak) peak = level[i];
  let after = Infinity;
  for (let i = from; i < Math.min(level.length, from + Math.round(360 / dt)); i++)
    if (level[i] < after && i * dt > knee.atS + 30) after = level[i];
  return Number.isFinite(after) ? Math.max(0, peak - after) : 0;
}

const SHORTEST_SEGMENT_S = 75;

function segmentsFrom(grid: Grid, run: RunDrive, from: number): Segment[] {
  const { dt, n, ect } = grid;
  const { speedKmh, load } = run.drive;
  const slow = smooth(speedKmh, Math.max(3, Math.round(40 / run.drive.dt)));
  const every = Math.round(run.drive.dt / dt);
  const kindAt = (i: number): Segment['kind'] => {
    const v = slow[Math.min(slow.length - 1, Math.floor(i / every))];
    return v < 4 ? 'idle' : v < 45 ? 'town' : 'road';
  };
  const segments: Segment[] = [];
  let start = from;
  for (let i = from + 1; i <= n; i++) {
    if (i < n && kindAt(i) === kindAt(start)) continue;
    if ((i - start) * dt >= SHORTEST_SEGMENT_S) {
      const half = start + ((i - start) >> 1);
      const later = ect
        .slice(half, i)
        .filter((v) => !Number.isNaN(v))
        .sort();
      if (later.length > 5) {
        const loads = load.slice(
          Math.floor(half / every),
          Math.max(Math.floor(half / every) + 1, Math.floor(i / every))
        );
        segments.push({
          kind: kindAt(start),
          fromS: start * dt,
          toS: (i - 1) * dt,
          celsius: later[later.length >> 1],
          spreadC: (later[Math.floor(later.length * 0.9)] - later[Math.floor(later.length * 0.1)]) / 2,
          meanLoadPct: (100 * loads.reduce((a, b) => a + b, 0)) / loads.length
        });
      }
    }
    start = i;
  }
  return segments;
}

function roadMinusIdle(segments: readonly Segment[]): number | null {
  const level = (kinds: readonly string[]) => {
    const chosen = segments.filter((s) => kinds.includes(s.kind));
    const weight = chosen.reduce((sum, s) => sum + s.toS - s.fromS, 0);
    return weight === 0 ? null : chosen.reduce((sum, s) => sum + s.celsius * (s.toS - s.fromS), 0) / weight;
  };
  const moving = level(['road']) ?? level(['town']);
  const standing = level(['idle']);
  return moving === null || standing === null ? null : moving - standing;
}

const LEAST_LOAD_RANGE_PCT = 12;

function perLoad(segments: readonly Segment[]): number | null {
  const loads = segments.map((s) => s.meanLoadPct);
  if (segments.length < 3 || Math.max(...loads) - Math.min(...loads) < LEAST_LOAD_RANGE_PCT) return null;
  const line = lineFit(
    loads,
    segments.map((s) => s.celsius),
    0,
    loads.length
  );
  return line && 10 * line.slope;
}

/** Rush or creep: does the hose behind the thermostat jump while the engine is hot, or rise with it from cold? */
function readHose(grid: Grid, spec: SpecSheet): HoseReading {
  const key = spec.thermostat?.side === 'inlet' ? 'lower_hose_c' : 'upper_hose_c';
  const values = grid.channels[key];
  if (!values) return { kind: 'not-logged' };
  const hose = smooth(values, Math.max(3, Math.round(9 / grid.dt)));
  const ect = smooth(grid.ect, Math.max(3, Math.round(9 / grid.dt)));
  const first = hose.findIndex((v, i) => !Number.isNaN(v) && !Number.isNaN(ect[i]));
  if (first < 0) return { kind: 'not-logged' };
  const minute = Math.round(60 / grid.dt);
  let best = { rise: 0, at: -1 };
  for (let i = first; i + minute < grid.n; i++) {
    const rise = hose[i + minute] - hose[i] - Math.max(0, ect[i + minute] - ect[i]);
    if (ect[i] - hose[i] > 12 && rise > best.rise) best = { rise, at: i };
  }
  const opensC = limitsOf(spec).startOpenC.value;
  const middle = ect.findIndex((v, i) => i > first && v >= (ect[first] + opensC) / 2);
  const followed = middle > 0 ? (hose[middle] - hose[first]) / Math.max(1, ect[middle] - ect[first]) : 0;
  // A healthy thermostat weeps a little, so on a slow warm-up its hose may come half the way before the rush.
  if (followed > 0.7) return { kind: 'creep' };
  if (best.rise > 8) {
    const begins = risingFrom(hose, best.at, minute);
    return { kind: 'rush', atS: begins * grid.dt, ectC: ect[begins] };
  }
  return { kind: followed > 0.45 ? 'creep' : 'stayed-cool' };
}

function risingFrom(hose: Float64Array, at: number, minute: number): number {
  const total = hose[at + minute] - hose[at];
  for (let i = at; i < at + minute; i++) if (hose[i] - hose[at] > 0.15 * total) return i;
  return at;
}
