import { readdirSync, readFileSync } from 'node:fs';
import type { SpecSheet } from '../../../src/core/formats/spec-sheet';
import type { Symptom } from '../../../src/core/intake/symptoms';
import type { DriveName } from '../../../src/core/plant/drive';
import { FAULT_IDS, plantFault, withFault, type FaultId } from '../../../src/core/plant/faults';
import type { PlantParams, SensorError } from '../../../src/core/plant/params';
import { seeded, type Random } from '../../../src/core/random';
import { SUSPECTS } from '../../../src/core/suspects/catalogue';
import { cannotHave } from '../../../src/core/suspects/findings';
import { LIBRARY } from '../../../src/core/thermistor/library';
import { resistanceAt } from '../../../src/core/thermistor/curve';
import { strangeVehicle } from '../world';
import { codesOf, complaintOf } from './complaint';

/** One job of the benchmark: a vehicle that differs from its sheet, with a fault that nobody knows. */
export interface Case {
  readonly seed: number;
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  readonly severity: number;
  /** The vehicle with its fault in it. */
  readonly plant: PlantParams;
  /** The same without it. */
  readonly sound: PlantParams;
  readonly ambientC: number;
  readonly symptoms: readonly Symptom[];
  readonly codes: readonly string[];
}

const SHEETS = readdirSync('demo/specs').map((f): SpecSheet =>
  JSON.parse(readFileSync(`demo/specs/${f}`, 'utf8'))
);
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
export interface Given {
  readonly spec: SpecSheet;
  readonly sound: PlantParams;
  readonly ambientC: number;
}

/** A job by its number: the same number, the same job. */
export function caseOf(seed: number, mix: Mix = 'trade', given?: Given): Case {
  const random = seeded(seed * 7919 + 11);
  const spec = given?.spec ?? pick(SHEETS, random);
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

export const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

function byPrior(faults: readonly FaultId[], random: Random): FaultId {
  let left = random() * faults.reduce((sum, f) => sum + SUSPECTS[f].prior, 0);
  return faults.find((f) => (left -= SUSPECTS[f].prior) <= 0) ?? faults[0];
}

function vehicleWith(spec: SpecSheet, fault: FaultId, least: number, random: Random, known?: PlantParams) {
  const severity = WHOLE.test(fault) ? 0.9 + 0.1 * random() : least + (1 - least) * random();
  const sound = known ?? strangeVehicle(spec, random);
  const law = plantFault(fault);
  if (law)
    return {
      severity,
      sound,
      plant: withFault(sound, fault, severity, pick(Object.keys(law.variants), random))
    };
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
