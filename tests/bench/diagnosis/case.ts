import { readdirSync, readFileSync } from 'node:fs';
import type { SpecSheet } from '../../../src/core/formats/spec-sheet';
import type { Symptom } from '../../../src/core/intake/symptoms';
import type { DriveName } from '../../../src/core/plant/drive';
import { FAULT_IDS, plantFault, withFault, type FaultId } from '../../../src/core/plant/faults';
import type { PlantParams, SensorError } from '../../../src/core/plant/params';
import { normalDraw, seeded, type Random } from '../../../src/core/random';
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
/** A fault so mild that nobody came in for it is drawn again, so often; then the driver worries for nothing. */
const TRIES = 6;

/**
 * A job by its number: the same number, the same job. Faults come half as often as the catalogue thinks they do and
 * half evenly, so that a planner that only knows its priors is not helped by them.
 */
export function caseOf(seed: number): Case {
  const random = seeded(seed * 7919 + 11);
  const spec = pick(SHEETS, random);
  const possible = FAULT_IDS.filter((f) => cannotHave(f, spec) === null);
  const fault = random() < 0.5 ? byPrior(possible, random) : pick(possible, random);
  for (let i = 0; ; i++) {
    const made = { ...vehicleWith(spec, fault, random), seed, spec, fault, ambientC: -6 + 34 * random() };
    const drive = pick(DRIVEN, random);
    const driven = complaintOf(made, drive, random);
    // The monitor of the warm-up waits for a drive.
    if (driven.symptoms.length > 0 || i >= TRIES)
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
  return { ...c, ...vehicleWith(c.spec, fault, random), fault, codes: [] };
}

export const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

function byPrior(faults: readonly FaultId[], random: Random): FaultId {
  let left = random() * faults.reduce((sum, f) => sum + SUSPECTS[f].prior, 0);
  return faults.find((f) => (left -= SUSPECTS[f].prior) <= 0) ?? faults[0];
}

function vehicleWith(spec: SpecSheet, fault: FaultId, random: Random) {
  const severity = WHOLE.test(fault) ? 0.9 + 0.1 * random() : 0.35 + 0.65 * random();
  const sound = strangeVehicle(spec, random);
  const law = plantFault(fault);
  if (law)
    return { severity, plant: withFault(sound, fault, severity, pick(Object.keys(law.variants), random)) };
  const sensorError = wiredError(sound, fault, severity, random);
  return { severity, plant: sensorError ? { ...sound, sensorError } : sound };
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
  if (kind < 0.35) return { kind: 'series', ohm: 40 + 400 * severity * random() };
  if (kind < 0.55) return { kind: 'fixed', readsC: p.openReadsC };
  if (kind < 0.7) return { kind: 'fixed', readsC: p.shortReadsC };
  const readsC = random() < 0.7 ? p.openReadsC : p.shortReadsC;
  return {
    kind: 'dropouts',
    perMinute: 0.3 + 2 * severity,
    meanS: 3 + 3 * Math.abs(normalDraw(random)),
    readsC
  };
}
