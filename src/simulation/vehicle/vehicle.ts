import type { HandledEngine } from '../../core/checks/hands';
import { withFault } from '../../core/faults/registry';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { driveFromLegs, DRIVES, type Drive, type DriveName, type Leg } from '../../core/physics/plant/drive';
import type { FaultId } from '../../core/vehicle/faults';
import { airIn, flowLeft, heaterLeft } from '../../core/physics/plant/filling';
import { ofOneShape, plantFor, type PlantParams } from '../../core/physics/plant/params';
import { readingTable, type ReadingTable } from '../../core/physics/plant/sensor';
import { startState, step } from '../../core/physics/plant/step';
import type { DriveInput, PlantState } from '../../core/physics/plant/state';
import { normalDraw, seeded, type Random } from '../../core/base/random';
import { resistanceAt } from '../../core/physics/thermistor/curve';

/** What is plugged in: a vehicle of a sheet, with or without a fault, on a drive and a day. */
export interface VehicleSetup {
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  readonly severity: number;
  readonly ambientC: number;
  readonly startC: number;
  readonly drive: DriveName;
  readonly seed: number;
  /** Trouble codes that are stored. */
  readonly codes: readonly string[];
  /** A vehicle that is not the usual one of its sheet, with its fault in it already. */
  readonly plant?: PlantParams;
}

const STEP_S = 0.5;

/**
 * A vehicle that lives by its own clock: the plant of its sheet, driven through its drive once the key is turned
 * and idling on at the end of it. Time only moves in {@link advanceTo}, so the same calls give the same vehicle.
 */
export class SimulatedVehicle implements HandledEngine {
  /** As it is now: what covers its radiator included. */
  plant: PlantParams;
  readonly #setup: VehicleSetup;
  readonly #state: PlantState;
  readonly #table: ReadingTable;
  readonly #drive: Drive;
  readonly #random: Random;
  readonly #input: DriveInput;
  #codes: string[];
  #now = 0;
  #startedAt: number | null = null;
  #commandedFanPct: number | null = null;
  #cleared = false;
  #hand: string | null = null;
  #held: Pick<Leg, 'rpm' | 'load' | 'speedKmh'> | null = null;

