import { sayC } from '../units/say';
import type { Log } from '../formats/channels';
import type { SpecSheet } from '../formats/spec-sheet';
import { expectedBand, type Band } from '../plant/band';
import type { FaultId } from '../plant/faults';
import { plantFor } from '../plant/params';
import { blindSpots, type BlindSpot } from './blind';
import { alikeOn } from './candidates';
import { departureEvidence, evidenceOf, type Evidence } from './evidence';
import { measure, type Features } from './features';
import { driveOf, toGrid, type Grid, type RunDrive } from './grid';
import { benchFor, rankingStride } from './bench';
import { departureOf, heatTimeOf } from './fit';
import { rank, type Ranked } from './rank';

/** Raised whenever the model changes enough to judge an old run anew. */
export const MODEL_VERSION = 1;

export interface SuspectShare {
  readonly fault: FaultId;
  readonly probability: number;
  /** Faults one log cannot tell from this one. */
  readonly alike: readonly FaultId[];
  readonly severity: number;
}

/** The four parts of a verdict, always together, with what they rest on. */
export interface Analysis {
  readonly modelVersion: number;
  readonly verdict: FaultId | 'not-enough';
  readonly suspects: readonly SuspectShare[];
  readonly evidence: readonly Evidence[];
  readonly couldNotShow: readonly BlindSpot[];
  readonly features: Features;
  readonly jumps: number;
  readonly warnings: readonly string[];
}

const SHORTEST_S = 120;
const SMALLEST_SHARE = 0.01;

/** Reads a run against its spec sheet: features, ranking, evidence, blind spots. Pure and repeatable. */
export function analyse(log: Log, spec: SpecSheet): Analysis {
  const plant = plantFor(spec);
  const grid = toGrid(log, spec);
  const run = driveOf(grid, rankingStride(grid));
  const heatTime = heatTimeOf(grid, run, plant);
  const features = measure(grid, run, heatTime, spec, plant.fan.kind !== 'none');
  const warnings = warningsOf(grid, run);
  const flat = flatLine(grid, spec);
  if (flat) {
    const suspects = [{ fault: flat, probability: 0.95, alike: alikeOn(plant, flat), severity: 1 }];
    return {
      modelVersion: MODEL_VERSION,
      verdict: flat,
      suspects,
      evidence: evidenceOf(features, grid, run, spec),
      couldNotShow: [],
      features,
      jumps: grid.jumps.count,
      warnings: [
        ...warnings,
        'the coolant reading is a fixed default, so nothing else about the engine can be read from this run'
      ]
    };
  }
  const bench = benchFor(grid, run, features, heatTime, spec, plant);
  const { ranked, healthy, acSupposed } = rank(bench);
  if (acSupposed)
    warnings.push(
      'no A/C column in the log; the run fits a healthy engine only if the A/C kept the fan on, so it was supposed to'
    );
  const couldNotShow = blindSpots(bench, healthy);
  const departure = departureOf(bench, healthy);
  const commanded = grid.channels.fan_cmd_pct !== undefined;
  return {
    modelVersion: MODEL_VERSION,
    verdict: verdictOf(ranked, features, couldNotShow, spec),
    suspects: ranked
      .filter((r, i) => r.probability >= SMALLEST_SHARE || i === 0)
      .map((r) => ({
        fault: r.fault,
        probability: r.probability,
        alike: alikeOn(plant, r.fault, commanded),
        severity: r.severity
      })),
    evidence: [...departureEvidence(departure), ...evidenceOf(features, grid, run, spec)],
    couldNotShow,
    features,
    jumps: grid.jumps.count,
    warnings
  };
}

/** The expected band of a run: the healthy plant under this run's own ambient, start, speed and load. */
export function bandFor(
  log: Log,
  spec: SpecSheet,
  options: {
    draws?: number;
    seed?: number;
    /** Let the minutes before the thermostat matters narrow it: for a run in progress, never to judge one. */
    narrowed?: boolean;
    onDraw?: (done: number) => boolean | void;
  } = {}
): Band | undefined {
  const plant = plantFor(spec);
  const grid = toGrid(log, spec);
  const run = driveOf(grid, Math.max(1, Math.round((grid.n * grid.dt) / 1800 / grid.dt)));
  const start =
    grid.jumps.openShare > 0.6 || grid.jumps.shortShare > 0.6
      ? run.ambientC
      : (grid.ect.find((v) => !Number.isNaN(v)) ?? run.ambientC);
  const { narrowed, ...rest } = options;
  const observed = narrowed ? beforeOpening(grid, run.drive.dt, spec) : undefined;
  return expectedBand(plant, run.drive, { startC: start, observed, ...rest });
}

/** How far below start-to-open a thermostat, even a leaking one's neighbour, leaves the warm-up alone, °C. */
const WELL_BELOW_C = 10;

/** The coolant as read, on the drive's grid, until it first comes near start-to-open. */
function beforeOpening(grid: Grid, dt: number, spec: SpecSheet): Float64Array {
  const stride = Math.max(1, Math.round(dt / grid.dt));
  const until = grid.ect.findIndex((c) => c > spec.thermostat.startOpenC - WELL_BELOW_C);
  return grid.ect.slice(0, until < 0 ? undefined : until).filter((_, i) => i % stride === 0);
}

/** A reading held at a default for most of the run, or that never moved while the engine must have. */
function flatLine(grid: Grid, spec: SpecSheet): FaultId | undefined {
  if (grid.jumps.openShare > 0.8) return 'ect-open-circuit';
  if (grid.jumps.shortShare > 0.8) return 'ect-short-circuit';
  if (!grid.jumps.frozen) return undefined;
  const value = grid.ect.find((v) => !Number.isNaN(v)) ?? 0;
  if (value < -25) return 'ect-open-circuit';
  if (value > 125) return 'ect-short-circuit';
  const running = (grid.channels.rpm ?? new Float64Array(0)).some((v) => v > 400);
  return running && value < spec.thermostat.startOpenC - 20 ? 'ect-wiring' : undefined;
}

/**
 * The best family, unless that is “healthy” on a run that never let the thermostat act: too little to say it.
 */
function verdictOf(
  ranked: readonly Ranked[],
  features: Features,
  blind: readonly BlindSpot[],
  spec: SpecSheet
): Analysis['verdict'] {
  const best = ranked[0];
  if (features.durationS < SHORTEST_S && best.fault !== 'ect-intermittent') return 'not-enough';
  if (best.fault !== 'none') return best.fault;
  const opened = (features.maxC ?? 0) >= spec.thermostat.startOpenC - 3;
  const blindToThermostat = blind.some((b) => b.fault === 'thermostat-stuck-closed');
  return opened && !blindToThermostat ? 'none' : 'not-enough';
}

function warningsOf(grid: Grid, run: RunDrive): string[] {
  const warnings: string[] = [];
  if (run.assumed.length > 0)
    warnings.push(
      `no ${run.assumed.join(', no ')} in the log; assumed from the other columns, so the band is wider`
    );
  if (run.ambientFrom !== 'ambient')
    warnings.push(
      `no ambient temperature in the log; ${sayC(run.ambientC, 0)} taken from ${run.ambientFrom === 'assumed' ? 'a usual day' : `the ${run.ambientFrom}`}`
    );
  if (grid.leftOutS > 1)
    warnings.push(
      `the log is ${(grid.leftOutS / 3600).toFixed(1)} h longer than is read; the first four hours were judged`
    );
  return warnings;
}
