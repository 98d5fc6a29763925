import type { Blindness, Shown } from '../faults/fault';
import { cannotHave, FAULTS, NOT_IN_A_LOG, PLANT_FAULTS, withFault } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { binned, distance2, studentLog, TEMPER } from './likelihood';
import { sheetLog } from './sheet-log';
import { medianOf } from './smooth';
import { canOccur } from './candidates';
import type { ObservedRun } from './observed-parts';
import { fit, type Fitted } from './fit';
import { drawnAs, type Ranking } from './rank';

/** From which severity on a run would have shown a fault. */
export type ShownFrom = Readonly<Partial<Record<FaultId, number>>>;

/** A fault this run could not show, why, and what would. */
export interface BlindSpot extends Blindness {
  readonly fault: FaultId;
}

/** How plain a fault is assumed to be when asking whether the run would have shown it. */
export const PLAIN_SEVERITY = 0.7;
/** A mild case of a fault that names no severities, and the worst there is. */
const MILD = 0.4;
const WORST = 1;
/** Evidence of a fan column that would have shown another fan, nats. */
const FAN_TOLD = 6;
/** Squared distances scatter by twice their root; this far below, nine runs in ten still show as much. */
const SURELY = 1.3;

/**
 * The faults this run is blind to. Each is simulated, plain as it may be, under the run's own conditions; had it
 * been there, and the healthy engine that comes nearest to its curve would still be more likely than
 * `healthyAtMost`, then this run could not show it. Counted as the ranking counts, for nine runs in ten.
 */
export function blindSpots(
  bench: ObservedRun,
  { healthy, sound, drawn }: Pick<Ranking, 'healthy' | 'sound' | 'drawn'>,
  healthyAtMost: number
): { readonly spots: readonly BlindSpot[]; readonly shownFrom: ShownFrom } {
  const references = sound.map((s) => binned(bench.ect, s.trace.ect));
  const misfit = Math.min(...references.map((r) => distance2(bench.ect, bench.ect.observed, r)));
  const needed = Math.log((1 - healthyAtMost) / healthyAtMost) / TEMPER;
  const spots: BlindSpot[] = [];
  const shownFrom: Partial<Record<FaultId, number>> = {};
  /** Whether a fault of this severity would have been told from every healthy engine. */
  const shows = (id: FaultId, severity: number): boolean => {
    const ranked = drawn.get(drawnAs(id, severity));
    const fitted =
      ranked?.heatScale === healthy.heatScale
        ? ranked
        : fit(bench, withFault(bench.plant, id, severity), healthy.heatScale, 1);
    const { trace, trueStartC } = fitted;
    const curve = binned(bench.ect, trace.ect);
    const apart = surely(Math.min(...references.map((r) => distance2(bench.ect, curve, r))));
    let told = studentLog(misfit, bench.ect.bins) - studentLog(misfit + apart, bench.ect.bins);
    if (bench.features.startMinusAmbientC !== null || bench.features.startMinusIntakeC !== null)
      told += 0.5 * surely(((trueStartC - healthy.trueStartC) / SOAK_SD_C) ** 2);
    if (fanDiffers(bench, fitted, healthy)) told += FAN_TOLD;
    for (const { key, scale } of bench.hoses) {
      const d2 = surely(distance2(scale, binned(scale, trace[key]), binned(scale, healthy.trace[key])));
      told -= 0.6 * studentLog(d2, scale.bins);
    }
    const before = Math.log(FAULTS[id].prior / FAULTS.none.prior);
    return before + told + sheetLog(bench, id, shownBy(fitted, bench)) >= needed;
  };

  for (const curve of PLANT_FAULTS) {
    const { id } = curve;
    if (id === 'none' || curve.kind !== 'warms' || !canOccur(bench.plant, bench.spec, id)) continue;
    const plain = bench.plant.fan.kind === 'none' ? WORST : (curve.plain ?? PLAIN_SEVERITY);
    const seen = shows(id, plain);
    if (!seen) spots.push({ fault: id, ...curve.blind(shownOf(bench)) });
    // The severities that a run is ranked at are those that are found before a repair.
    const milder = (curve.severities ?? [MILD]).filter((v) => v < plain).toSorted((x, y) => y - x);
    if (seen) {
      const hidden = milder.findIndex((v) => !shows(id, v));
      shownFrom[id] = milder[(hidden < 0 ? milder.length : hidden) - 1] ?? plain;
    } else if (plain < WORST && shows(id, WORST)) shownFrom[id] = WORST;
  }
  return {
    spots: [...spots, ...NOT_IN_A_LOG.filter(({ fault }) => !cannotHave(fault, bench.spec))],
    shownFrom
  };
}

const surely = (d2: number) => Math.max(0, d2 - 2 * SURELY * Math.sqrt(d2));
const SOAK_SD_C = 2.2;

/** What a simulated run shows of itself, as the sheet is held against it. */
function shownBy({ trace }: Fitted, { drive, features }: ObservedRun) {
  const { ect } = trace;
  const warm = features.warmFromS === null ? ect.length : Math.round(features.warmFromS / drive.dt);
  return {
    maxC: ect.reduce((a, b) => Math.max(a, b), -Infinity),
    plateauC: medianOf(new Float64Array(ect), warm),
    knee: null
  };
}

/** The fan's own columns would have differed for half a minute or more. */
export const fanDiffers = (bench: ObservedRun, { trace }: Fitted, healthy: Fitted): boolean =>
  (bench.fan ?? []).some(({ of }) => {
    const differs = (a: number, b: number, rpm: number) =>
      of === 'ratio' ? Math.abs(a - b) / Math.max(400, rpm) > 0.25 : Math.abs(a - b) > 25;
    const key = of === 'ratio' ? 'fanRpm' : of === 'fanCmdPct' ? 'fanCmdPct' : 'fanPct';
    let different = 0;
    for (let i = 0; i < trace.ect.length; i++)
      if (differs(trace[key][i], healthy.trace[key][i], bench.drive.rpm[i])) different++;
    return different * bench.drive.dt > 30;
  });

/** What the run showed, for the reason why it was blind. */
const shownOf = ({ features, plant }: ObservedRun): Shown => ({
  maxC: features.maxC ?? -Infinity,
  startOpenC: plant.startOpenC,
  fanOnC: plant.fan.kind === 'none' ? null : plant.fan.stages[0].onC
});
