import type { PlantParams } from '../../core/physics/plant/params';
import { normalDraw, type Random } from '../../core/base/random';
import { WAX_LAG_S } from '../../core/physics/thermostat/bath';

/** What the bath's thermometer and dial gauge show. */
export interface BathShown {
  readonly bathC: number;
  readonly liftMm: number;
  /** Since the heater was switched on, min. */
  readonly atMin: number;
  readonly way: 'heating' | 'cooling';
  readonly done: boolean;
}

/** How fast a pot on a workshop plate warms and, with a little cold water, cools, °C/min. */
const WARMS = 1.8;
const COOLS = 2.2;
const FROM_C = 55;
const STEP_S = 1;

/**
 * A heated bath with the vehicle's thermostat in it: the wax follows the water with a first-order lag, the lift
 * follows the wax between start and full, with its play on the way back.
 */
export class SimulatedBath {
  readonly #plant: PlantParams;
  readonly #liftMm: number;
  #seconds = 0;
  #bathC = FROM_C;
  #wax = FROM_C;
  #lift: number;
  #heating = true;

  constructor(plant: PlantParams, liftMm: number) {
    this.#plant = plant;
    this.#liftMm = liftMm;
    this.#lift = plant.leak < 0.01 ? 0 : plant.leak;
  }

  /** Lets the bath go on to a time of its own clock, s. */
  advanceTo(seconds: number): void {
    const { startOpenC, fullOpenC, hysteresisC, leak, liftMax, waxTauS } = this.#plant;
    const top = fullOpenC + 8;
    // A sluggish element is slow in the bath as it is in the engine.
    const lag = WAX_LAG_S + Math.max(0, waxTauS - 9);
    while (this.#seconds + STEP_S <= seconds && !this.done) {
      this.#seconds += STEP_S;
      this.#bathC += ((this.#heating ? WARMS : -COOLS) * STEP_S) / 60;
      if (this.#bathC >= top) this.#heating = false;
      this.#wax += (this.#bathC - this.#wax) * (1 - Math.exp(-STEP_S / lag));
      const span = fullOpenC - startOpenC;
      const opening = (this.#wax - startOpenC) / span;
      const held = Math.min(Math.max(this.#lift, opening), opening + hysteresisC / span);
      this.#lift = Math.min(liftMax, Math.max(leak < 0.01 ? 0 : leak, held));
    }
  }

  get done(): boolean {
    return !this.#heating && this.#bathC <= this.#plant.startOpenC - 14;
  }

  read(random: Random): BathShown {
    const tenth = (x: number) => Math.round(10 * x) / 10;
    return {
      bathC: tenth(this.#bathC + 0.15 * normalDraw(random)),
      liftMm: Math.max(0, Math.round(20 * (this.#lift * this.#liftMm + 0.03 * normalDraw(random))) / 20),
      atMin: tenth(this.#seconds / 60),
      way: this.#heating ? 'heating' : 'cooling',
      done: this.done
    };
  }
}
