import { sayC } from '../units/say';
import type { Instrument } from '../measure/instruments';
import type { Log } from '../logs/channels';
import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { bandByDraws, drained, type Band } from '../physics/plant/band';
import type { FaultId } from '../vehicle/faults';
import { plantFor, type PlantParams } from '../physics/plant/params';
import type { Learned } from '../physics/plant/priors';
import { besideLeading, type Beside } from './beside';
import { blindSpots, type BlindSpot, type ShownFrom } from './blind';
import { alikeOn } from './candidates';
import { departureEvidence, evidenceOf, instrumentEvidence, type Evidence } from './evidence';
import { measure, type Features } from './features';
import { driveOf, toGrid, type Grid, type RunDrive } from './grid';
import { benchFor, rankingStride } from './observed-run';
import { departureOf, heatTimeOf } from './fit';
import { drawNearlyOne } from './groups';
import { atItsBest, offBy, rankSteps, type Ranked, type RankStep } from './rank';
import { WORTH_DRAWING, whyCurves, type WhyCurves } from './why';

/** Raised whenever the model changes enough to judge an old run anew. */
export const MODEL_VERSION = 6;

interface SuspectShare {
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
  /** From which severity on it would have shown a fault; a fault that is not named here it could not show at all. */
  readonly shownFrom: ShownFrom;
  /** What other faults would have made of it beside the leading one; null where none leads. Absent from older runs. */
  readonly beside?: Beside | null;
  readonly features: Features;
  readonly jumps: number;
  readonly warnings: readonly string[];
  /** The healthy engine and the leading fault as each fits best, to be laid over the trace; null where nothing was fitted. */
  readonly why: WhyCurves | null;
  /** What a healthy run told of its vehicle, for the bands of its later runs; null where it was not healthy. */
  readonly learned: Learned | null;
}

/** Instruments state ± at 95 %. */
const Z95 = 1.96;
const SHORTEST_S = 120;
const SMALLEST_SHARE = 0.01;

/**
 * Reads a run against its spec sheet: features, ranking, evidence, blind spots. Pure and repeatable. `readWith`
 * is what a person read the coolant with, whose error then counts; a logger's own is in the model already.
 */
export const analyse = (log: Log, spec: SpecSheet, readWith?: Instrument): Analysis =>
  drained(analyseSteps(log, spec, readWith));

/** The same fault by fault; see {@link rankSteps}. */
export function* analyseSteps(
  log: Log,
  spec: SpecSheet,
  readWith?: Instrument
): Generator<RankStep, Analysis> {
  const plant = plantFor(spec);
  const grid = toGrid(log, spec);
  const run = driveOf(grid, rankingStride(grid));
  const heatTime = heatTimeOf(grid, run, plant);
  const features = measure(grid, run, heatTime, spec, plant.fan.kind !== 'none');
  const warnings = warningsOf(grid, run);
  const flat = flatLine(grid, spec);
  if (flat) {
    const suspects = [{ fault: flat, probability: 0.95, alike: alikeOn(plant, spec, flat), severity: 1 }];
    return {
      modelVersion: MODEL_VERSION,
      verdict: flat,
      suspects,
      evidence: evidenceOf(features, grid, run, spec),
      couldNotShow: [],
      shownFrom: {},
      beside: null,
      features,
      jumps: grid.jumps.count,
      warnings: [
        ...warnings,
        'the coolant reading is a fixed default, so nothing else about the engine can be read from this run'
      ],
      why: null,
      learned: null
    };
  }
  const offC = (readWith?.uncertaintyC ?? 0) / Z95;
  const bench = benchFor(grid, run, features, heatTime, spec, plant, offC);
  const ranking = yield* rankSteps(bench);
  const { ranked, sound, acSupposed } = ranking;
  if (acSupposed)
    warnings.push(
      'no A/C column in the log; the run fits a healthy engine only if the A/C kept the fan on, so it was supposed to'
    );
  const { spots: blind, shownFrom } = blindSpots(bench, ranking, HEALTHY_AT_MOST.shown);
  const verdict = verdictOf(ranked, features, blind, spec);
  const listed = ranked.filter((r, i) => r.probability >= SMALLEST_SHARE || i === 0);
  const commanded = grid.channels.fan_cmd_pct !== undefined;
  // The healthy engine that comes nearest: the one that is drawn, and that the run is told to depart from.
  const nearest = sound
    .map((s) => ({ s, offC: offBy(bench, s) }))
    .reduce((a, b) => (b.offC < a.offC ? b : a)).s;
  const departure = departureOf(bench, nearest);
  const explaining = ranked.find((r) => r.fault !== 'none' && r.probability >= WORTH_DRAWING);
  return {
    modelVersion: MODEL_VERSION,
    verdict,
    suspects: listed.map((r) => ({
      fault: r.fault,
      probability: r.probability,
      alike: [
        ...alikeOn(plant, spec, r.fault, commanded),
        ...listed.flatMap((o) =>
          o !== r && r.fault !== 'none' && o.fault !== 'none' && drawNearlyOne(bench, r.fitted, o.fitted)
            ? [o.fault]
            : []
        )
      ],
      severity: r.severity
    })),
    evidence: [
      ...departureEvidence(departure),
      ...evidenceOf(features, grid, run, spec),
      ...(readWith ? [instrumentEvidence(readWith)] : [])
    ],
    // What was found was shown, however blind the run would have been to a milder case.
    couldNotShow: blind.filter((b) => b.fault !== verdict),
    shownFrom,
    beside: besideLeading(bench, ranked),
    features,
    jumps: grid.jumps.count,
    warnings,
    why: whyCurves(
      run.drive.dt,
      nearest,
      explaining && { ...explaining, fitted: atItsBest(bench, explaining) }
    ),
    learned: verdict === 'none' ? learnedFrom(features, sound[0].heatScale, plant) : null
  };
}

