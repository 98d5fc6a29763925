import type { FanReading } from './fan-events';
import type { Grid } from './grid';
import { smooth } from './smooth';

/** A reading that swings to and fro once warm. */
export interface Hunting {
  readonly periodS: number;
  /** Half of peak to trough, °C. */
  readonly amplitudeC: number;
  readonly cycles: number;
  /** The fan switched about once a cycle: it makes the swing, as designed, not the thermostat. */
  readonly withFan: boolean;
}

/** A turn counts once the reading has come back by this much, °C: above the step of a whole-degree reading. */
const TURN_C = 2.5;
const FEWEST_CYCLES = 2;

/** Period and amplitude of a swinging reading from `from` on; null where it does not swing twice. */
export function readHunting(grid: Grid, from: number, fan: FanReading): Hunting | null {
  const level = smooth(grid.ect, Math.max(3, Math.round(11 / grid.dt)));
  const turns: { at: number; celsius: number }[] = [];
  let extreme = from;
  let rising: boolean | null = null;
  for (let i = from; i < grid.n; i++) {
    if (Number.isNaN(level[i])) continue;
    const move = level[i] - level[extreme];
    if (rising === null) {
      if (Math.abs(move) >= TURN_C) [rising, extreme] = [move > 0, i];
    } else if (rising ? move >= 0 : move <= 0) extreme = i;
    else if (Math.abs(move) >= TURN_C) {
      turns.push({ at: extreme, celsius: level[extreme] });
      [rising, extreme] = [!rising, i];
    }
  }
  const cycles = Math.floor((turns.length - 1) / 2);
  if (cycles < FEWEST_CYCLES) return null;
  const middle = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1];
  const first = turns[0].at * grid.dt;
  const last = turns[turns.length - 1].at * grid.dt;
  const ons = fan.switches.filter((s) => s.to === 'on' && s.atS >= first - 60 && s.atS <= last + 60).length;
  return {
    periodS: middle(turns.slice(2).map((t, i) => (t.at - turns[i].at) * grid.dt)),
    amplitudeC: middle(turns.slice(1).map((t, i) => Math.abs(t.celsius - turns[i].celsius) / 2)),
    cycles,
    withFan: ons >= cycles * 0.6
  };
}

/** How fast the reading falls while the fan runs at a standstill, °C a minute; null where it was never seen. */
export function fanCoolingRate(grid: Grid, fan: FanReading): number | null {
  const rates: number[] = [];
  fan.switches.forEach((on, i) => {
    const off = fan.switches[i + 1];
    if (on.to !== 'on' || on.withAc || !off || off.atS - on.atS < 15) return;
    const speed = grid.channels.speed_kmh?.slice(Math.round(on.atS / grid.dt), Math.round(off.atS / grid.dt));
    if (speed?.some((v) => v > 5)) return;
    rates.push(((on.celsius - off.celsius) / (off.atS - on.atS)) * 60);
  });
  return rates.length === 0 ? null : rates.sort((a, b) => a - b)[rates.length >> 1];
}
