import { mean } from 'simple-statistics';
import { normalDraw, seeded } from '../../base/random';
import type { Drive } from './drive';
import type { PlantParams } from './params';
import { afterRuns, drawPlant, priorsFor, type Learned } from './priors';
import { simulate } from './simulate';

/** Expected coolant temperature over a run: 5, 50 and 95 % at each time, s and °C, and what follows from the draws. */
export interface Band {
  readonly t: readonly number[];
  readonly low: readonly number[];
  readonly mid: readonly number[];
  readonly high: readonly number[];
  readonly openingAtS: Spread | null;
  readonly plateauC: Spread | null;
  readonly draws: number;
  readonly seed: number;
  /** How many known-good runs of this vehicle narrowed it. */
  readonly knownGood?: number;
}

interface Spread {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

export interface BandOptions {
  readonly startC: number;
  readonly draws?: number;
  readonly seed?: number;
  /**
   * What this very vehicle showed on the drive's grid before the thermostat mattered: draws that fit it count more.
   * NaN where nothing was read.
   */
  readonly observed?: ArrayLike<number>;
  /** What this vehicle's known-good runs told of it. */
  readonly knownGood?: readonly Learned[];
}

/**
 * Monte Carlo over the priors (priors.ts): the band this engine should follow on this drive from this start.
 * Repeatable for a seed. At most 400 points are kept; between them a plotter may draw straight.
 */
export const expectedBand = (p: PlantParams, drive: Drive, options: BandOptions): Band =>
  drained(bandByDraws(p, drive, options));

/** What a generator that tells its progress comes to in the end. */
export function drained<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** The same draw by draw, yielding how many are done: for one who shows progress, or gives up on the way. */
export function* bandByDraws(p: PlantParams, drive: Drive, options: BandOptions): Generator<number, Band> {
  const draws = options.draws ?? 200;
  const seed = options.seed ?? 1;
  const random = seeded(seed);
  const knownGood = options.knownGood ?? [];
  const priors = afterRuns(priorsFor(p), knownGood);
  const stride = Math.max(1, Math.ceil(drive.rpm.length / 400));
  const points = Math.ceil(drive.rpm.length / stride);
  const values = Array.from({ length: points }, () => new Float32Array(draws));
  const openings = new Float32Array(draws).fill(NaN);
  const plateaus = new Float32Array(draws).fill(NaN);
  const misfit = new Float64Array(draws);

  for (let d = 0; d < draws; d++) {
    const plant = drawPlant(p, random, 1, priors);
    const shift = priors.ambientC * normalDraw(random);
    const trace = simulate(plant, shifted(drive, shift), { startC: options.startC });
    for (let i = 0; i < points; i++) values[i][d] = trace.ect[i * stride];
    if (options.observed) misfit[d] = misfitOf(trace.ect, options.observed, drive.dt);
    const opened = trace.lift.findIndex((l) => l > 0.03);
    if (opened > 0) {
      openings[d] = opened * drive.dt;
      if (drive.rpm.length - opened > 180 / drive.dt)
        plateaus[d] = mean(Array.from(trace.ect.subarray(opened + 60)));
    }
    yield d + 1;
  }
  const weights = options.observed ? weightsOf(misfit) : null;
  const quantile = weights ? weighted(weights) : plainly;
  const rows = values.map((v) => quantile(v));
  const at = (share: number) => rows.map((of) => round(of(share)));
  return {
    t: rows.map((_, i) => i * stride * drive.dt),
    low: at(0.05),
    mid: at(0.5),
    high: at(0.95),
    openingAtS: spreadOf(openings, weights),
    plateauC: spreadOf(plateaus, weights),
    draws,
    seed,
    knownGood: knownGood.length
  };
}

/** Gives a value by its share of all: 0.05, 0.5, 0.95. */
type Quantile = (share: number) => number;

function plainly(values: Float32Array): Quantile {
  const sorted = values.slice().sort();
  return (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}

const weighted =
  (weights: Float64Array) =>
  (values: Float32Array): Quantile => {
    const order = Array.from(values.keys()).sort((a, b) => values[a] - values[b]);
    return (share) => {
      let sum = 0;
      for (const i of order) if ((sum += weights[i]) >= share) return values[i];
      return values[order[order.length - 1]];
    };
  };

/** How far a healthy curve strays from one that was read, at one time, °C; and for how long it goes on straying. */
const STRAY_C = 1.5;
const STRAY_S = 60;

/** −log likelihood of what was read, given a draw: errors hold for a minute, so a minute is one observation. */
function misfitOf(ect: Float32Array, observed: ArrayLike<number>, dt: number): number {
  let sum = 0;
  const n = Math.min(ect.length, observed.length);
  for (let i = 0; i < n; i++) if (!Number.isNaN(observed[i])) sum += (ect[i] - observed[i]) ** 2;
  return (0.5 * sum * dt) / (STRAY_C ** 2 * STRAY_S);
}

const FEWEST_DRAWS = 30;

/** Weights that sum to 1, softened until they stand on at least {@link FEWEST_DRAWS} draws' worth. */
function weightsOf(misfit: Float64Array): Float64Array {
  const best = Math.min(...misfit);
  for (let soften = 1; ; soften *= 0.7) {
    const raw = misfit.map((m) => Math.exp(-soften * (m - best)));
    const sum = raw.reduce((a, b) => a + b, 0);
    const weights = raw.map((w) => w / sum);
    if (1 / weights.reduce((s, w) => s + w * w, 0) >= Math.min(FEWEST_DRAWS, misfit.length / 2))
      return weights;
  }
}

const round = (x: number) => Math.round(x * 10) / 10;

function shifted(drive: Drive, celsius: number): Drive {
  return { ...drive, ambientC: drive.ambientC.map((a) => a + celsius) };
}

/** The spread of what most draws showed; null where fewer than half did, for then it was not to be expected. */
function spreadOf(values: Float32Array, weights: Float64Array | null): Spread | null {
  const shown = Array.from(values.keys()).filter((d) => !Number.isNaN(values[d]));
  const share = Float64Array.from(shown, (d) => weights?.[d] ?? 1 / values.length);
  const all = share.reduce((a, b) => a + b, 0);
  if (all < 0.5) return null;
  const quantile = weighted(share.map((w) => w / all))(Float32Array.from(shown, (d) => values[d]));
  return { low: round(quantile(0.05)), mid: round(quantile(0.5)), high: round(quantile(0.95)) };
}
