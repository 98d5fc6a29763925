import { FAULTS, cannotHave, changeOf, withFault } from '../../core/faults/registry';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import type { DriveName } from '../../core/physics/plant/drive';
import { FAULT_IDS, type FaultId } from '../../core/vehicle/faults';
import type { PlantParams, SensorError } from '../../core/physics/plant/params';
import type { Symptom } from '../../core/vehicle/symptoms';
import { seeded, type Random } from '../../core/base/random';
import { LIBRARY } from '../../core/physics/thermistor/library';
import { resistanceAt } from '../../core/physics/thermistor/curve';
import { strangeVehicle } from './strange-vehicle';
import { codesOf, complaintOf, noticedOn } from './complaint';
import type { Case } from './hidden-case';

/** What a driver does before coming in. */
const DRIVEN: readonly DriveName[] = ['mixed', 'ridge', 'queue', 'idle'];
/** Faults that are there or not. */
const WHOLE =
  /^(fan-(motor-dead|relay|feed|command|controller-dead)|ect-(open|short)|thermostat-stuck-closed)/;
/** The mildest fault, and after how many drives without a symptom a driver worries for nothing. */
const LEAST = 0.35;
const TRIES = 12;

/** How often each fault comes: as the trade meets it, by the catalogue’s priors; or every one alike. */
export type Mix = 'trade' | 'even';

/** A vehicle that is known already, on a day that is: where a job is not of any vehicle on any day. */
interface Given {
  readonly spec: SpecSheet;
  readonly sound: PlantParams;
  readonly ambientC: number;
}

/** What cases are drawn from: sheets of vehicles with the mix of faults, or one vehicle on one day. */
export type Source = { readonly specs: readonly SpecSheet[]; readonly mix: Mix } | Given;

/** A job by its number: the same number, the same job. */
export function caseOf(seed: number, source: Source): Case {
  const given = 'sound' in source ? source : undefined;
  const mix = 'mix' in source ? source.mix : 'trade';
  const random = seeded(seed * 7919 + 11);
  const spec = 'specs' in source ? pick(source.specs, random) : source.spec;
  const possible = FAULT_IDS.filter((f) => cannotHave(f, spec) === null);
  const fault = mix === 'trade' ? byPrior(possible, random) : pick(possible, random);
  for (let i = 0; ; i++) {
    // Nobody brings a vehicle for what nobody notices: a fault that was too mild is drawn again, and worse.
    const made = {
      ...vehicleWith(spec, fault, Math.min(0.9, LEAST + i / 20), random, given?.sound),
      seed,
      spec,
      fault,
      ambientC: given?.ambientC ?? -6 + 34 * random()
    };
    const drive = pick(DRIVEN, random);
    const driven = complaintOf(made, drive, i >= TRIES, random);
    // The monitor of the warm-up waits for a drive.
    if (driven.symptoms.length > 0)
      return {
        ...made,
        symptoms: driven.symptoms,
        codes: codesOf(made, driven.trace, drive !== 'idle', random)
      };
  }
}

/** The same vehicle on the same day, were something else wrong with it: what a wrong reading is taken from. */
export function mistaken(c: Case, random: Random): Case {
  const possible = FAULT_IDS.filter((f) => f !== c.fault && cannotHave(f, c.spec) === null);
  const fault = pick(possible, random);
  return { ...c, ...vehicleWith(c.spec, fault, LEAST, random), fault, codes: [] };
}

/**
 * A job that somebody wrote: what is wrong and how badly, on a vehicle of that sheet and number. What a driver noticed
 * and what the control unit stored follow from it, where they were not written.
 */
export function writtenCase(of: {
  readonly spec: SpecSheet;
  readonly faults: readonly {
    readonly fault: FaultId;
    readonly severity: number;
    readonly variant?: string;
  }[];
  readonly ambientC: number;
  readonly seed: number;
  readonly symptoms?: readonly Symptom[];
  readonly codes?: readonly string[];
}): Case {
  const random = seeded(of.seed * 7919 + 13);
  const sound = strangeVehicle(of.spec, random);
  const plant = of.faults.reduce((p, f) => withPart(p, f, random), sound);
  const { fault, severity } = of.faults[0] ?? { fault: 'none' as const, severity: 0 };
  const made = { ...of, fault, severity, sound: fault === 'sheet-wrong' ? plant : sound, plant };
  const drive = pick(DRIVEN, random);
  const driven = complaintOf(made, drive, true, random);
  return {
    ...made,
    symptoms: of.symptoms ?? driven.symptoms,
    codes: of.codes ?? codesOf(made, driven.trace, drive !== 'idle', random)
  };
}

/** All that a driver who looks out for it notices of a vehicle, on each of the drives that drivers make. */
export const noticedOf = (c: Case): Symptom[] =>
  DRIVEN.flatMap((drive) => noticedOn(c, drive, seeded(c.seed * 7919 + 17)));

function withPart(
  p: PlantParams,
  f: { readonly fault: FaultId; readonly severity: number; readonly variant?: string },
  random: Random
): PlantParams {
  const law = changeOf(f.fault);
  if (law) return withFault(p, f.fault, f.severity, f.variant ?? pick(Object.keys(law.variants), random));
  const sensorError = wiredError(p, f.fault, f.severity, random);
  return sensorError ? { ...p, sensorError } : p;
}

const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

function byPrior(faults: readonly FaultId[], random: Random): FaultId {
  let left = random() * faults.reduce((sum, f) => sum + FAULTS[f].prior, 0);
  return faults.find((f) => (left -= FAULTS[f].prior) <= 0) ?? faults[0];
}

function vehicleWith(spec: SpecSheet, fault: FaultId, least: number, random: Random, known?: PlantParams) {
  const severity = WHOLE.test(fault) ? 0.9 + 0.1 * random() : least + (1 - least) * random();
  const sound = known ?? strangeVehicle(spec, random);
  const law = changeOf(fault);
  if (law) {
    const plant = withFault(sound, fault, severity, pick(Object.keys(law.variants), random));
    // Where the sheet is wrong the vehicle has always been like this.
    return { severity, sound: fault === 'sheet-wrong' ? plant : sound, plant };
  }
  const sensorError = wiredError(sound, fault, severity, random);
  return { severity, sound, plant: sensorError ? { ...sound, sensorError } : sound };
}

/** Faults of the sensor’s circuit that come about in several ways. */
function wiredError(p: PlantParams, fault: FaultId, severity: number, random: Random): SensorError | null {
  if (fault === 'ect-wrong-part') {
    const r25 = resistanceAt(p.curve, 25);
    const others = LIBRARY.filter((l) => {
      const ratio = resistanceAt(l.curve, 25) / r25;
      return ratio > 0.3 && ratio < 3.5 && Math.abs(Math.log(ratio)) > 0.18;
    });
    return { kind: 'curve', curve: pick(others, random).curve };
  }
  if (fault !== 'ect-wiring') return null;
  const kind = random();
  if (kind < 0.5) return { kind: 'series', ohm: 40 + 400 * severity * random() };
  return { kind: 'fixed', readsC: kind < 0.8 ? p.openReadsC : p.shortReadsC };
}
