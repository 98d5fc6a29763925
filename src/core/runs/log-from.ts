import { withFault } from '../faults/registry';
import type { Log } from '../logs/channels';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { normalDraw, seeded } from '../base/random';
import { driveFromLegs, type Leg } from '../physics/plant/drive';
import type { FaultId } from '../vehicle/faults';
import { plantFor, type PlantParams } from '../physics/plant/params';
import { simulate } from '../physics/plant/simulate';

export interface MadeLog {
  readonly spec: SpecSheet;
  readonly fault: FaultId;
  /** 0 to 1; what it means is told by the fault (faults.ts). */
  readonly severity: number;
  readonly variant?: string;
  readonly legs: readonly Leg[];
  readonly ambientC: number;
  readonly startC: number;
  /** Which columns the logger wrote: everything, what a scan adapter gives, or time and coolant alone. */
  readonly columns: 'all' | 'scan' | 'bare';
  readonly seed: number;
  /** A vehicle that differs from the sheet's usual one. */
  readonly plant?: PlantParams;
}

/**
 * The log that a logger would have written of a simulated run, with instrument noise. Same arguments, same log.
 * Throws RangeError where the fault, its variant or its severity makes no sense on this vehicle.
 */
export function logFrom(run: MadeLog): Log {
  const random = seeded(run.seed);
  const drive = driveFromLegs(run.legs, run.ambientC, 1);
  const plant = withFault(run.plant ?? plantFor(run.spec), run.fault, run.severity, run.variant);
  const trace = simulate({ ...plant, seed: run.seed + 1 }, drive, { startC: run.startC });
  const n = drive.rpm.length;
  const column = (values: ArrayLike<number>, noise: number, step: number) =>
    Float32Array.from(
      { length: n },
      (_, i) => Math.round((values[i] + noise * normalDraw(random)) / step) * step
    );
  const running = (values: Float32Array) => values.map((v, i) => (drive.rpm[i] < 200 ? 0 : Math.max(0, v)));
  const channels: Partial<Record<keyof Log['channels'], Float32Array>> = { ect_c: trace.ect };
  if (run.columns !== 'bare') {
    const bay = drive.ambientC.map((a, i) => a + (Math.min(11, i / 80) * 30) / (30 + drive.speedKmh[i]));
    Object.assign(channels, {
      rpm: running(column(drive.rpm, 14, 1)),
      speed_kmh: running(column(drive.speedKmh, 0, 1)),
      load_pct: running(
        column(
          drive.load.map((l) => l * 100),
          1.2,
          0.4
        )
      ),
      iat_c: column(bay, 0.2, 1)
    });
  }
  if (run.columns === 'all') {
    Object.assign(channels, {
      ambient_c: column(drive.ambientC, 0.1, 0.5),
      upper_hose_c: column(trace.upperHose, 0.3, 0.5),
      lower_hose_c: column(trace.lowerHose, 0.3, 0.5)
    });
    if (plant.fan.kind !== 'none')
      Object.assign(channels, { fan_pct: trace.fanPct, fan_cmd_pct: trace.fanCmdPct });
    if (plant.clutch.kind !== 'none') channels.fan_rpm = running(column(trace.fanRpm, 8, 1));
    if (plant.clutch.kind === 'electronic') channels.fan_cmd_pct = trace.fanCmdPct;
    if (drive.ac.some((v) => v > 0)) channels.ac_on = Float32Array.from(drive.ac);
  }
  return { t: Float64Array.from({ length: n }, (_, i) => i * drive.dt), channels, events: [] };
}
