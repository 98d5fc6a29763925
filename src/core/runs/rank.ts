import { changeOf, FAULTS, variantOf, withFault } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import type { PlantParams } from '../physics/plant/params';
import type { ObservedRun } from './observed-parts';
import { candidatesFor, UNLOGGED, type Candidate, type Unlogged } from './candidates';
import { fit, fitOn, type Fitted } from './fit';
import { findKnee } from './knee';
import { logLikelihood, logSumExp, TEMPER } from './likelihood';
import { fanLog, switchLog } from './fan-log';
import { sheetLog } from './sheet-log';

/** One family of candidates after the run: how probable, and its best-fitting member. */
export interface Ranked {
  readonly fault: FaultId;
  readonly probability: number;
  readonly severity: number;
  readonly variant: string;
  readonly heatScale: number;
  readonly logLikelihood: number;
  /** Its likeliest member, its fault in it, and as it fits the run. */
  readonly fitted: Fitted;
  readonly plant: PlantParams;
  readonly way: Unlogged;
}

interface Scored {
  readonly candidate: Candidate;
  readonly way: Unlogged;
  readonly fitted: Fitted;
  score: number;
}

/** Candidates further behind than this are not worth a second look, nats. */
const HOPELESS = 25;
const CONTENDER = 9;
/** Explanations further behind than this do not come back by another heater. */
const HEATED = 10;
/** What it costs to suppose that the A/C ran for the whole of a run that does not tell. */
const AC_UNSEEN = 2;

const [USUAL, ...OTHERS] = UNLOGGED;

export interface Ranking {
  readonly ranked: Ranked[];
  /** The usual healthy engine of this sheet on this run; and every healthy one, the likeliest first. */
  readonly healthy: Fitted;
  readonly sound: readonly Fitted[];
  /** The fan was supposed to run for the A/C, which the log does not tell. */
  readonly acSupposed: boolean;
  /** Every fault as it was first drawn, with the heat of the usual healthy engine, by {@link drawnAs}. */
  readonly drawn: ReadonlyMap<string, Fitted>;
}

/** The name of a fault at a severity, in the first of its variants or another. */
export const drawnAs = (fault: FaultId, severity: number, variant = variantOf(fault)): string =>
  `${fault} ${severity} ${variant}`;

/** How far a ranking has come: the fault that is tried now, the n-th of how many families. */
export interface RankStep {
  readonly fault: FaultId;
  readonly n: number;
  readonly of: number;
}

/**
 * Ranks every family this vehicle can have, telling each before it is tried, for one who shows progress or gives up
 * on the way. Probabilities add up to 0.98: the rest is for what nobody thought of.
 */
export function* rankSteps(bench: ObservedRun): Generator<RankStep, Ranking> {
  const healthy = fit(bench, bench.plant, 1, 3);
  const cost = bench.excursions > 0 ? excursionCost(bench) : 0;
  const scored: Scored[] = [];
  const drawn = new Map<string, Fitted>();
  let best = -Infinity;
  const candidates = candidatesFor(bench.plant, bench.fan?.some((f) => f.of === 'fanCmdPct') ?? false);
  const families = [...new Set(candidates.map((c) => c.fault))];
  for (const [i, candidate] of candidates.entries()) {
    const { fault } = candidate;
    if (i === 0 || candidates[i - 1].fault !== fault)
      yield { fault, n: families.indexOf(fault) + 1, of: families.length };
    const usual = candidate.variant === 'usual' && candidate.fault === 'none';
    const first = usual ? healthy : fit(bench, candidate.plant, healthy.heatScale, 1);
    drawn.set(drawnAs(fault, candidate.severity, candidate.variant), first);
    let score = scoreOf(bench, candidate.plant, first) - cost;
    let fitted = first;
    if (!usual && score > best - HOPELESS) {
      fitted = fitOn(bench, candidate.plant, first);
      score = scoreOf(bench, candidate.plant, fitted) - cost;
    }
    best = Math.max(best, score);
    scored.push({
      candidate: { ...candidate, share: candidate.share * USUAL.share },
      way: USUAL,
      fitted,
      score
    });
  }
  for (const { candidate, fitted, score } of [...scored]) {
    // The sound engine is tried in every way: no fault wins because it was given up too early.
    if (candidate.fault !== 'none' && score < best - HEATED) continue;
    for (const way of OTHERS) {
      const plant = inThisWay(candidate.plant, way);
      const other = fit(bench, plant, fitted.heatScale);
      scored.push({
        candidate: { ...candidate, plant, share: (candidate.share * way.share) / USUAL.share },
        way,
        fitted: other,
        score: scoreOf(bench, plant, other) - cost
      });
    }
  }
  best = Math.max(best, ...scored.map((s) => s.score));
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
        plant: bench.plant,
        share: 1
      },
      way: USUAL,
      fitted: healthy,
      score
    });
    best = Math.max(best, score);
  }
  for (const s of scored) s.score += s.score > best - CONTENDER ? kneeLog(bench, s.fitted) : KNEE_MISSED;
  const sound = scored.filter((s) => s.candidate.fault === 'none');
  const { fitted: usual } = sound[0];
  return {
    ranked: posterior(bench, scored),
    healthy: usual,
    sound: sound.sort((a, b) => weighed(b) - weighed(a)).map((s) => s.fitted),
    acSupposed: usual !== healthy,
    drawn
  };
}

