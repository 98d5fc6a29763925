import type { Grid } from './grid';
import { medianOf } from './smooth';

/** What a log says about the fan: when it came on and went off, and at which coolant reading. */
export interface FanReading {
  /** Which column told it; none where the log has no fan column. */
  readonly from: 'fan_rpm' | 'fan_pct' | 'fan_cmd_pct' | 'none';
  readonly switches: readonly FanSwitch[];
  /** Share of the run the fan was driven. */
  readonly onShare: number;
  /** Fan speed over engine speed, median of the running engine; null where either was not logged. */
  readonly ratio: number | null;
}

interface FanSwitch {
  readonly atS: number;
  readonly celsius: number;
  readonly to: 'on' | 'off';
  /** The A/C asked for it, so the coolant temperature says nothing about the switching point. */
  readonly withAc: boolean;
}

const ON_PCT = 10;
const ON_RPM = 350;
const SHORTEST_S = 4;

/** Reads fan switching from the best fan column there is. A fan driven by belt and clutch has no switching points. */
export function readFan(grid: Grid, electric: boolean): FanReading {
  const { fan_rpm: speed, fan_pct: drive, fan_cmd_pct: command, ac_on: ac } = grid.channels;
  const from = drive ? 'fan_pct' : electric && speed ? 'fan_rpm' : command ? 'fan_cmd_pct' : 'none';
  const values = from === 'none' ? undefined : grid.channels[from];
  if (!values || !electric) return { from, switches: [], onShare: 0, ratio: ratioOf(grid) };
  const limit = from === 'fan_rpm' ? ON_RPM : ON_PCT;
  const hold = Math.max(1, Math.round(SHORTEST_S / grid.dt));
  const switches: FanSwitch[] = [];
  let on = values[firstKnown(values)] >= limit;
  let onCount = 0;
  let counted = 0;
  for (let i = firstKnown(values); i < grid.n; i++) {
    if (Number.isNaN(values[i])) continue;
    counted++;
    const now = values[i] >= limit;
    if (now) onCount++;
    if (now === on || !stays(values, i, hold, limit, now)) continue;
    on = now;
    switches.push({ atS: i * grid.dt, celsius: grid.ect[i], to: now ? 'on' : 'off', withAc: acNear(ac, i) });
  }
  return {
    from,
    switches: switches.filter((s) => !Number.isNaN(s.celsius)),
    onShare: counted > 0 ? onCount / counted : 0,
    ratio: ratioOf(grid)
  };
}

const firstKnown = (values: Float64Array) =>
  Math.max(
    0,
    values.findIndex((v) => !Number.isNaN(v))
  );

function stays(values: Float64Array, i: number, hold: number, limit: number, on: boolean): boolean {
  for (let k = i; k < Math.min(values.length, i + hold); k++)
    if (!Number.isNaN(values[k]) && values[k] >= limit !== on) return false;
  return true;
}

function acNear(ac: Float64Array | undefined, i: number): boolean {
  if (!ac) return false;
  for (let k = Math.max(0, i - 3); k <= i; k++) if (ac[k] > 0) return true;
  return false;
}

function ratioOf({ channels: { fan_rpm: fan, rpm } }: Grid): number | null {
  return fan && rpm ? medianOf(fan.map((v, i) => (rpm[i] > 400 ? v / rpm[i] : NaN))) : null;
}
