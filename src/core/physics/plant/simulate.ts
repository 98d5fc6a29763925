import type { Drive } from './drive';
import { airIn } from './filling';
import { ofOneShape, type PlantParams } from './params';
import { readingTable } from './sensor';
import { startState, step } from './step';
import type { DriveInput, PlantState } from './state';

/** What a simulated run shows, on the drive's grid. `ect` is what the control unit reads; `jacket` is the truth. */
export interface Trace {
  readonly dt: number;
  readonly ect: Float32Array;
  readonly jacket: Float32Array;
  readonly upperHose: Float32Array;
  readonly lowerHose: Float32Array;
  readonly fanPct: Float32Array;
  readonly fanCmdPct: Float32Array;
  readonly fanRpm: Float32Array;
  readonly lift: Float32Array;
  /** At the end: share of the filling that is left, and of the high places that hold air, gas or steam. */
  readonly ended: { readonly filling: number; readonly air: number };
}

export interface SimulateOptions {
  readonly startC: number;
  /** A state to go on from instead of a plant that stood. It is changed. */
  readonly from?: PlantState;
  /** Another heat than the plant's own. */
  readonly heatScale?: number;
}

/** Runs the plant over a drive. Pure: same parameters and drive, same trace. 30 minutes at 1 s take well under 1 ms. */
export function simulate(plant: PlantParams, drive: Drive, options: SimulateOptions): Trace {
  const p = ofOneShape(plant, options.heatScale);
  const n = drive.rpm.length;
  const trace = {
    dt: drive.dt,
    ect: new Float32Array(n),
    jacket: new Float32Array(n),
    upperHose: new Float32Array(n),
    lowerHose: new Float32Array(n),
    fanPct: new Float32Array(n),
    fanCmdPct: new Float32Array(n),
    fanRpm: new Float32Array(n),
    lift: new Float32Array(n)
  };
  const state = options.from ?? startState(p, options.startC, drive.ambientC[0]);
  const table = readingTable(p);
  const input: DriveInput = { rpm: 0, load: 0, speedKmh: 0, ambientC: 0, ac: false };
  for (let i = 0; i < n; i++) {
    input.rpm = drive.rpm[i];
    input.load = drive.load[i];
    input.speedKmh = drive.speedKmh[i];
    input.ambientC = drive.ambientC[i];
    input.ac = drive.ac[i] === 1;
    // The first sample is the start itself: a step of no length reads the sensor and sets the fan.
    step(p, table, state, input, i === 0 ? 0 : drive.dt);
    trace.ect[i] = state.reading;
    trace.jacket[i] = state.jacket;
    trace.upperHose[i] = state.hose;
    trace.lowerHose[i] = state.ret;
    trace.fanPct[i] = state.fanPct;
    trace.fanCmdPct[i] = state.fanCmdPct;
    trace.fanRpm[i] = state.fanRpm;
    trace.lift[i] = state.lift;
  }
  return { ...trace, ended: { filling: state.filling, air: airIn(state) } };
}
