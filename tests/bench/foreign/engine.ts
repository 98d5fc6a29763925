import type { Dice } from './dice';

/**
 * An engine of another making than the product's own: two thermal nodes (iron with oil, and the coolant in it), a
 * radiator by effectiveness and transfer units, heat as a share of the fuel that is burnt. It is what the vehicle
 * truly is; its sheet is another matter.
 */
export interface Engine {
  readonly diesel: boolean;
  /** Heat capacity of iron and oil, and of the coolant in the engine, kJ/K. */
  ironKJ: number;
  coolantKJ: number;
  /** From iron to coolant, kW/K. */
  wallKW: number;
  /** Share of the fuel's power that the walls take. */
  wallShare: number;
  /** Fuel at a warm idle, kW, and the most the crank gives, kW. */
  idleKW: number;
  mostKW: number;
  /** Lost by the surface at a standstill, kW/K. */
  skinKW: number;
  /** Coolant through the open thermostat at 3000 rpm, kg/s. */
  pumpKgS: number;
  pumpShare: number;
  /** Transfer of the clean radiator at its best air and water, kW/K. */
  radiatorKW: number;
  coreShare: number;
  airShare: number;
  /** Air by a fan at full, and by the road at 100 km/h, kg/s. */
  fanKgS: number;
  ramKgS: number;
  /** Heater at full blower, kW/K, and how far it is opened. */
  heaterKW: number;
  heaterShare: number;
  heaterOn: number;
  opensC: number;
  fullC: number;
  /** How far a heated element opens early when much is asked of the engine, °C; 0 without one. */
  heatedC: number;
  waxS: number;
  /** Never closes below this, never opens above that. */
  leastOpen: number;
  mostOpen: number;
  /** Sensor: lag, and what makes of a true temperature what is read. */
  sensorS: number;
  branchShare: number;
  reads(trueC: number, t: number): number;
  fan: Fan;
  clutch: Clutch | null;
  /** From where steam takes over, °C. */
  boilsC: number;
  gasKW: number;
  /** Air in the loop, 0 to 1. */
  air: number;
}

export interface Fan {
  readonly kind: 'none' | 'stages' | 'controller';
  readonly on: number[];
  readonly off: number[];
  /** Whether it answers, how strongly, and what it does unasked. */
  works: boolean;
  strength: number;
  stuck: number;
  shiftC: number;
}

export interface Clutch {
  readonly kind: 'thermal' | 'electronic';
  engagesC: number;
  releasesC: number;
  grip: number;
  locked: boolean;
}

export interface Leg {
  readonly minutes: number;
  readonly rpm: number;
  readonly kmh: number;
  /** Share of the most power. */
  readonly power: number;
  readonly off?: boolean;
}

export interface Moment {
  t: number;
  ironC: number;
  coolantC: number;
  sensorC: number;
  readC: number;
  /** Coolant leaving the radiator, and air behind it. */
  radiatorC: number;
  behindC: number;
  /** At the radiator's inlet: no hotter than what comes through the thermostat. */
  upperC: number;
  waxC: number;
  opening: number;
  /** Of all the heater could take; and of its flow. */
  heaterFlow: number;
  fanPct: number;
  /** What the control unit asks of the electric fan, whatever that does. */
  askedPct: number;
  clutchShare: number;
  rpm: number;
  kmh: number;
  power: number;
  boiling: boolean;
}

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x));

export class Bench {
  now: Moment;
  #fanOn: boolean[];
  #bimetalC: number;
  /** Card over the radiator, as hands put it there. */
  covered = 0;
  constructor(
    readonly e: Engine,
    readonly ambientC: number,
    readonly dice: Dice,
    startC = ambientC
  ) {
    this.#fanOn = e.fan.on.map(() => false);
    this.#bimetalC = startC;
    this.now = {
      t: 0,
      ironC: startC,
      coolantC: startC,
      sensorC: startC,
      readC: e.reads(startC, 0),
      radiatorC: ambientC + 0.6 * (startC - ambientC),
      behindC: ambientC,
      upperC: startC,
      waxC: startC,
      opening: e.leastOpen,
      heaterFlow: 0,
      fanPct: 0,
      askedPct: 0,
      clutchShare: 0,
      rpm: 0,
      kmh: 0,
      power: 0,
      boiling: false
    };
  }

