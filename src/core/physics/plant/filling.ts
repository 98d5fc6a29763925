import { boilingC, vapourKPa } from '../coolant/boiling';
import type { PlantParams } from './params';
import { relax, turning, type DriveInput, type PlantState } from './state';

/**
 * What fills the loop: coolant, and where some of it is lost, air, gas or steam. Pressure, combustion gas and boiling
 * act on nothing but this, and this acts on flow, heater, walls and sensor (docs/method.md, “Gas, air, boiling”).
 */

/** Share of the loop's high places that holds air, gas or steam instead of coolant, 0 to 1. */
export const airIn = (s: PlantState): number => Math.min(1, 2 * (1 - s.filling) + s.pocket);

/** What is left of the pump's flow, of the heater's heat and of the walls' with that much air in the loop, 0 to 1. */
export const flowLeft = (air: number): number => 1 - 0.8 * air;
export const heaterLeft = (air: number): number => 1 - 0.9 * air;
export const wallLeft = (air: number): number => 1 - 0.4 * air;

/** From so much air on a sensor that sits high is no longer covered; all in vapour it tells so much of the way to the bay less. */
const UNCOVERED_FROM = 0.75;
const IN_VAPOUR = 0.35;

/** How far from coolant to the engine bay a sensor reads that is not covered any more, 0 to 1. */
export const inVapour = ({ sensorHigh }: PlantParams, air: number): number =>
  !sensorHigh || air <= UNCOVERED_FROM ? 0 : (IN_VAPOUR * (air - UNCOVERED_FROM)) / (1 - UNCOVERED_FROM);

/** Share of their heat capacity that the hoses keep: some of it is rubber. */
export const hosesKeep = (filling: number): number => 0.2 + 0.8 * filling;

/** Heat stored in the six nodes above 0 °C, kJ. */
export const storedKJ = (p: PlantParams, s: PlantState): number =>
  p.metal * s.metal +
  p.jacket * s.filling * s.jacket +
  p.cell * (s.cell1 + s.cell2) +
  hosesKeep(s.filling) * (p.hose * s.hose + p.returnHose * s.ret);

/** Coolant that grows against the cushion of air above it lifts the pressure by so much, kPa per K. */
const EXPANDS_KPA = 0.35;

/** What the shut system would come to above the air by warmth and gas since it stood at `restC`, kPa, had it no cap. */
export const shutKPa = ({ glycolShare }: PlantParams, { jacket, restC, gasKPa }: PlantState): number =>
  EXPANDS_KPA * (jacket - restC) + vapourKPa(glycolShare, jacket) - vapourKPa(glycolShare, restC) + gasKPa;

/** What the cap holds as it is now, kPa. */
const holdsKPa = (p: PlantParams): number => p.capKPa * p.capHold;

/** Where the coolant boils under the cap as it is now, °C. */
export const boilsAtC = (p: PlantParams): number => boilingC(p.glycolShare, holdsKPa(p));

/** Below it no mixture under any cap boils, and nothing of all this needs to be asked. */
const CALM_C = 97;
/** Of the gas at full load so much comes in at none. */
const UNLOADED = 0.15;
/** Of each kPa of gas so much stays in high places, and is carried on in so many seconds. */
const LODGES = 0.015;
const PURGE_S = 120;
const VENT_S = 10;
/** Share of the filling that goes with each kPa which a cap lets out while gas comes in. */
const CARRIED = 0.0015;
/** Steam takes coolant with it, so many times its own mass. */
const CARRIES = 3;
const STEAM_KJ_KG = 2257;
const COOLANT_KG_L = 1.03;
const BOILS_AWAY_S = 3;
/** Steam fills high places so far, in so many seconds. */
const STEAM_POCKET = 0.6;
const STEAM_S = 60;
/** What stays in the lowest corners. */
const LEAST = 0.15;

/** Advances gas, steam and what is left of the filling by `dt` s. Does nothing to a sound engine below 97 °C. */
export function advanceFilling(p: PlantParams, s: PlantState, u: DriveInput, dt: number): void {
  s.pocket -= s.pocket * relax(dt, PURGE_S);
  if (p.gasKPaMin > 0) admitGas(p, s, u, dt);
  if (s.jacket > CALM_C) boil(p, s, dt);
}

/** Combustion gas comes in by load; what the cap lets out of it takes coolant along. */
function admitGas(p: PlantParams, s: PlantState, u: DriveInput, dt: number): void {
  const came = turning(u) ? (p.gasKPaMin * (UNLOADED + (1 - UNLOADED) * u.load) * dt) / 60 : 0;
  s.gasKPa += came;
  s.pocket = Math.min(1, s.pocket + LODGES * came);
  const over = shutKPa(p, s) - holdsKPa(p);
  if (over <= 0) return;
  const out = Math.min(s.gasKPa, over * relax(dt, VENT_S));
  s.gasKPa -= out;
  lose(p, s, CARRIED * out);
}

/** Above the boiling point heat goes into steam, which takes coolant along and fills the high places. */
function boil(p: PlantParams, s: PlantState, dt: number): void {
  const over = s.jacket - boilsAtC(p);
  if (over <= 0) return;
  const cools = over * relax(dt, BOILS_AWAY_S);
  const heat = p.jacket * s.filling * cools;
  s.jacket -= cools;
  s.heatOutKJ += heat;
  s.pocket += Math.max(0, STEAM_POCKET - s.pocket) * relax(dt, STEAM_S);
  lose(p, s, (CARRIES * heat) / STEAM_KJ_KG / (COOLANT_KG_L * p.coolantL));
}

/** Lets a share of the filling go, and its heat with it. */
function lose(p: PlantParams, s: PlantState, share: number): void {
  const before = storedKJ(p, s);
  s.filling = Math.max(LEAST, s.filling - share);
  s.heatOutKJ += before - storedKJ(p, s);
}
