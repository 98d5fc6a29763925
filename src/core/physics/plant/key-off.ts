import type { SpecSheet } from '../../vehicle/spec-sheet';
import { driveFromLegs } from './drive';
import { plantFor } from './params';
import { simulate } from './simulate';
import { heatKW, startState } from './step';

/** What a healthy engine does after key-off. */
export interface KeyOff {
  /** How far the reading goes on rising, °C, and how long that takes, s. */
  readonly riseC: number;
  readonly peakAfterS: number;
  /** How long its rule keeps the fan on, min; null without an electric fan or a rule in the sheet. */
  readonly fanMin: number | null;
}

const WATCHED_MIN = 40;
const RADIATOR_DROP_C = 12;
const BEFORE = { idle: { rpm: 800, load: 0.2 }, driven: { rpm: 2600, load: 0.5 } } as const;

/**
 * Simulates the sheet's healthy engine from key-off at `coolantC` (20 to 130 °C), idled or driven just before: its
 * metal stands above the coolant by the heat that was passing through it.
 */
export function afterKeyOff(
  spec: SpecSheet,
  coolantC: number,
  ambientC: number,
  before: keyof typeof BEFORE
): KeyOff {
  const plant = plantFor(spec);
  const { rpm, load } = BEFORE[before];
  const state = startState(plant, coolantC, ambientC);
  const through = heatKW(plant, rpm, load, coolantC) / (plant.metalToJacket * (0.45 + (0.55 * rpm) / 1000));
  state.metal = coolantC + through;
  if (coolantC > plant.startOpenC) {
    // The thermostat was open, so the radiator side is warm too and takes little of the heat.
    state.hose = coolantC;
    state.cell1 = coolantC - RADIATOR_DROP_C / 2;
    state.cell2 = state.ret = coolantC - RADIATOR_DROP_C;
  }
  state.runS = 1200;
  const drive = driveFromLegs([{ minutes: WATCHED_MIN, speedKmh: 0, load: 0, rpm: 0 }], ambientC, 1);
  const { ect, fanPct } = simulate(plant, drive, { startC: coolantC, from: state });
  const peak = ect.reduce((best, v, i) => (v > ect[best] ? i : best), 0);
  const rule = plant.fan.kind === 'none' ? null : (spec.fan?.afterRunMaxMin ?? null);
  return {
    riseC: Math.max(0, ect[peak] - ect[0]),
    peakAfterS: peak,
    fanMin: rule === null ? null : Math.min(rule, fanPct.filter((v) => v > 0).length / 60)
  };
}