  constructor(setup: VehicleSetup) {
    this.#setup = setup;
    const plant = setup.plant ?? withFault(plantFor(setup.spec), setup.fault, setup.severity);
    this.plant = ofOneShape({ ...plant, seed: setup.seed + 1 });
    this.#state = startState(this.plant, setup.startC, setup.ambientC);
    this.#table = readingTable(this.plant);
    this.#drive = driveFromLegs(DRIVES[setup.drive], setup.ambientC, STEP_S);
    this.#random = seeded(setup.seed);
    this.#codes = [...setup.codes];
    this.#input = { rpm: 0, load: 0, speedKmh: 0, ambientC: setup.ambientC, ac: false };
    step(this.plant, this.#table, this.#state, this.#input, 0);
  }

  get now(): number {
    return this.#now;
  }
  get codes(): readonly string[] {
    return this.#codes;
  }
  get running(): boolean {
    return this.#startedAt !== null;
  }

  /** Turns the key: the drive begins. */
  start(): void {
    this.#startedAt ??= this.#now;
  }
  stop(): void {
    this.#startedAt = null;
    Object.assign(this.#input, { rpm: 0, load: 0, speedKmh: 0, ac: false });
  }
  clearCodes(): void {
    this.#codes = [];
    this.#cleared = true;
  }
  /** Whether codes were cleared: its own tests begin anew then. */
  get cleared(): boolean {
    return this.#cleared;
  }
  get diesel(): boolean {
    return this.#setup.spec.engine?.fuel === 'diesel';
  }
  /** A commanded fan test, percent; null ends it. */
  commandFan(pct: number | null): void {
    this.#commandedFanPct = pct;
  }

  /** Holds the engine at a speed and load instead of going on with its drive; null lets go. */
  hold(at: Pick<Leg, 'rpm' | 'load' | 'speedKmh'> | null): void {
    this.#held = at;
  }

  /** Covers a share of the radiator with card; what is covered already stays covered. */
  cover(share: number): void {
    const left = 1 - share;
    const { airFactor, radiatorNatural } = this.plant;
    this.plant = { ...this.plant, airFactor: airFactor * left, radiatorNatural: radiatorNatural * left };
  }

  /** Where a hand moves the loom; null takes it away. */
  moveLoom(place: string | null): void {
    this.#hand = place;
  }

  /** A bad contact that is moved opens and closes; it lies at the sensor’s plug, or on the way in the loom. */
  #shaken(): boolean {
    const at = { 'ect-intermittent': 'sensorPlug', 'ect-wiring': 'loom' }[this.#setup.fault as 'ect-wiring'];
    return at !== undefined && at === this.#hand && this.#random() < 0.4;
  }

  /** Lets the vehicle live until a time of its own clock, s. */
  advanceTo(seconds: number): void {
    while (this.#now + STEP_S <= seconds) {
      this.#now += STEP_S;
      this.#steer();
      step(this.plant, this.#table, this.#state, this.#input, STEP_S);
    }
  }

  #steer(): void {
    if (this.#startedAt === null) return;
    if (this.#held) {
      const { rpm, load, speedKmh } = this.#held;
      Object.assign(this.#input, { rpm, load, speedKmh, ac: false });
      return;
    }
    const i = Math.min(this.#drive.rpm.length - 1, Math.round((this.#now - this.#startedAt) / STEP_S));
    this.#input.rpm = this.#drive.rpm[i];
    this.#input.load = this.#drive.load[i];
    this.#input.speedKmh = this.#drive.speedKmh[i];
    this.#input.ac = this.#drive.ac[i] === 1;
  }

  /** A value as the control unit sends it; null where this one does not have it. */
  identifier(id: number): number | null {
    const { ambientC } = this.#setup;
    switch (id) {
      case 0x04:
        return this.#input.load * 100;
      case 0x05:
        return this.#shaken() ? this.plant.openReadsC : this.#state.reading;
      case 0x0c:
        return Math.max(0, this.#input.rpm + (this.#input.rpm > 200 ? 9 * normalDraw(this.#random) : 0));
      case 0x0d:
        return this.#input.speedKmh;
      case 0x0f:
        return ambientC + (Math.min(11, this.#state.runS / 80) * 30) / (30 + this.#input.speedKmh);
      case 0x1f:
        return this.#startedAt === null ? 0 : this.#now - this.#startedAt;
      case 0x33:
        return 101;
      case 0x42:
        return this.running ? 14.1 : 12.4;
      case 0x46:
        return ambientC;
      default:
        return null;
    }
  }

  get scanC(): number {
    return this.identifier(0x05)!;
  }

  /** How fast the fan turns, as a share of its best, with the commanded test where one runs. */
  get fanPct(): number {
    const asked = this.#commandedFanPct;
    return asked === null
      ? this.#state.fanPct * this.plant.fanStrength
      : Math.max(this.#state.fanPct, asked) * this.plant.fanStrength;
  }

  get fault(): FaultId {
    return this.#setup.fault;
  }
  get severity(): number {
    return this.#setup.severity;
  }
  get seed(): number {
    return this.#setup.seed;
  }
  get spec(): SpecSheet {
    return this.#setup.spec;
  }

  /** Share of its best airflow that the fan gives, by whatever drives it. */
  get fanShare(): number {
    return this.plant.clutch.kind === 'none'
      ? this.fanPct / 100
      : this.#state.fanRpm / Math.max(600, 0.9 * this.#input.rpm);
  }

  /** What instruments would find: the truth, without their errors. */
  truth() {
    const s = this.#state;
    return {
      outletC: s.jacket,
      sensorC: s.sensor,
      ambientC: this.#setup.ambientC,
      inletSide: this.plant.inletSide,
      /** Share of its flow the pump gives. */
      flow: this.plant.flowFactor * flowLeft(airIn(s)),
      coreFactor: this.plant.coreFactor,
      /** What the heater is given of what it was made for. */
      heaterShare: Math.min(1, this.plant.heater / plantFor(this.spec).heater) * heaterLeft(airIn(s)),
      /** Behind the radiator: the air takes up more of the heat the less of it comes through. */
      fanAirC:
        this.#setup.ambientC +
        ((s.cell1 + s.cell2) / 2 - this.#setup.ambientC) *
          (0.92 - 0.3 * Math.min(1, this.plant.airFactor * (0.25 + 0.75 * Math.min(1, this.fanShare)))),
      /** In front of the bimetal of a fan clutch. */
      clutchAirC: s.clutchAirC,
      upperHoseC: s.hose,
      lowerHoseC: s.ret,
      sensorOhm: resistanceAt(this.plant.curve, s.sensor),
      fanRpm: this.plant.clutch.kind === 'none' ? this.fanPct * 24 : s.fanRpm,
      engineRpm: this.#input.rpm
    };
  }
}
