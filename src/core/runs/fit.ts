import { heatKW } from '../physics/plant/step';
import type { PlantParams } from '../physics/plant/params';
import { readingOf, readingTable } from '../physics/plant/sensor';
import { simulate, type Trace } from '../physics/plant/simulate';
import type { ObservedRun } from './observed-parts';
import type { Grid, RunDrive } from './grid';
import { smooth } from './smooth';

/** A candidate simulated under the run's own conditions. */
export interface Fitted {
  readonly trace: Trace;
  readonly heatScale: number;
  readonly trueStartC: number;
}

/**
 * Simulates a plant under the run's own conditions, its heat input scaled so that the warm-up takes as long as
 * the logged one: the largest unknown of any engine, and one that no fault of the catalogue changes.
 */
export function fit(bench: ObservedRun, plant: PlantParams, from: number, rounds = 2): Fitted {
  const trueStartC = trueTemperature(plant, bench.features.startC ?? bench.ambientC);
  const trace = simulate(plant, bench.drive, { startC: trueStartC, heatScale: from });
  return fitOn(bench, plant, { trace, heatScale: from, trueStartC }, rounds);
}

/** Goes on from a first simulation, which counts as the first of the rounds. */
export function fitOn(bench: ObservedRun, plant: PlantParams, first: Fitted, rounds = 2): Fitted {
  const { trueStartC } = first;
  const start = bench.features.startC ?? bench.ambientC;
  const top = Math.min(bench.plant.startOpenC - 3, bench.reachedC);
  const level = start + 0.7 * (top - start);
  const reached = top - start > 15 ? crossing(bench.observed, level) : -1;
  let { heatScale, trace } = first;
  for (let round = 1; round < rounds && reached > 0; round++) {
    const simulated = crossing(trace.ect, level);
    const next = Math.min(2, Math.max(0.5, heatScale * (simulated < 0 ? 1.35 : simulated / reached)));
    if (Math.abs(next / heatScale - 1) < 0.04) break;
    heatScale = next;
    trace = simulate(plant, bench.drive, { startC: trueStartC, heatScale });
  }
  return { trace, heatScale, trueStartC };
}

function crossing(values: ArrayLike<number>, level: number): number {
  for (let i = 0; i < values.length; i++) if (values[i] >= level) return i;
  return -1;
}

/** The sensor temperature at which this plant's control unit would read `reading`. */
function trueTemperature(plant: PlantParams, reading: number): number {
  if (plant.sensorError.kind === 'none' || plant.sensorError.kind === 'fixed') return reading;
  const table = readingTable(plant);
  let low = -45;
  let high = 150;
  while (high - low > 0.2) {
    const mid = (low + high) / 2;
    if (readingOf(table, { ...plant, openReadsC: -60, shortReadsC: 220 }, mid) < reading) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Where a run stood furthest from what a healthy engine would have shown on the same drive. */
export interface Departure {
  readonly atS: number;
  /** Logged less healthy, °C. */
  readonly byC: number;
  readonly driving: 'at idle' | 'on the move';
}

const DEPARTURE_OVER_S = 60;

/** The largest departure of the minute mean from the healthy fit; null for a run with no full minute. */
export function departureOf(bench: ObservedRun, healthy: Fitted): Departure | null {
  const { dt, speedKmh } = bench.drive;
  const gap = smooth(
    bench.observed.map((v, i) => v - healthy.trace.ect[i]),
    Math.max(1, Math.round(DEPARTURE_OVER_S / dt))
  );
  let worst = -1;
  for (let i = 0; i < gap.length; i++)
    if (!Number.isNaN(gap[i]) && (worst < 0 || Math.abs(gap[i]) > Math.abs(gap[worst]))) worst = i;
  return worst < 0
    ? null
    : { atS: worst * dt, byC: gap[worst], driving: speedKmh[worst] < 4 ? 'at idle' : 'on the move' };
}

/** Heat released so far over the heat capacity: the rise there would be without losses, °C. The knee's x axis. */
export function heatTimeOf(grid: Grid, run: RunDrive, plant: PlantParams): Float64Array {
  const every = Math.round(run.drive.dt / grid.dt);
  const capacity = plant.metal + plant.jacket;
  const out = new Float64Array(grid.n);
  let sum = 0;
  for (let i = 0; i < grid.n; i++) {
    const k = Math.min(run.drive.rpm.length - 1, Math.floor(i / every));
    // A floor keeps time moving where the engine stood: coolant still equalises.
    sum +=
      (Math.max(
        0.3,
        heatKW(plant, run.drive.rpm[k], run.drive.load[k], Number.isNaN(grid.ect[i]) ? 60 : grid.ect[i])
      ) *
        grid.dt) /
      capacity;
    out[i] = sum;
  }
  return out;
}
