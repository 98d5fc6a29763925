import type { SpecSheet } from '../formats/spec-sheet';
import type { Drive } from '../plant/drive';
import type { FaultId } from '../plant/faults';
import { drawPlant } from '../plant/band';
import type { PlantParams } from '../plant/params';
import { seeded, type Random } from '../random';
import { readingOf, readingTable } from '../plant/sensor';
import { heatKW } from '../plant/step';
import { simulate, type Trace } from '../plant/simulate';
import { SUSPECTS } from '../suspects/catalogue';
import { candidatesFor, type Candidate } from './candidates';
import type { Features } from './features';
import type { Grid, RunDrive } from './grid';
import { findKnee } from './knee';
import { smooth } from './smooth';
import {
  binned,
  logLikelihood,
  logSumExp,
  traceScale,
  withEnsemble,
  type TraceScale,
  type Zones
} from './likelihood';

/** One family of candidates after the run: how probable, and its best-fitting member. */
export interface Ranked {
  readonly fault: FaultId;
  readonly probability: number;
  readonly severity: number;
  readonly variant: string;
  readonly heatScale: number;
  readonly logLikelihood: number;
}

/** Everything the run is judged by, on one coarse grid shared by all simulations. */
export interface Bench {
  readonly plant: PlantParams;
  readonly drive: Drive;
  readonly features: Features;
  readonly spec: SpecSheet;
  readonly ect: TraceScale;
  readonly observed: Float64Array;
  readonly heatTime: Float64Array;
  readonly hoses: readonly { readonly key: 'upperHose' | 'lowerHose'; readonly scale: TraceScale }[];
  readonly fan: FanSeries | null;
  /** The A/C would run the fan, and the log has no A/C column. */
  readonly acUnknown: boolean;
  readonly excursions: number;
  readonly loneSpike: boolean;
  readonly ambientC: number;
}

type FanSeries = {
  readonly of: 'fanPct' | 'fanCmdPct' | 'turning' | 'ratio';
  readonly observed: Float64Array;
  readonly sd: number;
}[];

const EVERY_S = { least: 2, most: 4 };
const STEPS = 500;

/** How many grid steps one step of the ranking takes: fine enough for the fan, coarse enough to try dozens. */
export const rankingStride = (grid: Grid): number =>
  Math.max(
    1,
    Math.round(Math.min(EVERY_S.most, Math.max(EVERY_S.least, (grid.n * grid.dt) / STEPS)) / grid.dt)
  );

/** Sets up the comparison for a run. `run` must be on the grid of {@link rankingStride}. */
export function benchFor(
  grid: Grid,
  run: RunDrive,
  features: Features,
  heatTime: Float64Array,
  spec: SpecSheet,
  plant: PlantParams
): Bench {
  const every = Math.round(run.drive.dt / grid.dt);
  const n = run.drive.rpm.length;
  const pick = (values: Float64Array) => Float64Array.from({ length: n }, (_, i) => values[i * every]);
  const observed = pick(grid.ect);
  const vague = 1 + 0.35 * run.assumed.length;
  const perBin = Math.max(Math.ceil(30 / run.drive.dt), Math.ceil(n / 40)) * run.drive.dt;
  const warm = features.warmFromS ?? Infinity;
  const fanOnC = plant.fan.kind === 'none' ? plant.fullOpenC + 1 : plant.fan.stages[0].onC;
  const hotC = Math.max(fanOnC + 3, spec.limits?.hotC ?? plant.fullOpenC + 11);
  const zones = {
    freeFromC: plant.startOpenC + 2,
    freeToC: Math.max(plant.startOpenC + 4, fanOnC + 1),
    hotC
  };
  const plain = { freeFromC: hotC, freeToC: hotC, hotC };
  const scaleOf = (values: Float64Array, slow: [number, number], fast: [number, number], zoned: Zones) =>
    traceScale(values, run.drive.dt, {
      zones: zoned,
      slowC: (b) => (b * perBin < warm ? slow[0] : slow[1]) * vague,
      fastC: (b) => (b * perBin < warm ? fast[0] : fast[1])
    });
  const hoses = (['upper_hose_c', 'lower_hose_c'] as const).flatMap((key) => {
    const values = grid.channels[key];
    return values
      ? [
          {
            key: key === 'upper_hose_c' ? ('upperHose' as const) : ('lowerHose' as const),
            scale: scaleOf(pick(values), [11, 8], [6, 5], plain)
          }
        ]
      : [];
  });
  const bench: Bench = {
    plant,
    drive: run.drive,
    features,
    spec,
    observed,
    hoses,
    heatTime: pick(heatTime),
    ect: scaleOf(observed, [2.5, 2], [1.5, 1.3], zones),
    fan: fanSeries(grid, pick, plant),
    acUnknown: !grid.channels.ac_on && plant.fan.kind !== 'none' && plant.fan.onWithAc,
    excursions: grid.jumps.excursions.length,
    loneSpike: grid.jumps.excursions.length === 1 && grid.jumps.excursions[0].samples <= 1,
    ambientC: run.ambientC
  };
  return widened(bench, run.assumed);
}

