import type { FaultId } from '../vehicle/faults';
import type { ObservedRun } from './observed-parts';
import type { Features } from './features';

const HOT: ReadonlySet<FaultId> = new Set([
  'thermostat-stuck-closed',
  'airflow-restricted',
  'radiator-clogged',
  'pump-flow-low',
  'coolant-low',
  'combustion-leak',
  'pressure-cap-weak',
  'fan-motor-dead',
  'fan-motor-weak',
  'fan-command-missing',
  'clutch-slipping',
  'clutch-engages-late'
]);
const COLD: ReadonlySet<FaultId> = new Set([
  'thermostat-stuck-open',
  'thermostat-low-rating',
  'ect-reads-cold',
  'sensor-branch-restricted'
]);
const WITHIN_SHEET = -2.2;
/** An engine that regulates so near to its sheet is no reason to doubt the sheet, °C. */
const NEAR_SHEET_C = 4;

/**
 * The sheet's own word: a run that never left what the sheet allows is little reason to suspect a fault whose
 * whole effect is to leave it. Only how the temperature got there then speaks for one, and that no model knows well.
 */
export function sheetLog(
  { spec, plant }: ObservedRun,
  fault: FaultId,
  shown: Pick<Features, 'maxC' | 'plateauC' | 'knee'>
): number {
  if (HOT.has(fault)) {
    const line =
      plant.fan.kind === 'none'
        ? Math.max(plant.fullOpenC + 2, (spec.regulating?.highC ?? 0) + 3)
        : plant.fan.stages[0].onC + 2.5;
    return (shown.maxC ?? 0) > line ? 0 : 1.5 * WITHIN_SHEET;
  }
  if (COLD.has(fault) && shown.plateauC !== null) {
    const line = Math.min(plant.startOpenC - 4, (spec.regulating?.lowC ?? Infinity) - 1);
    return shown.plateauC < line || (shown.knee !== null && shown.knee.celsius < plant.startOpenC - 5)
      ? 0
      : WITHIN_SHEET;
  }
  if (fault === 'sheet-wrong' && shown.plateauC !== null) {
    const above = shown.plateauC - plant.fullOpenC;
    const below = plant.startOpenC - shown.plateauC;
    return Math.max(above, below) > NEAR_SHEET_C ? 0 : 1.5 * WITHIN_SHEET;
  }
  return 0;
}