const inThisWay = (plant: PlantParams, { heater, still }: Unlogged): PlantParams => ({
  ...plant,
  heater: plant.heater * heater,
  radiatorNatural: plant.radiatorNatural * still
});

/** How far a fitted curve is from what was read, °C on average: what the eye sees, whatever a model would excuse. */
export function offBy({ observed }: ObservedRun, { trace }: Fitted): number {
  let [sum, n] = [0, 0];
  observed.forEach((v, i) => {
    if (Number.isNaN(v)) return;
    sum += Math.abs(v - trace.ect[i]);
    n++;
  });
  return n === 0 ? Infinity : sum / n;
}

/** How far between the severities that a fault is tried at its best one is looked for, and in how many halvings. */
const BETWEEN = 0.18;
const HALVINGS = 3;

/**
 * A ranked fault as it fits the run at its best severity, which may lie between those that are tried. Its heater
 * and still air are taken as they were found. For the eye: the ranking itself asks every fault at the same severities.
 */
export function atItsBest(
  bench: ObservedRun,
  { fault, severity, variant, heatScale, fitted, way }: Ranked
): Fitted {
  const change = changeOf(fault);
  if (!change?.variants[variant]) return fitted;
  const tried = (s: number) => {
    const plant = withFault(inThisWay(bench.plant, way), fault, s, variant);
    const now = fit(bench, plant, heatScale, 3);
    return { s, fitted: now, offC: offBy(bench, now) };
  };
  let best = tried(severity);
  for (let k = 0, step = BETWEEN; k < HALVINGS; k++, step /= 2)
    for (const s of [best.s - step, best.s + step]) {
      const other = s > 0.05 && s <= 1 ? tried(s) : best;
      if (other.offC < best.offC) best = other;
    }
  return best.fitted;
}

/** How well a member does, and how likely it was to be the one. */
const weighed = (s: Scored): number => s.score + Math.log(s.candidate.share);

function posterior(bench: ObservedRun, scored: readonly Scored[]): Ranked[] {
  const families = [...new Set(scored.map((s) => s.candidate.fault))].map((fault) => {
    const members = scored.filter((s) => s.candidate.fault === fault).sort((a, b) => weighed(b) - weighed(a));
    const log =
      Math.log(FAULTS[fault].prior) +
      logSumExp(members.map(weighed)) +
      sheetLog(bench, fault, bench.features);
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
      logLikelihood: top.score,
      fitted: top.fitted,
      plant: top.candidate.plant,
      way: top.way
    }))
    .sort((a, b) => b.probability - a.probability);
}

/** What is kept back for causes that are not in the catalogue, so that nothing is ever certain. */
const UNTHOUGHT_OF = 0.02;

const KNEE_MISSED = -2.5;
const KNEE_SD_C = 2.5;

/** Whether the candidate bends where the run bent. A leak and a cool thermostat differ in little else. */
function kneeLog(bench: ObservedRun, { trace }: Fitted): number {
  const { knee } = bench.features;
  const simulated = findKnee(new Float64Array(trace.ect), bench.heatTime, bench.drive.dt);
  if (!knee || !simulated) return knee === simulated ? 0 : KNEE_MISSED;
  return -0.5 * Math.min(9, ((knee.celsius - simulated.celsius) / KNEE_SD_C) ** 2);
}

/** A single odd sample happens in any logger; several, or a long one, hardly ever. */
const excursionCost = (bench: ObservedRun) =>
  bench.loneSpike ? 1.5 : 5 + 4 * Math.min(8, bench.excursions - 1);

/** How well a plant explains the run, knee and all, nats up to one constant. */
export const explains = (bench: ObservedRun, plant: PlantParams, fitted: Fitted): number =>
  scoreOf(bench, plant, fitted) + kneeLog(bench, fitted);

function scoreOf(bench: ObservedRun, plant: PlantParams, fitted: Fitted): number {
  const { trace, heatScale, trueStartC } = fitted;
  let score =
    logLikelihood(bench.ect, trace.ect) - 0.5 * (Math.log(heatScale) / 0.3) ** 2 + soakLog(bench, trueStartC);
  for (const { key, scale } of bench.hoses) score += logLikelihood(scale, trace[key]) * 0.6;
  if (bench.fan) score += fanLog(bench, plant, trace) + switchLog(bench, plant);
  return score;
}

/** A sheet's vehicle normally starts soaked: the true start lies near ambient, or above it if it had not stood long. */
function soakLog(bench: ObservedRun, trueStartC: number): number {
  const { startC, startMinusAmbientC, startMinusIntakeC } = bench.features;
  const difference = startMinusAmbientC ?? startMinusIntakeC;
  if (startC === null || difference === null) return 0;
  const d = trueStartC - (startC - difference);
  const soaked = (0.72 * Math.exp(-0.5 * (d / 2.2) ** 2)) / (2.2 * 2.507);
  const standing = d > 0 && d < 100 ? 0.27 / 100 : 0;
  return Math.log(soaked + standing + 1e-5);
}