function learnedFrom({ knee, fan }: Features, heatScale: number, plant: PlantParams): Learned {
  const ons = fan.switches.filter((s) => s.to === 'on' && !s.withAc && s.atS > 10);
  const first = plant.fan.kind === 'none' ? null : plant.fan.stages[0].onC;
  return {
    heatScale,
    openC: knee ? knee.celsius - plant.startOpenC : null,
    fanC:
      first === null || ons.length === 0
        ? null
        : ons.reduce((sum, s) => sum + s.celsius - first, 0) / ons.length
  };
}

export interface RunBandOptions {
  readonly draws?: number;
  readonly seed?: number;
  /** Let the minutes before the thermostat matters narrow it: for a run in progress, never to judge one. */
  readonly narrowed?: boolean;
  /** What this vehicle's known-good runs told of it. */
  readonly knownGood?: readonly Learned[];
}

/** The expected band of a run: the healthy plant under this run's own ambient, start, speed and load. */
export const bandFor = (log: Log, spec: SpecSheet, options: RunBandOptions = {}): Band =>
  drained(bandSteps(log, spec, options));

/** A band needs no finer steps than the eye: some thousand for a run, but never longer than 2 s while it is short. */
const BAND_STEPS = 1000;

/** The same draw by draw; see {@link bandByDraws}. */
export function bandSteps(
  log: Log,
  spec: SpecSheet,
  { narrowed, ...rest }: RunBandOptions = {}
): Generator<number, Band> {
  const grid = toGrid(log, spec);
  const run = driveOf(grid, Math.max(1, Math.round((grid.n * grid.dt) / BAND_STEPS / grid.dt)));
  const start =
    grid.jumps.openShare > 0.6 || grid.jumps.shortShare > 0.6
      ? run.ambientC
      : (grid.ect.find((v) => !Number.isNaN(v)) ?? run.ambientC);
  const observed = narrowed ? beforeOpening(grid, run.drive.dt, spec) : undefined;
  return bandByDraws(plantFor(spec), run.drive, { startC: start, observed, ...rest });
}

/** How far below start-to-open a thermostat, even a leaking one's neighbour, leaves the warm-up alone, °C. */
const WELL_BELOW_C = 10;

/** The coolant as read, on the drive's grid, until it first comes near start-to-open. */
function beforeOpening(grid: Grid, dt: number, spec: SpecSheet): Float64Array {
  const stride = Math.max(1, Math.round(dt / grid.dt));
  const until = grid.ect.findIndex((c) => c > limitsOf(spec).startOpenC.value - WELL_BELOW_C);
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
  return running && value < limitsOf(spec).startOpenC.value - 20 ? 'ect-wiring' : undefined;
}

/**
 * While a healthy engine is still this likely, no fault is named: healthy engines of one sheet differ, and of a
 * hundred of them no more than two may be called faulty (docs/benchmark.md). Stricter for a fault this run was
 * expected to be blind to: only one far worse than plain can have shown itself after all.
 */
const HEALTHY_AT_MOST = { shown: 0.1, blind: 0.015 };

/** The best family where the run settles it; “healthy” only where the thermostat had to act; else too little to say. */
function verdictOf(
  ranked: readonly Ranked[],
  features: Features,
  blind: readonly BlindSpot[],
  spec: SpecSheet
): Analysis['verdict'] {
  const best = ranked[0];
  if (features.durationS < SHORTEST_S && best.fault !== 'ect-intermittent') return 'not-enough';
  const isBlindTo = (fault: FaultId) => blind.some((b) => b.fault === fault);
  if (best.fault !== 'none') {
    const healthy = ranked.find((r) => r.fault === 'none')?.probability ?? 0;
    const settled = healthy <= HEALTHY_AT_MOST[isBlindTo(best.fault) ? 'blind' : 'shown'];
    return settled ? best.fault : 'not-enough';
  }
  const opened = (features.maxC ?? 0) >= limitsOf(spec).startOpenC.value - 3;
  return opened && !isBlindTo('thermostat-stuck-closed') ? 'none' : 'not-enough';
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
