import { advanceFilling, airIn, flowLeft, heaterLeft, hosesKeep, inVapour, wallLeft } from './filling';
import { relax, turning, type DriveInput, type PlantState } from './state';
import { driveFan } from './fan';
import { COOLANT_CP, type PlantParams } from './params';
import { readingOf, type ReadingTable } from './sensor';

/** Coefficients of the heat balance, held over one step. */
export interface Balance {
  heatKW: number;
  metalToJacket: number;
  radiatorFlow: number;
  cellUA: number;
  airC: number;
  heater: number;
  /** How far the heater is open at `ambientC`: kept while the air stays as it is. */
  byWeather: number;
  cabinC: number;
  surface: number;
  metalLoss: number;
  hoodC: number;
  hoseLoss: number;
  ambientC: number;
}

/** A plant that has stood long enough to be at `startC` throughout, its radiator side at `ambientC` or the same. */
export function startState(p: PlantParams, startC: number, ambientC = startC): PlantState {
  const cold = Math.abs(startC - ambientC) < 8 ? startC : ambientC + (startC - ambientC) * 0.35;
  return {
    metal: startC,
    jacket: startC,
    hose: cold,
    cell1: cold,
    cell2: cold,
    ret: cold,
    wax: startC,
    lift: p.leak,
    sensor: startC,
    reading: Math.round(startC),
    fanCmdPct: 0,
    fanPct: 0,
    stage: -1,
    fanRpm: 0,
    clutchAirC: ambientC,
    clutchEngaged: p.clutch.kind === 'thermal',
    runS: 0,
    stoodS: 0,
    dropLeftS: 0,
    filling: p.filling,
    pocket: 0,
    gasKPa: 0,
    restC: startC,
    noise: p.seed >>> 0 || 1,
    heatInKJ: 0,
    heatOutKJ: 0
  };
}

/** Heat released to metal and coolant at this speed and load, kW (docs/method.md, “Heat”). */
export function heatKW(p: PlantParams, rpm: number, load: number, metalC: number): number {
  if (rpm < 200) return 0;
  const cold = 1 + p.coldGain * Math.min(1, Math.max(0, (80 - metalC) / 80));
  return p.displacementL * (rpm / 1000) * (p.heatIdle + p.heatLoad * load) * p.heatScale * cold;
}

/** An electric pump moves what a belt would at this engine speed; no belt moves more than at the other, 1000 rpm. */
const ELECTRIC_KRPM = 2;
const MOST_KRPM = 7;

/** Coefficients at the present state: pump, thermostat, air and radiator. Written into `k` to spare the collector. */
export function balance(p: PlantParams, s: PlantState, u: DriveInput, k: Balance): Balance {
  const running = turning(u);
  const krpm = u.rpm / 1000;
  const turns = p.pumpElectric ? ELECTRIC_KRPM : Math.min(MOST_KRPM, krpm);
  const air = airIn(s);
  const flows = p.flowFactor * flowLeft(air);
  const flow = running ? p.pumpKgS * flows * turns * (1.1 - 0.07 * turns) : STANDING.flow * p.pumpKgS;
  const ram = u.speedKmh / 100;
  const fan =
    p.fan.kind === 'none'
      ? 0.26 * (s.fanRpm / 1500)
      : 0.26 * (s.fanPct / 100) * p.fanStrength + (p.clutch.kind === 'none' ? 0 : 0.26 * (s.fanRpm / 1500));
  const blown = p.airFactor * Math.sqrt(ram * ram + fan * fan);
  k.heatKW = heatKW(p, u.rpm, u.load, s.metal);
  k.metalToJacket =
    p.metalToJacket *
    wallLeft(air) *
    (running ? 0.45 + 0.55 * Math.min(2.5, turns * flows) : STANDING.metalToJacket);
  k.radiatorFlow = flow * 0.9 * s.lift * (0.45 + 0.55 * p.coreFactor) * COOLANT_CP + 2e-4;
  k.cellUA = 0.5 * p.coreFactor * (p.radiatorNatural + p.radiatorMax * (1 - Math.exp(-1.3 * blown)));
  k.airC = u.ambientC + (u.ac ? 6 : 0);
  k.cabinC = 18;
  if (u.ambientC !== k.ambientC) k.byWeather = heaterByWeather(u.ambientC);
  k.heater = running ? p.heater * heaterLeft(air) * k.byWeather * Math.min(1, 0.3 + 0.7 * turns * flows) : 0;
  k.surface = p.surface * (running ? 1 + u.speedKmh / 50 : STANDING.surface);
  k.metalLoss = running ? 0 : p.surface * STANDING.metalLoss;
  k.hoodC = u.ambientC + (0.3 * (s.metal - u.ambientC)) / (1 + u.speedKmh / 40);
  k.hoseLoss = 0.02 * p.surface;
  k.ambientC = u.ambientC;
  return k;
}

