import { limitsOf } from '../vehicle/limits';
import type { FanSeries, ObservedRun } from './observed-parts';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { drawPlant } from '../physics/plant/priors';
import type { Drive } from '../physics/plant/drive';
import type { PlantParams } from '../physics/plant/params';
import { seeded, type Random } from '../base/random';
import type { Features } from './features';
import { fit } from './fit';
import type { Grid, RunDrive } from './grid';
import { binned, traceScale, withEnsemble, type Zones } from './likelihood';

function percentile(values: Float64Array, share: number): number {
  const sorted = values.filter((v) => !Number.isNaN(v)).sort();
  return sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
}

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
  plant: PlantParams,
  /** Standard deviation of a thermometer that may be off the same way all run long, °C. */
  readOffC = 0
): ObservedRun {
  const every = Math.round(run.drive.dt / grid.dt);
  const n = run.drive.rpm.length;
  const pick = (values: Float64Array) => Float64Array.from({ length: n }, (_, i) => values[i * every]);
  const observed = pick(grid.ect);
  const vague = 1 + 0.35 * run.assumed.length;
  const perBin = Math.max(Math.ceil(30 / run.drive.dt), Math.ceil(n / 40)) * run.drive.dt;
  const warm = features.warmFromS ?? Infinity;
  const fanOnC = plant.fan.kind === 'none' ? plant.fullOpenC + 1 : plant.fan.stages[0].onC;
  const hotC = Math.max(fanOnC + 3, limitsOf(spec).hotC.value);
  const zones = {
    freeFromC: plant.startOpenC + 2,
    freeToC: Math.max(plant.startOpenC + 4, fanOnC + 1),
    hotC
  };
  const plain = { freeFromC: hotC, freeToC: hotC, hotC };
  const scaleOf = (values: Float64Array, slow: [number, number], fast: [number, number], zoned: Zones) =>
    traceScale(values, run.drive.dt, {
      zones: zoned,
      slowC: (b) => Math.hypot((b * perBin < warm ? slow[0] : slow[1]) * vague, readOffC),
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
  const bench: ObservedRun = {
    plant,
    drive: run.drive,
    features,
    spec,
    observed,
    reachedC: percentile(observed, 0.8),
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
function widened(bench: ObservedRun, assumed: RunDrive['assumed']): ObservedRun {
  const random = seeded(7);
  const base = fit(bench, bench.plant, 1, 3).heatScale;
  const traces = Array.from({ length: ENSEMBLE }, () => {
    const plant = drawPlant(bench.plant, random, ENSEMBLE_WIDTH);
    // The warm-up fits heat over heat capacity: an engine with more metal that warmed as fast makes more heat.
    const heat = (base * plant.metal) / bench.plant.metal;
    const drive =
      bench.acUnknown && random() < 0.4
        ? { ...bench.drive, ac: new Uint8Array(bench.drive.ac.length).fill(1) }
        : assumed.length > 0
          ? supposedDrive(bench.drive, assumed, random)
          : bench.drive;
    return fit(
      { ...bench, drive },
      { ...plant, sensorError: { kind: 'none' } },
      heat,
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