const ENSEMBLE = 28;
const ENSEMBLE_WIDTH = 1.6;

/** Adds to every scale how healthy vehicles of this sheet differ among themselves on this drive. */
function widened(bench: Bench, assumed: RunDrive['assumed']): Bench {
  const random = seeded(7);
  const base = fit(bench, bench.plant, 1, 3).heatScale;
  const traces = Array.from({ length: ENSEMBLE }, () => {
    // The heat scale is fitted to every run, so it is not among the differences.
    const plant = { ...drawPlant(bench.plant, random, ENSEMBLE_WIDTH), heatScale: 1 };
    const drive =
      bench.acUnknown && random() < 0.4
        ? { ...bench.drive, ac: new Uint8Array(bench.drive.ac.length).fill(1) }
        : assumed.length > 0
          ? supposedDrive(bench.drive, assumed, random)
          : bench.drive;
    return fit(
      { ...bench, drive },
      { ...plant, sensorError: { kind: 'none' } },
      base,
      drive === bench.drive ? 1 : 2
    ).trace;
  });
  return {
    ...bench,
    ect: withEnsemble(
      bench.ect,
      traces.map((t) => binned(bench.ect, t.ect))
    ),
    hoses: bench.hoses.map(({ key, scale }) => ({
      key,
      scale: withEnsemble(
        scale,
        traces.map((t) => binned(scale, t[key]))
      )
    }))
  };
}

function fanSeries(
  grid: Grid,
  pick: (v: Float64Array) => Float64Array,
  plant: PlantParams
): FanSeries | null {
  const { fan_pct, fan_cmd_pct, fan_rpm, rpm } = grid.channels;
  const electric = plant.fan.kind !== 'none';
  const series: FanSeries = [];
  if (electric && fan_pct)
    series.push({ of: 'fanPct', observed: pick(fan_pct).map((v) => v / 100), sd: 0.3 });
  if (electric && fan_rpm)
    series.push({
      of: 'turning',
      observed: pick(fan_rpm).map((v) => (Number.isNaN(v) ? NaN : v > 350 ? 1 : 0)),
      sd: 0.3
    });
  if (fan_cmd_pct && (electric || plant.clutch.kind === 'electronic'))
    series.push({ of: 'fanCmdPct', observed: pick(fan_cmd_pct).map((v) => v / 100), sd: 0.3 });
  if (!electric && plant.clutch.kind !== 'none' && fan_rpm && rpm) {
    const turn = pick(rpm);
    series.push({
      of: 'ratio',
      observed: pick(fan_rpm).map((v, i) => (turn[i] > 400 ? Math.min(1.2, v / turn[i]) : NaN)),
      sd: 0.16
    });
  }
  return series.length > 0 ? series : null;
}