/** How far a driver has the heater open on a day, from 1 in frost to 0.3 in summer: with no step, for no driver knows one. */
const heaterByWeather = (ambientC: number): number => 0.3 + 0.7 / (1 + Math.exp((ambientC - 12) / 3));

/**
 * An engine that stands: coolant moves by its own warmth only, so metal and jacket come together over minutes
 * (the heat soak after key-off), and what leaves the engine leaves it mostly through its metal. Chosen so that the
 * reading peaks a few minutes after key-off and an engine of usual size then cools by the two hours of the
 * cooling law (docs/method.md, “After key-off”). Conductances are shares of those of the running engine.
 */
const STANDING = { flow: 0.006, metalToJacket: 0.16, surface: 0.4, metalLoss: 0.95 } as const;

/** Temperature at the thermostat's wax: the engine outlet, or the mix of bypass and return at the inlet. */
const seatC = (p: PlantParams, s: PlantState): number => {
  if (!p.inletSide) return s.jacket;
  const share = (0.45 * s.lift) / (0.45 * s.lift + 0.9);
  return s.jacket + share * (s.ret - s.jacket);
};

/** Heat that leaves for cabin, hood and air, kW. */
const lossKW = (s: PlantState, k: Balance): number =>
  k.heater * (s.jacket - k.cabinC) +
  k.surface * (s.jacket - k.hoodC) +
  k.metalLoss * (s.metal - k.ambientC) +
  k.hoseLoss * (s.hose - k.ambientC) +
  k.cellUA * (s.cell1 + s.cell2 - 2 * k.airC) +
  k.hoseLoss * (s.ret - k.ambientC);

/**
 * Advances the six heat nodes by `dt` s with the coefficients held: the trapezoidal rule, solved exactly.
 * Each node below the jacket depends only on the one before it, so all are affine in the new jacket
 * temperature and one division closes the ring. A-stable; the energy books close to rounding.
 */
function advanceHeat(p: PlantParams, s: PlantState, k: Balance, dt: number): void {
  const { metalToJacket: h, radiatorFlow: g, cellUA: ua, heater, surface, hoseLoss: l, ambientC: amb } = k;
  const m = k.metalLoss;
  const half = dt / 2;
  const lossBefore = lossKW(s, k);
  const hoses = hosesKeep(s.filling);

  const rm = half / p.metal;
  const dm = 1 + rm * (h + m);
  const wm = (rm * h) / dm;
  const pm = (s.metal + rm * (2 * k.heatKW - h * (s.metal - s.jacket) - m * (s.metal - 2 * amb))) / dm;

  const rh = half / (p.hose * hoses);
  const dh = 1 + rh * (g + l);
  let w = (rh * g) / dh;
  let q = (s.hose + rh * (g * (s.jacket - s.hose) - l * (s.hose - 2 * amb))) / dh;
  const wHose = w;
  const qHose = q;

  const rc = half / p.cell;
  const dc = 1 + rc * (g + ua);
  const q1 = (s.cell1 + rc * (g * (s.hose - s.cell1 + q) - ua * (s.cell1 - 2 * k.airC))) / dc;
  const w1 = (rc * g * w) / dc;
  const q2 = (s.cell2 + rc * (g * (s.cell1 - s.cell2 + q1) - ua * (s.cell2 - 2 * k.airC))) / dc;
  const w2 = (rc * g * w1) / dc;

  const rr = half / (p.returnHose * hoses);
  const dr = 1 + rr * (g + l);
  q = (s.ret + rr * (g * (s.cell2 - s.ret + q2) - l * (s.ret - 2 * amb))) / dr;
  w = (rr * g * w2) / dr;

  const rj = half / (p.jacket * s.filling);
  const now =
    h * (s.metal - s.jacket) -
    g * (s.jacket - s.ret) -
    heater * (s.jacket - k.cabinC) -
    surface * (s.jacket - k.hoodC);
  const jacket =
    (s.jacket + rj * (now + h * pm + g * q + heater * k.cabinC + surface * k.hoodC)) /
    (1 + rj * (h + g + heater + surface - h * wm - g * w));

  s.metal = pm + wm * jacket;
  s.hose = qHose + wHose * jacket;
  s.cell1 = q1 + w1 * jacket;
  s.cell2 = q2 + w2 * jacket;
  s.ret = q + w * jacket;
  s.jacket = jacket;
  s.heatInKJ += k.heatKW * dt;
  s.heatOutKJ += half * (lossBefore + lossKW(s, k));
}

