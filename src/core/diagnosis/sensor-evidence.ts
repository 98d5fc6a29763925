import { contentKey, Recent } from '../base/content-key';
import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import { resistanceAt, temperatureAt } from '../physics/thermistor/curve';
import { LIBRARY } from '../physics/thermistor/library';
import type { Curve } from '../vehicle/sensor-curve';
import { logSumExp } from '../runs/likelihood';
import type { SensorReading } from '../checks/check';
import { sayC, sayDeltaC } from '../units/say';
import type { Finding } from './finding';

/** Faults that are told by what the sensor reads against what is true, wherever that was compared. */
export const READ_FAULTS = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-wrong-part',
  'ect-wiring',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent',
  'sensor-branch-restricted'
] as const satisfies readonly FaultId[];
type ReadFault = (typeof READ_FAULTS)[number];

/** One way in which a reading comes about: what would be read, °C, and how often the fault is of this kind. */
interface Way {
  readonly share: number;
  readonly reads: (r: SensorReading) => number;
}

const range = (from: number, to: number, n: number): number[] =>
  Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1));
const evenly = <T>(share: number, of: readonly T[], reads: (of: T, r: SensorReading) => number): Way[] =>
  of.map((one) => ({ share: share / of.length, reads: (r) => reads(one, r) }));

/** Where a sensor without flow is told to be a share of the way back to the air, by a usual day. */
const AIR_C = 20;
const KELVIN = 273.15;
/** A family that reads nearer than this at 60 °C is no other part, °C. */
const APART_C = 3;
/** Middle of a warm-up, where a part of another curve is off by its size and not by its tilt. */
const MIDDLE_K = 323;

/**
 * The ways of every fault, over the sizes it comes in. Sizes and shares are ours: shifts and contacts as workshops find
 * them, a wrong part as any of another size and slope, and not one of the families that a library happens to have.
 */
function waysOf(sheet: SpecSheet | null): Readonly<Record<ReadFault | 'none', readonly Way[]>> {
  const limits = limitsOf(sheet);
  const curve: Curve = limits.curve.value;
  const [low, high] = [limits.openReadsC.value, limits.shortReadsC.value];
  const held = (celsius: number) => Math.min(high, Math.max(low, celsius));
  const asOhm = (ohm: number) => held(temperatureAt(curve, Math.max(0.01, ohm)));
  const ohmAt = (celsius: number) => resistanceAt(curve, celsius);
  /** An error of the sensor itself: not there where another sensor is held in its place. */
  const own = (r: SensorReading, reads: number) => (r.of === 'circuit' ? r.trueC : held(reads));
  /** An error of the loom: not there where the sensor is measured with its plug off. */
  const loom = (r: SensorReading, reads: number) => (r.of === 'sensor' ? r.trueC : reads);
  const shifted = (by: number, r: SensorReading) => own(r, r.trueC + by);
  const inSeries = (ohm: number, r: SensorReading) => asOhm(ohmAt(r.trueC) + ohm);
  const across = (ohm: number, r: SensorReading) => asOhm(1 / (1 / ohmAt(r.trueC) + 1 / ohm));
  /** A contact that costs so much at 90 °C, and a leak that adds so much at 20 °C, Ω. */
  const contact = (byC: number) => ohmAt(90 - byC) - ohmAt(90);
  const leak = (byC: number) => 1 / (1 / ohmAt(20 + byC) - 1 / ohmAt(20));
  const otherParts = [...range(-1.2, -0.1, 12), ...range(0.1, 1.2, 12)].flatMap((size) =>
    range(-900, 900, 7).map((slopeK) => ({ size, slopeK }))
  );
  const families = LIBRARY.filter(
    ({ curve: c }) => Math.abs(temperatureAt(curve, resistanceAt(c, 60)) - 60) > APART_C
  );
  return {
    none: [{ share: 1, reads: (r) => r.trueC }],
    'ect-reads-hot': [
      ...evenly(0.6, range(4, 28, 17), shifted),
      ...evenly(0.4, range(5, 32, 15).map(leak), (ohm, r) => own(r, across(ohm, r)))
    ],
    'ect-reads-cold': [
      ...evenly(0.5, range(-4, -28, 17), shifted),
      ...evenly(0.5, range(4, 36, 17).map(contact), (ohm, r) => own(r, inSeries(ohm, r)))
    ],
    'ect-wrong-part': [
      ...evenly(families.length > 0 ? 0.5 : 0, families, (f, r) =>
        own(r, asOhm(resistanceAt(f.curve, r.trueC)))
      ),
      ...evenly(families.length > 0 ? 0.5 : 1, otherParts, ({ size, slopeK }, r) =>
        own(r, asOhm(ohmAt(r.trueC) * Math.exp(size + slopeK * (1 / (r.trueC + KELVIN) - 1 / MIDDLE_K))))
      )
    ],
    'ect-wiring': [
      ...evenly(0.6, range(Math.log(30), Math.log(8000), 10).map(Math.exp), (ohm, r) =>
        loom(r, inSeries(ohm, r))
      ),
      { share: 0.25, reads: (r) => loom(r, low) },
      { share: 0.15, reads: (r) => loom(r, high) }
    ],
    'ect-open-circuit': [{ share: 1, reads: (r) => own(r, low) }],
    'ect-short-circuit': [{ share: 1, reads: (r) => own(r, high) }],
    'ect-intermittent': [
      { share: 0.85, reads: (r) => r.trueC },
      { share: 0.1, reads: (r) => own(r, low) },
      { share: 0.05, reads: (r) => own(r, high) }
    ],
    // It is as warm as its own metal, and that is colder than the engine by so much at 90 °C.
    'sensor-branch-restricted': evenly(1, range(4, 36, 9), (byC, r) =>
      r.at === 'engine' && r.of !== 'circuit'
        ? r.trueC - (byC * Math.max(0, r.trueC - AIR_C)) / (90 - AIR_C)
        : r.trueC
    )
  };
}