/** A drive that might lie behind a log without speed or revs: legs of idling and driving of random length. */
function supposedDrive(known: Drive, assumed: RunDrive['assumed'], random: Random): Drive {
  const drive: Drive = {
    ...known,
    speedKmh: known.speedKmh.slice(),
    rpm: known.rpm.slice(),
    load: known.load.slice()
  };
  let left = 0;
  let leg = { speed: 0, rpm: 800, load: 0.2 };
  for (let i = 0; i < drive.rpm.length; i++) {
    if (left <= 0) {
      left = 60 + 500 * random();
      const speed = random() < 0.45 ? 0 : 25 + 65 * random();
      leg = {
        speed,
        rpm: speed === 0 ? 800 : 1300 + 14 * speed + 500 * random(),
        load: speed === 0 ? 0.2 : 0.25 + 0.45 * random() ** 2
      };
    }
    left -= drive.dt;
    if (assumed.includes('road speed'))
      drive.speedKmh[i] = assumed.includes('engine speed')
        ? leg.speed
        : drive.speedKmh[i] * (0.7 + 0.6 * random());
    if (assumed.includes('engine speed'))
      drive.rpm[i] = assumed.includes('road speed') ? leg.rpm : drive.rpm[i];
    if (assumed.includes('load')) drive.load[i] = assumed.includes('engine speed') ? leg.load : drive.load[i];
  }
  return drive;
}

export interface Fitted {
  readonly trace: Trace;
  readonly heatScale: number;
  readonly trueStartC: number;
}

/**
 * Simulates a plant under the run's own conditions, its heat input scaled so that the warm-up takes as long as
 * the logged one: the largest unknown of any engine, and one that no fault of the catalogue changes.
 */
export function fit(bench: Bench, plant: PlantParams, from: number, rounds = 2): Fitted {
  const start = bench.features.startC ?? bench.ambientC;
  const trueStartC = trueTemperature(plant, start);
  const top = Math.min(bench.spec.thermostat.startOpenC - 3, percentile(bench.observed, 0.8));
  const level = start + 0.7 * (top - start);
  const reached = top - start > 15 ? crossing(bench.observed, level) : -1;
  let heatScale = from;
  let trace = simulate({ ...plant, heatScale }, bench.drive, { startC: trueStartC });
  for (let round = 1; round < rounds && reached > 0; round++) {
    const simulated = crossing(trace.ect, level);
    const next = Math.min(2, Math.max(0.5, heatScale * (simulated < 0 ? 1.35 : simulated / reached)));
    if (Math.abs(next / heatScale - 1) < 0.04) break;
    heatScale = next;
    trace = simulate({ ...plant, heatScale }, bench.drive, { startC: trueStartC });
  }
  return { trace, heatScale, trueStartC };
}

function crossing(values: ArrayLike<number>, level: number): number {
  for (let i = 0; i < values.length; i++) if (values[i] >= level) return i;
  return -1;
}