/** Thermostat: the wax lags its seat; lift is linear between start and full, with play between the two ways. */
function advanceThermostat(p: PlantParams, s: PlantState, u: DriveInput, dt: number): void {
  s.wax += (seatC(p, s) - s.wax) * relax(dt, p.waxTauS);
  const heated = p.heaterDropC > 0 ? p.heaterDropC * Math.min(1, Math.max(0, (u.load - 0.45) / 0.3)) : 0;
  const span = p.fullOpenC - p.startOpenC;
  const opening = (s.wax + heated - p.startOpenC) / span;
  const closing = opening + p.hysteresisC / span;
  const lift = Math.min(Math.max(s.lift, opening), closing);
  s.lift = Math.min(p.liftMax, Math.max(p.leak, lift));
}

const scratch: Balance = {
  heatKW: 0,
  metalToJacket: 0,
  radiatorFlow: 0,
  cellUA: 0,
  airC: 0,
  heater: 0,
  byWeather: 0,
  cabinC: 0,
  surface: 0,
  metalLoss: 0,
  hoodC: 0,
  hoseLoss: 0,
  // No air yet: the first step asks what it is.
  ambientC: NaN
};

/** One step of the whole plant, `dt` in s (0.1 to 2): heat, thermostat, sensor, control unit, fan. */
export function step(p: PlantParams, table: ReadingTable, s: PlantState, u: DriveInput, dt: number): void {
  advanceHeat(p, s, balance(p, s, u, scratch), dt);
  advanceFilling(p, s, u, dt);
  advanceThermostat(p, s, u, dt);
  const covered = p.branchShare >= 1 ? s.jacket : scratch.hoodC + p.branchShare * (s.jacket - scratch.hoodC);
  const seen = covered - inVapour(p, airIn(s)) * (covered - scratch.hoodC);
  s.sensor +=
    (seen - s.sensor) * relax(dt, p.branchShare >= 1 ? p.sensorTauS : p.sensorTauS / p.branchShare ** 3);
  s.reading = readingOf(table, p, s.sensor);
  if (p.sensorError.kind === 'dropouts') dropOut(p, s, dt);
  if (turning(u)) {
    s.runS += dt;
    s.stoodS = 0;
  } else s.stoodS += dt;
  driveFan(p, s, u, dt);
}

function chance(s: PlantState): number {
  s.noise = (Math.imul(s.noise, 1664525) + 1013904223) >>> 0;
  return s.noise / 4294967296;
}

function dropOut(p: PlantParams, s: PlantState, dt: number): void {
  if (p.sensorError.kind !== 'dropouts') return;
  const { perMinute, meanS, readsC } = p.sensorError;
  if (s.dropLeftS <= 0 && chance(s) < (perMinute * dt) / 60) s.dropLeftS = meanS * (0.4 + 1.2 * chance(s));
  if (s.dropLeftS > 0) {
    s.dropLeftS -= dt;
    s.reading = readsC;
  }
}
