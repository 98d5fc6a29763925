import { fitCoolDown, type CoolingFit } from '../physics/coolant/cooling';
import type { Grid } from './grid';
import { smooth } from './smooth';

/** What a log shows after key-off. Times in s after the engine stopped, temperatures in °C. */
export interface AfterRun {
  /** From the start of the log. */
  readonly stoppedAtS: number;
  readonly stopC: number;
  /** How far the reading went on rising: metal gives its heat to coolant that no longer moves. */
  readonly riseC: number;
  readonly peakAfterS: number;
  readonly loggedS: number;
  readonly endC: number;
  /** How long the fan was driven after key-off; null without a fan column. */
  readonly fanS: number | null;
  readonly fanStillOn: boolean;
  /** How fast it cools, from the fall after the peak; null where too little of it was logged. */
  readonly cooling: CoolingFit | null;
}

const RUNNING_RPM = 200;
/** A stop counts once it lasts this long: a stall, or a start-stop pause, is no key-off. */
const SHORTEST_S = 90;
const SETTLE_S = 30;
const FAN_ON_PCT = 10;

/** Index at which the engine stopped for good, where the log goes on after that; null where it does not. */
export function stopIndex({ channels: { rpm }, n, dt }: Grid): number | null {
  if (!rpm) return null;
  let last = -1;
  for (let i = 0; i < n; i++) if (rpm[i] >= RUNNING_RPM) last = i;
  return last >= 0 && (n - 1 - last) * dt >= SHORTEST_S ? last + 1 : null;
}

/** The log up to an index: what the engine did while it ran. */
export const upTo = (grid: Grid, n: number): Grid => ({
  ...grid,
  n,
  ect: grid.ect.slice(0, n),
  channels: Object.fromEntries(
    Object.entries(grid.channels).map(([key, values]) => [key, values.slice(0, n)])
  )
});

/** Reads what followed key-off; null where the log ends with the engine running. */
export function readAfterRun(grid: Grid, ambientC: number): AfterRun | null {
  const stop = stopIndex(grid);
  if (stop === null) return null;
  const { dt, n } = grid;
  const level = smooth(grid.ect.slice(stop), Math.max(3, Math.round(20 / dt)));
  const first = level.findIndex((v) => !Number.isNaN(v));
  if (first < 0) return null;
  let peak = first;
  level.forEach((v, i) => {
    if (v > level[peak]) peak = i;
  });
  const end = level.findLast((v) => !Number.isNaN(v))!;
  const fan = grid.channels.fan_pct ?? grid.channels.fan_cmd_pct;
  const driven = fan ? fan.slice(stop) : null;
  const fanS = driven ? driven.filter((v) => v >= FAN_ON_PCT).length * dt : null;
  const from = stop + peak + Math.round(SETTLE_S / dt);
  const times: number[] = [];
  const temps: number[] = [];
  for (let i = from; i < n; i++)
    if (!Number.isNaN(grid.ect[i])) {
      times.push(((i - from) * dt) / 3600);
      temps.push(grid.ect[i]);
    }
  return {
    stoppedAtS: stop * dt,
    stopC: level[first],
    riseC: level[peak] - level[first],
    peakAfterS: peak * dt,
    loggedS: (n - stop) * dt,
    endC: end,
    fanS,
    fanStillOn: driven !== null && (driven.findLast((v) => !Number.isNaN(v)) ?? 0) >= FAN_ON_PCT,
    cooling: fitCoolDown(times, temps, ambientC)
  };
}