function percentile(values: Float64Array, share: number): number {
  const sorted = values.filter((v) => !Number.isNaN(v)).sort();
  return sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
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
export function departureOf(bench: Bench, healthy: Fitted): Departure | null {
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

interface Scored {
  readonly candidate: Candidate;
  readonly fitted: Fitted;
  score: number;
}

/** Candidates further behind than this are not worth a second look, nats. */
const HOPELESS = 25;
const CONTENDER = 9;
/** What it costs to suppose that the A/C ran for the whole of a run that does not tell. */
const AC_UNSEEN = 2;

/** Ranks every family this vehicle can have. Probabilities add up to 0.98: the rest is for what nobody thought of. */
export function rank(bench: Bench): { ranked: Ranked[]; healthy: Fitted; acSupposed: boolean } {
  const healthy = fit(bench, bench.plant, 1, 3);
  const cost = bench.excursions > 0 ? excursionCost(bench) : 0;
  const scored: Scored[] = [];
  let best = -Infinity;
  for (const candidate of candidatesFor(bench.plant, bench.fan?.some((f) => f.of === 'fanCmdPct') ?? false)) {
    const first = candidate.fault === 'none' ? healthy : fit(bench, candidate.plant, healthy.heatScale, 1);
    let score = scoreOf(bench, candidate.plant, first) - cost;
    let fitted = first;
    if (candidate.fault !== 'none' && score > best - HOPELESS) {
      fitted = fit(bench, candidate.plant, healthy.heatScale);
      score = scoreOf(bench, candidate.plant, fitted) - cost;
    }
    best = Math.max(best, score);
    scored.push({ candidate, fitted, score });
  }
  if (bench.acUnknown) {
    // The A/C runs the fan by design; a log that does not tell cannot hold that against the fan.
    const withAc = fit(
      { ...bench, drive: { ...bench.drive, ac: new Uint8Array(bench.drive.ac.length).fill(1) } },
      bench.plant,
      healthy.heatScale
    );
    const score = scoreOf(bench, bench.plant, withAc) - cost - AC_UNSEEN;
    const plain = scored.find((s) => s.candidate.fault === 'none')!;
    if (score > plain.score) Object.assign(plain, { fitted: withAc, score });
    best = Math.max(best, score);
  }
  if (bench.excursions > 0) {
    // A contact that comes and goes leaves the rest of the run as healthy as it was.
    const score =
      scoreOf({ ...bench, fan: null }, bench.plant, healthy) -
      (bench.loneSpike ? 2.5 : 1) -
      (bench.fan ? 3 : 0);
    scored.push({
      candidate: {
        fault: 'ect-intermittent',
        variant: 'open',
        severity: Math.min(1, bench.excursions / 10),
        plant: bench.plant
      },
      fitted: healthy,
      score
    });
    best = Math.max(best, score);
  }
  for (const s of scored) s.score += s.score > best - CONTENDER ? kneeLog(bench, s.fitted) : KNEE_MISSED;
  const plain = scored.find((s) => s.candidate.fault === 'none')!.fitted;
  return { ranked: posterior(bench, scored), healthy: plain, acSupposed: plain !== healthy };
}

function posterior(bench: Bench, scored: readonly Scored[]): Ranked[] {
  const families = [...new Set(scored.map((s) => s.candidate.fault))].map((fault) => {
    const members = scored.filter((s) => s.candidate.fault === fault).sort((a, b) => b.score - a.score);
    const log =
      Math.log(SUSPECTS[fault].prior) +
      logSumExp(members.map((m) => m.score)) -
      Math.log(members.length) +
      sheetLog(bench, fault);
    return { fault, log, top: members[0] };
  });
  const total = logSumExp(families.map((f) => TEMPER * f.log));
  return families
    .map(({ fault, log, top }): Ranked => ({
      fault,
      probability: (1 - UNTHOUGHT_OF) * Math.exp(TEMPER * log - total),
      severity: top.candidate.severity,
      variant: top.candidate.variant,
      heatScale: top.fitted.heatScale,
      logLikelihood: top.score
    }))
    .sort((a, b) => b.probability - a.probability);
}

/** Evidence counts a little less than it claims: channels and bins are not as independent as they are taken for. */
const TEMPER = 0.75;
/** What is kept back for causes that are not in the catalogue, so that nothing is ever certain. */
const UNTHOUGHT_OF = 0.02;

const KNEE_MISSED = -2.5;
const KNEE_SD_C = 2.5;

/** Whether the candidate bends where the run bent. A leak and a cool thermostat differ in little else. */
function kneeLog(bench: Bench, { trace }: Fitted): number {
  const { knee } = bench.features;
  const simulated = findKnee(Float64Array.from(trace.ect), bench.heatTime, bench.drive.dt);
  if (!knee || !simulated) return knee === simulated ? 0 : KNEE_MISSED;
  return -0.5 * Math.min(9, ((knee.celsius - simulated.celsius) / KNEE_SD_C) ** 2);
}

const HOT: ReadonlySet<FaultId> = new Set([
  'thermostat-stuck-closed',
  'airflow-restricted',
  'radiator-clogged',
  'pump-flow-low',
  'coolant-low',
  'fan-motor-dead',
  'fan-motor-weak',
  'fan-command-missing',
  'clutch-slipping',
  'clutch-engages-late'
]);
const COLD: ReadonlySet<FaultId> = new Set([
  'thermostat-stuck-open',
  'thermostat-low-rating',
  'ect-reads-cold',
  'sensor-branch-restricted'
]);
const WITHIN_SHEET = -2.2;

/**
 * The sheet's own word: a run that never left what the sheet allows is little reason to suspect a fault whose
 * whole effect is to leave it. Only how the temperature got there then speaks for one, and that no model knows well.
 */
function sheetLog(bench: Bench, fault: FaultId): number {
  const { features, spec, plant } = bench;
  if (HOT.has(fault)) {
    const line =
      plant.fan.kind === 'none'
        ? Math.max(plant.fullOpenC + 2, (spec.regulating?.highC ?? 0) + 3)
        : plant.fan.stages[0].onC + 2.5;
    return (features.maxC ?? 0) > line ? 0 : 1.5 * WITHIN_SHEET;
  }
  if (COLD.has(fault) && features.plateauC !== null) {
    const line = Math.min(plant.startOpenC - 4, (spec.regulating?.lowC ?? Infinity) - 1);
    return features.plateauC < line ||
      (features.knee !== null && features.knee.celsius < plant.startOpenC - 5)
      ? 0
      : WITHIN_SHEET;
  }
  return 0;
}

/** A single odd sample happens in any logger; several, or a long one, hardly ever. */
const excursionCost = (bench: Bench) => (bench.loneSpike ? 1.5 : 5 + 4 * Math.min(8, bench.excursions - 1));

function scoreOf(bench: Bench, plant: PlantParams, fitted: Fitted): number {
  const { trace, heatScale, trueStartC } = fitted;
  let score =
    logLikelihood(bench.ect, trace.ect) - 0.5 * (Math.log(heatScale) / 0.3) ** 2 + soakLog(bench, trueStartC);
  for (const { key, scale } of bench.hoses) score += logLikelihood(scale, trace[key]) * 0.6;
  if (bench.fan) score += fanLog(bench, trace) + switchLog(bench, plant);
  return score;
}

/** A sheet's vehicle normally starts soaked: the true start lies near ambient, or above it if it had not stood long. */
function soakLog(bench: Bench, trueStartC: number): number {
  const { startC, startMinusAmbientC, startMinusIntakeC } = bench.features;
  const difference = startMinusAmbientC ?? startMinusIntakeC;
  if (startC === null || difference === null) return 0;
  const d = trueStartC - (startC - difference);
  const soaked = (0.72 * Math.exp(-0.5 * (d / 2.2) ** 2)) / (2.2 * 2.507);
  const standing = d > 0 && d < 100 ? 0.27 / 100 : 0;
  return Math.log(soaked + standing + 1e-5);
}

/** Agreement of the fan's state over time; each minute counts once, however finely it was sampled. */
function fanLog(bench: Bench, trace: Trace): number {
  let log = 0;
  for (const { of, observed, sd } of bench.fan ?? []) {
    const perMinute = Math.max(1, Math.round(60 / bench.drive.dt));
    for (let from = 0; from < observed.length; from += perMinute) {
      let seen = 0;
      let expected = 0;
      let count = 0;
      for (let i = from; i < Math.min(observed.length, from + perMinute); i++) {
        if (Number.isNaN(observed[i])) continue;
        seen += observed[i];
        expected +=
          of === 'ratio'
            ? trace.fanRpm[i] / Math.max(400, bench.drive.rpm[i])
            : of === 'turning'
              ? trace.fanPct[i] > 5
                ? 1
                : 0
              : trace[of][i] / 100;
        count++;
      }
      if (count > 0) log -= 0.5 * Math.min(6, ((seen - expected) / count / sd) ** 2);
    }
  }
  return log * 0.6;
}

/** The coolant reading at which the fan came on, against where this candidate would switch it. */
function switchLog(bench: Bench, plant: PlantParams): number {
  if (plant.fan.kind === 'none') return 0;
  const ons = bench.features.fan.switches.filter((s) => s.to === 'on' && !s.withAc && s.atS > 10);
  if (ons.length === 0 || plant.fanStuckPct > 0) return 0;
  const mean = ons.reduce((sum, s) => sum + s.celsius, 0) / ons.length;
  const expected = plant.fan.stages[0].onC + plant.fanShiftC;
  return -0.5 * Math.min(20, ((mean - expected) / 1.8) ** 2);
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
