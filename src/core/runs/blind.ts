import { PLANT_FAULTS, withFault } from '../physics/plant/faults';
import type { FaultId } from '../vehicle/faults';
import { NOT_IN_A_LOG, SUSPECTS } from '../vehicle/fault-words';
import { sayC } from '../units/say';
import { midSentence } from '../base/text';
import { ELECTRICAL } from './candidates';
import { binned, distance2, studentLog } from './likelihood';
import { TEMPER } from './rank';
import { sheetLog } from './sheet-log';
import { medianOf } from './smooth';
import type { ObservedRun } from './observed-parts';
import { fit, type Fitted } from './fit';

/** A fault this run could not have shown, why, and what would. */
export interface BlindSpot {
  readonly fault: FaultId;
  readonly because: string;
  readonly toShow: string;
}

/** How plain a fault is assumed to be when asking whether the run would have shown it. */
const PLAIN_SEVERITY = 0.7;
/** Evidence of a fan column that would have shown another fan, nats. */
const FAN_TOLD = 6;
/** Squared distances scatter by twice their root; this far below, nine runs in ten still show as much. */
const SURELY = 1.3;

/**
 * The faults this run is blind to. Each is simulated, plain as it may be, under the run's own conditions; had it
 * been there, and the healthy engine that comes nearest to its curve would still be more likely than
 * `healthyAtMost`, then this run could not have shown it. Counted as the ranking counts, for nine runs in ten.
 */
export function blindSpots(
  bench: ObservedRun,
  healthy: Fitted,
  sound: readonly Fitted[],
  healthyAtMost: number
): BlindSpot[] {
  const references = sound.map((s) => binned(bench.ect, s.trace.ect));
  const misfit = Math.min(...references.map((r) => distance2(bench.ect, bench.ect.observed, r)));
  const needed = Math.log((1 - healthyAtMost) / healthyAtMost) / TEMPER;
  const spots: BlindSpot[] = [];
  for (const { id, applies } of PLANT_FAULTS) {
    if (id === 'none' || ELECTRICAL.has(id) || (applies && !applies(bench.plant))) continue;
    const plant = withFault(bench.plant, id, plainSeverity(id, bench));
    const fitted = fit(bench, plant, healthy.heatScale, 1);
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
    const before = Math.log(SUSPECTS[id].prior / SUSPECTS.none.prior);
    if (before + told + sheetLog(bench, id, shownBy(fitted, bench)) < needed)
      spots.push({ fault: id, ...reason(id, bench) });
  }
  return [
    ...spots,
    ...NOT_IN_A_LOG.filter(({ fault }) => bench.plant.clutch.kind !== 'none' || fault !== 'clutch-bearing')
  ];
}

const surely = (d2: number) => Math.max(0, d2 - 2 * SURELY * Math.sqrt(d2));
const SOAK_SD_C = 2.2;

const plainSeverity = (id: FaultId, { plant }: ObservedRun): number =>
  id === 'thermostat-stuck-closed' || id === 'fan-motor-dead' || plant.fan.kind === 'none' || binary.has(id)
    ? 1
    : PLAIN_SEVERITY;

/** What a simulated run shows of itself, as the sheet is held against it. */
function shownBy({ trace }: Fitted, { drive, features }: ObservedRun) {
  const { ect } = trace;
  const warm = features.warmFromS === null ? ect.length : Math.round(features.warmFromS / drive.dt);
  return {
    maxC: ect.reduce((a, b) => Math.max(a, b), -Infinity),
    plateauC: medianOf(Float64Array.from(ect), warm),
    knee: null
  };
}

/** The fan's own columns would have differed for half a minute or more. */
const fanDiffers = (bench: ObservedRun, { trace }: Fitted, healthy: Fitted): boolean =>
  (bench.fan ?? []).some(({ of }) => {
    const differs = (a: number, b: number, rpm: number) =>
      of === 'ratio' ? Math.abs(a - b) / Math.max(400, rpm) > 0.25 : Math.abs(a - b) > 25;
    const key = of === 'ratio' ? 'fanRpm' : of === 'fanCmdPct' ? 'fanCmdPct' : 'fanPct';
    let different = 0;
    for (let i = 0; i < trace.ect.length; i++)
      if (differs(trace[key][i], healthy.trace[key][i], bench.drive.rpm[i])) different++;
    return different * bench.drive.dt > 30;
  });

