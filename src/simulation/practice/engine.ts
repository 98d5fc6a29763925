import { residualC } from '../../core/physics/coolant/cooling';
import type { TrueEngine } from '../../core/practice/danger';
import type { FaultId } from '../../core/vehicle/faults';
import { limitsOf } from '../../core/vehicle/limits';
import { SimulatedVehicle } from '../vehicle/vehicle';
import type { PracticeRecord } from './record';
import type { PracticeVehicle } from './vehicle';

const HOUR_MS = 3_600_000;
/** Driven so long it is as warm as it gets, min. */
const WARM_AFTER_MIN = 25;
/** So far above the air an engine that was run is warm. */
const RAN_C = 20;
/** So much less than full, and it is not to be run. */
const EMPTY_BELOW = 0.62;
/** A fan starts a little below what its sheet says, on one engine or another. */
const FAN_EARLY_C = 8;
/** Faults with which a fan turns whatever the coolant is. */
const ALWAYS_ON: readonly FaultId[] = ['fan-relay-welded', 'fan-controller-shorted', 'ect-open-circuit'];

/** The engine in the bay as it truly is: it warms while it runs, and cools by the law of its vehicle while it stands. */
export class PracticeEngine {
  readonly #record: PracticeRecord;
  readonly #vehicle: PracticeVehicle;
  #state: { coolantC: number; at: number; running: boolean };

  constructor(record: PracticeRecord, vehicle: PracticeVehicle) {
    this.#record = record;
    this.#vehicle = vehicle;
    this.#state = { coolantC: vehicle.hidden.ambientC, at: record.now, running: false };
  }

  get running(): boolean {
    return this.#state.running;
  }

  get coolantC(): number {
    const { coolantC, at, running } = this.#state;
    const { ambientC } = this.#vehicle.hidden;
    if (running) return coolantC;
    const hours = (this.#record.now - at) / HOUR_MS;
    return ambientC + residualC(coolantC - ambientC, hours, this.#record.known().cooling.tauH);
  }

  truth(): TrueEngine {
    const { spec, plant } = this.#vehicle.hidden;
    const { coolantC, running } = this;
    const electric = spec.fan != null && spec.fan.drive !== 'none';
    const fanOnC = limitsOf(spec).fanOnC?.value ?? Infinity;
    return {
      coolantC,
      running,
      fanCouldStart:
        electric &&
        (coolantC > fanOnC - FAN_EARLY_C || this.#vehicle.left.some((f) => ALWAYS_ON.includes(f))),
      empty: plant.filling < EMPTY_BELOW
    };
  }

  start(): void {
    if (this.running) return;
    this.#state = { coolantC: this.coolantC, at: this.#record.now, running: true };
    this.#record.enter('engine.noted', { kind: 'started', at: this.#record.at });
  }

  /** It has run for long enough to be as warm as this vehicle gets; somebody stops it where it passes the limit. */
  warm(): void {
    const hidden = this.#vehicle.hidden;
    const engine = new SimulatedVehicle({ ...hidden, startC: hidden.ambientC, drive: 'mixed' });
    engine.start();
    for (let s = 10; s <= 60 * WARM_AFTER_MIN; s += 10) {
      engine.advanceTo(s);
      if (engine.truth().outletC > limitsOf(hidden.spec).stopC.value) break;
    }
    this.#state = { coolantC: engine.truth().outletC, at: this.#record.now, running: true };
  }

  stop(): void {
    if (!this.running) return;
    if (this.#state.coolantC < this.#vehicle.hidden.ambientC + RAN_C) this.warm();
    this.#state = { ...this.#state, at: this.#record.now, running: false };
    this.#record.ranUntil(this.#record.at);
  }
}