  run(leg: Leg, until: (m: Moment) => boolean = () => false, each: (m: Moment) => void = () => {}): void {
    for (let s = 0; s < leg.minutes * 60; s++) {
      this.#second(leg);
      each(this.now);
      if (until(this.now)) return;
    }
  }

  #second(leg: Leg): void {
    const { e, now: m, ambientC } = this;
    m.t++;
    const wander = 1 + 0.06 * this.dice.bell();
    m.rpm = leg.off ? 0 : leg.rpm * (1 + 0.01 * this.dice.bell());
    m.kmh = leg.off ? 0 : Math.max(0, leg.kmh * wander);
    m.power = leg.off ? 0 : clamp(leg.power * wander, 0, 1);
    // Fuel: friction and accessories by speed, brake power by its efficiency; a cold engine rubs more.
    const cold = 1 + 0.5 * clamp((60 - m.ironC) / 80, 0, 1);
    // Of what only turns the engine over, more stays in the walls than of what drives it.
    const rubbingKW = leg.off ? 0 : e.idleKW * (m.rpm / 800) ** 1.25 * cold;
    const drivingKW = (e.mostKW * m.power) / (e.diesel ? 0.41 : 0.34);
    const ironIn = (e.wallShare + 0.2) * rubbingKW + e.wallShare * drivingKW + e.gasKW * m.power;

    // Coolant: the pump by its speed; air in the loop takes flow and heat transfer away.
    const flowing = leg.off ? 0.02 : (m.rpm / 3000) ** 0.9;
    const pump = e.pumpKgS * e.pumpShare * flowing * (1 - 0.8 * e.air);
    const wall = e.wallKW * (0.35 + 0.65 * Math.min(1, pump / (0.25 * e.pumpKgS))) * (1 - 0.45 * e.air);
    const toCoolant = wall * (m.ironC - m.coolantC);
    m.waxC += (m.coolantC - m.waxC) / e.waxS;
    const asked = e.heatedC * clamp((m.power - 0.16) / 0.2, 0, 1);
    const x = clamp((m.waxC + asked - e.opensC) / (e.fullC - e.opensC), 0, 1);
    const drawn = x * x * (3 - 2 * x);
    const target = clamp(drawn, e.leastOpen, e.mostOpen);
    // The seat sticks a little: it follows with play.
    if (Math.abs(target - m.opening) > 0.03) m.opening += clamp(target - m.opening, -0.08, 0.08);

    // Fans.
    this.#fans(leg);
    const fanAir =
      (e.fanKgS * e.fan.strength * m.fanPct) / 100 +
      (e.clutch ? (e.fanKgS * (m.clutchShare * m.rpm)) / 2400 : 0);
    const ram = e.ramKgS * (m.kmh / 100);
    const air =
      e.airShare * (1 - this.covered) * Math.hypot(fanAir, ram) + 0.02 * e.fanKgS * (e.airShare + 0.2);
    const water = pump * m.opening * (0.3 + 0.7 * e.coreShare);
    const hotIn = m.coolantC;
    let tookKW = 0;
    if (water > 1e-4) {
      const [ca, cw] = [air * 1.006, water * 3.6];
      const best = Math.min(ca, cw);
      const ua =
        e.radiatorKW *
        e.coreShare *
        (air / e.fanKgS) ** 0.45 *
        Math.min(1.2, (water / (0.5 * e.pumpKgS)) ** 0.25);
      const ntu = ua / best;
      const r = best / Math.max(ca, cw);
      const eff = 1 - Math.exp((Math.exp(-r * ntu ** 0.78) - 1) * (ntu ** 0.22 / Math.max(r, 0.02)));
      tookKW = clamp(eff, 0, 1) * best * (hotIn - ambientC);
      const outC = hotIn - tookKW / cw;
      m.radiatorC += (outC - m.radiatorC) / Math.max(4, 2.5 / Math.max(water, 0.02));
      m.behindC += (ambientC + tookKW / ca - m.behindC) / 8;
      tookKW = cw * (hotIn - m.radiatorC);
    } else {
      m.radiatorC += (ambientC - m.radiatorC) / 900;
      m.behindC += (ambientC - m.behindC) / 40;
    }
    const through = clamp(m.opening * 6, 0, 1);
    m.upperC +=
      (through * m.coolantC + (1 - through) * (ambientC + 0.25 * (m.coolantC - ambientC)) - m.upperC) / 25;

