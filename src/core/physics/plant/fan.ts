import type { PlantParams } from './params';
import { relax, turning, type DriveInput, type PlantState } from './state';

/** The control unit's fan rule, acting on what it reads; then what the fan really does. */
export function driveFan(p: PlantParams, s: PlantState, u: DriveInput, dt: number): void {
  s.fanCmdPct = p.fan.kind === 'none' || !p.fanCommandWorks ? 0 : commandPct(p, s, u);
  const asked = p.fanDriveShown ? s.fanCmdPct : 0;
  let stuck = p.fanStuckPct;
  if (stuck > 0 && p.fanStuckWanders) stuck *= 0.65 + 0.35 * Math.sin(s.runS / 23) * Math.cos(s.runS / 61);
  s.fanPct = p.fan.kind === 'none' ? 0 : Math.max(asked, stuck);
  if (p.clutch.kind !== 'none') driveClutch(p, s, u, dt);
}

function commandPct(p: PlantParams, s: PlantState, u: DriveInput): number {
  if (p.fan.kind === 'none') return 0;
  const { stages, kind, onWithAc, failsafeFull } = p.fan;
  if (!turning(u) && s.runS > 0 && s.stoodS > p.fanAfterRunS) {
    s.stage = -1;
    return 0;
  }
  if (failsafeFull && (s.reading <= p.openReadsC + 1 || s.reading >= p.shortReadsC - 1)) return 100;
  while (s.stage + 1 < stages.length && s.reading >= stages[s.stage + 1].onC + p.fanShiftC) s.stage++;
  while (s.stage >= 0 && s.reading <= stages[s.stage].offC + p.fanShiftC) s.stage--;
  const withAc = onWithAc && u.ac && turning(u) ? stages[0].pct : 0;
  if (s.stage < 0) return withAc;
  if (kind === 'stages' || stages.length < 2) return Math.max(withAc, stages[s.stage].pct);
  const from = stages[0].onC + p.fanShiftC;
  const to = stages[stages.length - 1].onC + p.fanShiftC;
  const share = Math.min(1, Math.max(0, (s.reading - from) / (to - from)));
  return Math.max(withAc, Math.round(stages[0].pct + share * (100 - stages[0].pct)));
}

function driveClutch(p: PlantParams, s: PlantState, u: DriveInput, dt: number): void {
  const { clutch } = p;
  const air = u.ambientC + 0.62 * ((s.cell1 + s.cell2) / 2 - u.ambientC);
  s.clutchAirC += (air - s.clutchAirC) * relax(dt, 18);
  if (!turning(u)) {
    s.fanRpm = 0;
    return;
  }
  s.fanRpm += (clutchRpm(p, s, u, clutch) - s.fanRpm) * relax(dt, 4);
}

function clutchRpm(p: PlantParams, s: PlantState, u: DriveInput, clutch: PlantParams['clutch']): number {
  const free = 0.24 * u.rpm;
  if (p.clutchLocked) return 0.97 * u.rpm;
  switch (clutch.kind) {
    case 'none':
      return 0;
    case 'fixed':
      return free + (clutch.ratio * u.rpm - free) * p.clutchGrip;
    case 'thermal': {
      const drained = s.runS < 70;
      if (s.clutchAirC >= clutch.engageAirC + p.fanShiftC) s.clutchEngaged = true;
      else if (s.clutchAirC <= clutch.releaseAirC + p.fanShiftC && !drained) s.clutchEngaged = false;
      if (!s.clutchEngaged || u.rpm > clutch.cutOutEngineRpm) return free;
      return free + Math.max(0, Math.min(clutch.maxRpm, 0.88 * u.rpm) - free) * p.clutchGrip;
    }
    case 'electronic': {
      const demand = Math.min(1, Math.max(0, (s.reading - (p.startOpenC + 8)) / 12));
      s.fanCmdPct = Math.round((u.ac ? Math.max(0.5, demand) : demand) * 100);
      return free + (0.9 * u.rpm - free) * (s.fanCmdPct / 100) * p.clutchGrip;
    }
  }
}
