import { normalDraw, type Random } from '../../base/random';
import type { PlantParams } from './params';

/** What is believed of a number before a run: standard deviation of the logarithm, or of °C. */
interface Belief {
  readonly mean: number;
  readonly sd: number;
}

/** How far apart healthy vehicles of one sheet are, in what no sheet tells. */
export interface Priors {
  /** Logarithms. */
  readonly heat: Belief;
  readonly heatShape: number;
  readonly coldGain: number;
  readonly capacity: number;
  readonly radiator: number;
  readonly natural: number;
  readonly pump: number;
  readonly heater: number;
  readonly surface: number;
  readonly waxLag: number;
  /** °C. */
  readonly openC: Belief;
  readonly fanC: Belief;
  readonly sensorC: number;
  readonly ambientC: number;
}

/**
 * Priors by engine: what the sheet tells of it, and what it burns. A sheet without displacement leaves size to
 * a guess, so everything that scales with it is half as wide again; one with the filling pins the heat capacity
 * down; one without the thermostat's number leaves its opening anywhere among the usual ones; a diesel’s idle heat depends on how it is boosted and is known less well.
 */
export function priorsFor(p: PlantParams): Priors {
  const size = p.known.displacement ? 1 : 1.5;
  const diesel = p.known.diesel ? 1.25 : 1;
  return {
    heat: { mean: 0, sd: 0.2 * size * diesel },
    heatShape: 0.28 * diesel,
    coldGain: 0.4,
    capacity: (p.known.coolant ? 0.08 : 0.12) * size,
    radiator: 0.12 * size,
    natural: 0.22 * size,
    pump: 0.15 * size,
    heater: 0.6,
    surface: 0.4,
    waxLag: 0.3,
    openC: { mean: 0, sd: p.openingSupposed ? 4 : 1.3 },
    fanC: { mean: 0, sd: 1 },
    sensorC: 1,
    ambientC: 0.8
  };
}

/** What a known-good run told of its vehicle, against its sheet. */
export interface Learned {
  /** Heat over the sheet’s usual vehicle, a factor. */
  readonly heatScale: number;
  /** Where the knee lay over start-to-open, °C; null where the run shows none. */
  readonly openC: number | null;
  /** Where the fan came on over its switching point, °C. */
  readonly fanC: number | null;
}

/** How well one run tells each: the drive, the wind and the load column are other another day. */
const TOLD = { heat: 0.09, openC: 1.2, fanC: 0.8 } as const;

/** Priors after the vehicle’s own known-good runs: normal beliefs, each run one observation. */
export function afterRuns(priors: Priors, runs: readonly Learned[]): Priors {
  const told = (belief: Belief, sd: number, seen: readonly (number | null)[]): Belief =>
    seen
      .filter((x) => x !== null)
      .reduce((b, x) => {
        const weight = b.sd ** 2 / (b.sd ** 2 + sd ** 2);
        return { mean: b.mean + weight * (x - b.mean), sd: b.sd * Math.sqrt(1 - weight) };
      }, belief);
  return {
    ...priors,
    heat: told(
      priors.heat,
      TOLD.heat,
      runs.map((r) => Math.log(r.heatScale))
    ),
    openC: told(
      priors.openC,
      TOLD.openC,
      runs.map((r) => r.openC)
    ),
    fanC: told(
      priors.fanC,
      TOLD.fanC,
      runs.map((r) => r.fanC)
    )
  };
}

/** One healthy vehicle of this spec sheet: the same laws, other unknowns, `width` times as far apart. */
export function drawPlant(p: PlantParams, random: Random, width = 1, priors = priorsFor(p)): PlantParams {
  const factor = (sd: number) => Math.exp(width * sd * normalDraw(random));
  const around = ({ mean, sd }: Belief) => mean + width * sd * normalDraw(random);
  const open = around(priors.openC);
  const capacity = factor(priors.capacity);
  return {
    ...p,
    heatScale: p.heatScale * Math.exp(around(priors.heat)),
    heatLoad: p.heatLoad * factor(priors.heatShape),
    coldGain: p.coldGain * factor(priors.coldGain),
    metal: p.metal * capacity,
    jacket: p.jacket * capacity,
    radiatorMax: p.radiatorMax * factor(priors.radiator),
    radiatorNatural: p.radiatorNatural * factor(priors.natural),
    pumpKgS: p.pumpKgS * factor(priors.pump),
    heater: p.heater * factor(priors.heater),
    surface: p.surface * factor(priors.surface),
    startOpenC: p.startOpenC + open,
    fullOpenC: p.fullOpenC + open + 0.5 * normalDraw(random),
    waxTauS: p.waxTauS * factor(priors.waxLag),
    fanShiftC: p.fanShiftC + around({ mean: priors.fanC.mean, sd: priors.fanC.sd / width }),
    sensorError:
      p.sensorError.kind === 'none'
        ? { kind: 'shift', celsius: priors.sensorC * normalDraw(random) }
        : p.sensorError
  };
}
