import { driveFan } from '../physics/plant/fan';
import { ofOneShape, type PlantParams } from '../physics/plant/params';
import type { Trace } from '../physics/plant/simulate';
import { startState } from '../physics/plant/step';
import type { DriveInput } from '../physics/plant/state';
import { TYPICAL_WEIGHT } from '../vehicle/limits';
import type { ObservedRun } from './observed-parts';

/**
 * What the electric fan of a candidate would have done at the readings that were logged. The control unit acts on
 * its reading, so an engine that stayed cooler than the model thinks is no reason to miss its fan.
 */
function fanByReading(
  { observed, drive }: ObservedRun,
  candidate: PlantParams
): Pick<Trace, 'fanPct' | 'fanCmdPct'> {
  const n = observed.length;
  const [fanPct, fanCmdPct] = [new Float32Array(n), new Float32Array(n)];
  const plant = ofOneShape(candidate);
  const state = startState(plant, 20);
  const input: DriveInput = { rpm: 0, load: 0, speedKmh: 0, ambientC: 0, ac: false };
  for (let i = 0; i < n; i++) {
    input.rpm = drive.rpm[i];
    input.ac = drive.ac[i] === 1;
    if (!Number.isNaN(observed[i])) state.reading = observed[i];
    if (input.rpm >= 200) state.runS += drive.dt;
    state.stoodS = input.rpm >= 200 ? 0 : state.stoodS + drive.dt;
    driveFan(plant, state, input, drive.dt);
    fanPct[i] = state.fanPct;
    fanCmdPct[i] = state.fanCmdPct;
  }
  return { fanPct, fanCmdPct };
}

/** Agreement of the fan's state over time; each minute counts once, however finely it was sampled. */
export function fanLog(bench: ObservedRun, plant: PlantParams, trace: Trace): number {
  let log = 0;
  const driven = plant.fan.kind === 'none' ? trace : fanByReading(bench, plant);
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
              ? driven.fanPct[i] > 5
                ? 1
                : 0
              : driven[of][i] / 100;
        count++;
      }
      if (count > 0) log -= 0.5 * Math.min(6, ((seen - expected) / count / sd) ** 2);
    }
  }
  return log * 0.6 * (pointsGiven(plant) ? 1 : TYPICAL_WEIGHT);
}

/** Where a fan switches is the sheet's, or only usual for such an engine. */
const pointsGiven = ({ fan }: PlantParams): boolean => fan.kind === 'none' || !fan.pointsSupposed;
/** How far a sound fan switches from its point, and how far usual points of engines lie apart, °C. */
const SWITCHES_SD_C = { given: 1.8, supposed: 7 };

/** The coolant reading at which the fan came on, against where this candidate would switch it. */
export function switchLog(bench: ObservedRun, plant: PlantParams): number {
  if (plant.fan.kind === 'none') return 0;
  const ons = bench.features.fan.switches.filter((s) => s.to === 'on' && !s.withAc && s.atS > 10);
  if (ons.length === 0 || plant.fanStuckPct > 0) return 0;
  const mean = ons.reduce((sum, s) => sum + s.celsius, 0) / ons.length;
  const expected = plant.fan.stages[0].onC + plant.fanShiftC;
  const sdC = SWITCHES_SD_C[pointsGiven(plant) ? 'given' : 'supposed'];
  return -0.5 * Math.min(20, ((mean - expected) / sdC) ** 2);
}