const binary = new Set<FaultId>([
  'fan-relay-contacts',
  'fan-relay-coil',
  'fan-feed-open',
  'fan-controller-dead',
  'fan-command-missing',
  'clutch-seized',
  'clutch-circuit-open'
]);

function reason(id: FaultId, bench: ObservedRun): { because: string; toShow: string } {
  const { features, plant, spec } = bench;
  const max = features.maxC ?? -Infinity;
  const opens = spec.thermostat.startOpenC;
  const on = plant.fan.kind === 'none' ? null : plant.fan.stages[0].onC;
  const neverOpened = max < opens;
  switch (id) {
    case 'thermostat-stuck-open':
      return {
        because:
          'the run began warm or had too little running at low heat to tell a leak from a regulating thermostat',
        toShow: 'Start from cold and hold a steady road speed for ten minutes'
      };
    case 'thermostat-stuck-closed':
    case 'thermostat-low-rating':
    case 'thermostat-sluggish':
      return neverOpened
        ? {
            because: `coolant never reached start-to-open at ${sayC(opens)}`,
            toShow: 'Run on until the thermostat has opened and regulated for ten minutes'
          }
        : {
            because: 'the opening itself is not in this run, or too little heat passed it',
            toShow: 'Start from cold and log through the opening'
          };
    case 'thermostat-heater-failed':
      return {
        because: 'the engine was not loaded enough for the heater to be used',
        toShow: 'Pull a grade for five minutes with the log running'
      };
    case 'ect-reads-hot':
    case 'ect-reads-cold':
    case 'ect-wrong-part':
      return {
        because: 'no ambient or intake air reading at a soaked start to compare with',
        toShow: 'Start soaked, with ambient and intake air in the log'
      };
    case 'fan-relay-welded':
    case 'fan-controller-shorted':
    case 'clutch-seized':
    case 'clutch-circuit-open':
      return {
        because: 'the fan is not in the log and the thermostat hid its cooling',
        toShow: 'Log the fan, or listen with the engine cold'
      };
    case 'fan-setpoint-modified':
      return {
        because:
          on === null || max >= on
            ? 'the fan is not in the log'
            : `coolant never reached ${sayC(on)}, where the fan should come on`,
        toShow: 'Hold a fast idle until the fan switches, with its command logged'
      };
    case 'airflow-restricted':
    case 'radiator-clogged':
    case 'pump-flow-low':
    case 'coolant-low':
      return neverOpened
        ? {
            because: `coolant never reached start-to-open at ${sayC(opens)}, so the radiator was not used`,
            toShow: 'Warm up fully, then pull a grade or idle for fifteen minutes'
          }
        : {
            because: 'the radiator was never needed in full: too little heat for today’s air',
            toShow: 'Pull a grade for five minutes, or idle long with the A/C on'
          };
    case 'clutch-slipping':
    case 'clutch-engages-late':
      return {
        because: 'the radiator air never got hot enough for the clutch to be needed',
        toShow: 'Idle hot for fifteen minutes with fan speed logged'
      };
    case 'sensor-branch-restricted':
      return {
        because: 'the reading stayed within what a healthy branch shows',
        toShow: 'Temperature map on the regulating engine'
      };
    default:
      return on === null || max >= on
        ? {
            because: `${midSentence(SUSPECTS[id].title)} would have changed the curve by less than this run can resolve`,
            toShow: 'Hold a fast idle until the fan has switched twice'
          }
        : {
            because: `coolant never reached ${sayC(on)}, where the fan should come on`,
            toShow: 'Hold a fast idle until the coolant reaches the fan’s switching temperature'
          };
  }
}