    // Heater.
    m.heaterFlow = leg.off
      ? 0
      : Math.min(1, (pump / (0.16 * e.pumpKgS)) ** 0.7) * e.heaterShare * (1 - 0.85 * e.air);
    const heat = e.heaterKW * e.heaterOn * m.heaterFlow * (m.coolantC - ambientC);
    const skin = e.skinKW * (1 + m.kmh / 45) * (m.ironC - ambientC);
    m.ironC += (ironIn - toCoolant - skin) / e.ironKJ;
    m.coolantC += (toCoolant - tookKW - heat) / (e.coolantKJ * (1 - 0.4 * e.air));
    m.boiling = m.coolantC > e.boilsC;
    if (m.boiling) m.coolantC -= 0.6 * (m.coolantC - e.boilsC);
    // A pocket of air comes by the sensor now and then, and it then tells of vapour.
    const vapour = e.air > 0.3 && this.dice.chance(0.03 * e.air) ? -12 * this.dice.next() : 0;
    const lag = e.sensorS / Math.max(0.02, e.branchShare);
    const sees = m.coolantC + vapour - (1 - e.branchShare) * 0.18 * (m.coolantC - ambientC);
    m.sensorC += (sees - m.sensorC) / lag;
    m.readC = Math.round(e.reads(m.sensorC, m.t));
  }

  #fans(leg: Leg): void {
    const { e, now: m } = this;
    const { fan, clutch } = e;
    if (fan.kind !== 'none') {
      // An open or shorted sensor makes the control unit run the fan to be safe.
      const lost = m.readC <= -38 || m.readC >= 138;
      const sees = m.readC - fan.shiftC;
      fan.on.forEach((on, i) => {
        if (sees >= on) this.#fanOn[i] = true;
        if (sees <= fan.off[i]) this.#fanOn[i] = false;
      });
      const steps = this.#fanOn.filter(Boolean).length;
      let asked =
        fan.kind === 'stages'
          ? (100 * steps) / fan.on.length
          : clamp((100 * (sees - fan.off[0])) / (fan.on[fan.on.length - 1] - fan.off[0]), 0, 100);
      if (fan.kind === 'controller' && asked < 20) asked = 0;
      if (lost && !leg.off) asked = 100;
      if (leg.off) asked = 0;
      m.askedPct = asked;
      m.fanPct = Math.max(
        fan.works ? asked : 0,
        fan.stuck * (fan.kind === 'controller' ? 0.9 + 0.1 * Math.sin(m.t / 17) : 1)
      );
    }
    if (clutch && m.rpm > 0) {
      this.#bimetalC += (m.behindC - this.#bimetalC) / 45;
      const drawn =
        clutch.kind === 'thermal'
          ? clamp((this.#bimetalC - clutch.releasesC) / (clutch.engagesC - clutch.releasesC), 0, 1)
          : clamp((m.readC - clutch.releasesC) / (clutch.engagesC - clutch.releasesC), 0, 1);
      const wants = clutch.locked ? 0.96 : clutch.grip * (0.2 + 0.68 * drawn) + 0.03;
      m.clutchShare += (Math.min(wants, 2700 / Math.max(600, m.rpm)) - m.clutchShare) / 6;
    } else m.clutchShare = 0;
  }
}
