import type { Random } from '../base/random';
import { PROBE_PLACES } from '../physics/flow/map';
import type { Leg } from '../physics/plant/drive';
import type { PlantParams } from '../physics/plant/params';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** What can be measured on parts that were taken out, or with a tester put on. */
export const PARTS = [
  'coil-ohm',
  'rest-ohm',
  'contact-drop',
  'fan-amps',
  'cap-opens',
  'pressure',
  'heater-ohm',
  'clutch-plug'
] as const;
export type Part = (typeof PARTS)[number];

/** Instruments that are held to a place, each with the error of its kind. */
export const INSTRUMENT_NAMES = ['multimeter', 'infrared', 'probe', 'tachometer'] as const;
export type InstrumentName = (typeof INSTRUMENT_NAMES)[number];

/** Places on the loop and around the radiator where a probe can be held. */
export const LOOP_PLACES = [...Object.values(PROBE_PLACES), 'front-air', 'fan-air', 'vent'] as const;
export type LoopPlace = (typeof LOOP_PLACES)[number];
/** Where an instrument can be held. */
export type Place = LoopPlace | 'sensor' | 'fan' | 'engine';

/** What instruments without an error would find. */
interface Truth {
  readonly outletC: number;
  readonly sensorC: number;
  /** In front of the bimetal of a fan clutch. */
  readonly clutchAirC: number;
  /** Behind the radiator. */
  readonly fanAirC: number;
}

/** An engine that lives by its own clock: time only moves in `advanceTo`. */
export interface HandledEngine {
  /** Seconds of its own clock. */
  readonly now: number;
  /** How fast an electric fan turns, percent of its best. */
  readonly fanPct: number;
  /** Share of its best airflow that the fan gives, by whatever drives it. */
  readonly fanShare: number;
  /** What the control unit sends, °C. */
  readonly scanC: number;
  start(): void;
  stop(): void;
  advanceTo(seconds: number): void;
  hold(at: Pick<Leg, 'rpm' | 'load' | 'speedKmh'> | null): void;
  cover(share: number): void;
  truth(): Truth;
}

/** A heated bath with the thermostat in it, read as it goes. */
interface Bath {
  readonly done: boolean;
  advanceTo(seconds: number): void;
  read(random: Random): { bathC: number; liftMm: number; atMin: number; way: 'heating' | 'cooling' };
}

/**
 * A vehicle with a hidden fault, and hands that measure on it: what a check is given to say how a technician would
 * take its readings. `src/simulation` makes it, for the benchmark and the demo. Readings carry the error of their
 * instrument; what no model makes (what eyes find, what a hand feels) is drawn by the check from fault and severity.
 */
export interface Hands {
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  /** 0 to 1. */
  readonly severity: number;
  /** The vehicle with its fault in it. */
  readonly plant: PlantParams;
  readonly ambientC: number;
  readonly codes: readonly string[];
  /** The same vehicle, the same seed: for what is hidden in it, and does not change from reading to reading. */
  readonly seed: number;
  readonly random: Random;
  /** Comes out true so often. */
  chance(share: number): boolean;
  /** A normal draw of so much, the error of a reading. */
  noise(sd: number): number;
  /** The engine as it came in, cold; with another part in it, where one is given. */
  cold(other?: Partial<PlantParams>): HandledEngine;
  /** After its drive, idling hot; stopped from where it became too hot to go on. */
  hot(minutes?: number): HandledEngine;
  /** Hotter, at a fast idle, until something drives the air or it becomes too hot to go on. */
  worked(): HandledEngine;
  /** A reading by an instrument held to a place; null where it measures nothing there. */
  reads(engine: HandledEngine, instrument: InstrumentName, place: Place): number | null;
  /** The truth at a place of the loop, °C. */
  placeC(engine: HandledEngine, place: LoopPlace): number;
  /** A reading on a part; null where the vehicle has no such part. `min` is for how long a tester has stood. */
  part(part: Part, min?: number): number | null;
  /** Volts at a place of a circuit in a state, or the step of what is seen there. */
  circuit(template: string, state: string, at: string): number;
  bath(): Bath;
  /** A grid over the radiator's face by a gun, its ends by probe. */
  radiator(
    engine: HandledEngine,
    shape: readonly number[]
  ): { face: number[][]; inC: number; outC: number; airC: number; rpm: number };
}

/** A fast idle, held as long as is needed. */
export const FAST_IDLE: readonly Leg[] = [{ minutes: 40, speedKmh: 0, load: 0.3, rpm: 1800 }];