/** Readings of one place are off together by so much, and more where the thermometer stands elsewhere, °C. */
const OFF_SD_C = 1.2;
const ELSEWHERE_SD_C = 1.6;
/** A surface loses a share of what it is above the air. */
const SURFACE = 0.02;
/** One reading in so many is of something else, and could then be anything. */
const BLUNDER = 0.04;
const ANYTHING_C = 180;
/** Of Student's distribution, so that its density is the third power of one quotient. */
const FREEDOM = 5;
const STUDENT = 0.3796;

/** How far a reading may be off in all, one standard deviation, °C. */
const sdOf = (r: SensorReading): number =>
  Math.hypot(r.sdC, OFF_SD_C, r.at === 'engine' ? ELSEWHERE_SD_C : 0, SURFACE * Math.max(0, r.trueC - AIR_C));

/** Of readings by one thermometer in one place most of the error is the same for all, and this much of it each one's own. */
const OWN = 0.45;
const COMMON = Math.sqrt(1 - OWN ** 2);
/** A standard normal in seven steps: value and weight. */
const NORMAL = [-2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4].map((at) => [at, Math.exp((-at * at) / 2)] as const);
const NORMAL_SUM = NORMAL.reduce((sum, [, weight]) => sum + weight, 0);

function logDensity(r: SensorReading, reads: number, sd: number): number {
  const z = (r.readsC - reads) / sd;
  const q = 1 + (z * z) / FREEDOM;
  const student = STUDENT / (sd * q * q * q);
  return Math.log((1 - BLUNDER) * student + BLUNDER / ANYTHING_C);
}

/** How densely the readings of one check lie by one way, natural logarithm. */
function logTogether(readings: readonly SensorReading[], reads: (r: SensorReading) => number): number {
  if (readings.length === 1) return logDensity(readings[0], reads(readings[0]), sdOf(readings[0]));
  const each = readings.map((r) => ({ r, sd: sdOf(r), reads: reads(r) }));
  return logSumExp(
    NORMAL.map(([off, weight]) =>
      each.reduce(
        (sum, { r, sd, reads: at }) => sum + logDensity(r, at + off * COMMON * sd, OWN * sd),
        Math.log(weight / NORMAL_SUM)
      )
    )
  );
}

/** Readings share a vehicle, a thermometer and a day: they count a little less than they claim. */
const TEMPER = 0.85;
const AT_MOST = 9;

/**
 * Everything that was read of the sensor as one finding: how likely all of it together is under each fault, over the
 * sizes the fault comes in, against a sound sensor. Null where nothing was compared. Natural logarithms.
 */
export function sensorFinding(
  byCheck: readonly (readonly SensorReading[])[],
  sheet: SpecSheet | null
): Finding | null {
  const checks = byCheck.filter((readings) => readings.length > 0);
  if (checks.length === 0) return null;
  return kept.of(contentKey([checks.map(contentKey), contentKey(sheet)]), () => weigh(checks, sheet));
}
const kept = new Recent<Finding>(500);

function weigh(checks: readonly (readonly SensorReading[])[], sheet: SpecSheet | null): Finding {
  const ways = waysOf(sheet);
  const logOf = (of: readonly Way[]) =>
    logSumExp(
      of.map(({ share, reads }) =>
        checks.reduce((sum, readings) => sum + logTogether(readings, reads), Math.log(share))
      )
    );
  const sound = logOf(ways.none);
  const over = READ_FAULTS.map((f) => {
    // Whether it comes or goes is drawn anew at every reading.
    const log =
      f === 'ect-intermittent'
        ? checks
            .flat()
            .reduce(
              (sum, r) =>
                sum + logSumExp(ways[f].map(({ share, reads }) => Math.log(share) + logTogether([r], reads))),
              0
            )
        : logOf(ways[f]);
    return [f, TEMPER * (log - sound)] as const;
  });
  // What stands against a sound sensor is bounded by the likeliest fault, so that faults keep what they are apart.
  const excess = Math.max(0, Math.max(...over.map(([, nats]) => nats)) - AT_MOST);
  const llr = Object.fromEntries(over.map(([f, nats]) => [f, Math.max(-AT_MOST, nats - excess)]));
  return {
    id: 'sensor-readings',
    title: 'Sensor, all readings',
    says: inWords(checks.flat()),
    llr,
    group: 'sensor'
  };
}

/** Two errors that are this near are told as one, °C. */
const SAME_C = 2.5;

function inWords(readings: readonly SensorReading[]): string {
  const whole = readings.filter((r) => r.of !== 'circuit').toSorted((a, b) => a.trueC - b.trueC);
  const told = (r: SensorReading) => {
    const by = r.readsC - r.trueC;
    return Math.abs(by) < SAME_C
      ? `right at ${sayC(r.trueC, 0)}`
      : `${sayDeltaC(Math.abs(by), 0)} ${by < 0 ? 'low' : 'high'} at ${sayC(r.trueC, 0)}`;
  };
  const ends = whole.length > 1 ? [whole[0], whole[whole.length - 1]] : whole;
  const count = readings.length === 1 ? 'one reading' : `${readings.length} readings together`;
  return `${ends.length > 0 ? `Reads ${ends.map(told).join(', ')}` : 'Another sensor in its place'}; ${count}`;
}
