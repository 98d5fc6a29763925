import { normalDraw, seeded, type Random } from '../random';
import type { Drive } from './drive';
import type { PlantParams } from './params';
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
}

export interface Spread {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

export interface BandOptions {
  readonly startC: number;
  readonly draws?: number;
  readonly seed?: number;
  /** Called after each draw with the number done; return false to stop (the result is then undefined). */
  readonly onDraw?: (done: number) => boolean | void;
}

/** How far parameters that no spec sheet tells are spread: standard deviations, of the logarithm or in °C. */
export const SPREAD = {
  heat: 0.2,
  heatShape: 0.12,
  capacity: 0.1,
  conductance: 0.15,
  radiator: 0.12,
  pump: 0.15,
  openC: 1.3,
  fanC: 1,
  sensorC: 1,
  ambientC: 0.8,
  waxLag: 0.3
} as const;

/** One healthy vehicle of this spec sheet: the same laws, other unknowns, `width` times as far apart. */
export function drawPlant(p: PlantParams, random: Random, width = 1): PlantParams {
  const factor = (sd: number) => Math.exp(width * sd * normalDraw(random));
  const open = width * SPREAD.openC * normalDraw(random);
  const capacity = factor(SPREAD.capacity);
  return {
    ...p,
    heatScale: p.heatScale * factor(SPREAD.heat),
    heatLoad: p.heatLoad * factor(SPREAD.heatShape),
    coldGain: p.coldGain * factor(0.3),
    metal: p.metal * capacity,
    jacket: p.jacket * capacity,
    radiatorMax: p.radiatorMax * factor(SPREAD.radiator),
    radiatorNatural: p.radiatorNatural * factor(SPREAD.conductance * 1.5),
    pumpKgS: p.pumpKgS * factor(SPREAD.pump),
    heater: p.heater * factor(SPREAD.conductance * 2),
    surface: p.surface * factor(SPREAD.conductance * 2),
    startOpenC: p.startOpenC + open,
    fullOpenC: p.fullOpenC + open + 0.5 * normalDraw(random),
    waxTauS: p.waxTauS * factor(SPREAD.waxLag),
    fanShiftC: p.fanShiftC + SPREAD.fanC * normalDraw(random),
    sensorError:
      p.sensorError.kind === 'none'
        ? { kind: 'shift', celsius: SPREAD.sensorC * normalDraw(random) }
        : p.sensorError
  };
}

/**
 * Monte Carlo over {@link SPREAD}: the band this engine should follow on this drive from this start.
 * Repeatable for a seed. At most 400 points are kept; between them a plotter may draw straight.
 */
export function expectedBand(p: PlantParams, drive: Drive, options: BandOptions): Band | undefined {
  const draws = options.draws ?? 200;
  const seed = options.seed ?? 1;
  const random = seeded(seed);
  const stride = Math.max(1, Math.ceil(drive.rpm.length / 400));
  const points = Math.ceil(drive.rpm.length / stride);
  const values = Array.from({ length: points }, () => new Float32Array(draws));
  const openings: number[] = [];
  const plateaus: number[] = [];

  for (let d = 0; d < draws; d++) {
    const plant = drawPlant(p, random);
    const shift = SPREAD.ambientC * normalDraw(random);
    const trace = simulate(plant, shifted(drive, shift), { startC: options.startC });
    for (let i = 0; i < points; i++) values[i][d] = trace.ect[i * stride];
    const opened = trace.lift.findIndex((l) => l > 0.03);
    if (opened > 0) {
      openings.push(opened * drive.dt);
      if (drive.rpm.length - opened > 180 / drive.dt) plateaus.push(mean(trace.ect.subarray(opened + 60)));
    }
    if (options.onDraw?.(d + 1) === false) return undefined;
  }
  const rows = values.map((v) => v.sort());
  const at = (share: number) => rows.map((v) => round(v[Math.min(draws - 1, Math.floor(share * draws))]));
  return {
    t: rows.map((_, i) => i * stride * drive.dt),
    low: at(0.05),
    mid: at(0.5),
    high: at(0.95),
    openingAtS: spreadOf(openings, draws),
    plateauC: spreadOf(plateaus, draws),
    draws,
    seed
  };
}

const round = (x: number) => Math.round(x * 10) / 10;
const mean = (v: Float32Array) => v.reduce((a, b) => a + b, 0) / v.length;

function shifted(drive: Drive, celsius: number): Drive {
  return { ...drive, ambientC: drive.ambientC.map((a) => a + celsius) };
}

/** The spread of what most draws showed; null where fewer than half did, for then it was not to be expected. */
function spreadOf(values: number[], draws: number): Spread | null {
  if (values.length < draws / 2) return null;
  const sorted = values.toSorted((a, b) => a - b);
  const at = (share: number) => round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]);
  return { low: at(0.05), mid: at(0.5), high: at(0.95) };
}
