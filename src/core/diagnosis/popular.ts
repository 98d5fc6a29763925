import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Symptom, SymptomId } from '../vehicle/symptoms';
import type { RepairId } from '../vehicle/repairs';

/**
 * The parts that are commonly changed first for such a complaint, the most popular first, without anything being
 * measured: what the ranking is held against. What the vehicle has not is left out.
 */
export function popularFirst(
  symptoms: readonly Symptom[],
  codes: readonly string[],
  sheet: SpecSheet | null
): RepairId[] {
  const has = (...ids: SymptomId[]) => symptoms.some((s) => ids.includes(s.what));
  const fan: RepairId[] = [
    ...(sheet?.clutch ? (['fan-clutch'] as const) : []),
    ...(sheet?.fan?.drive === 'controller' ? (['fan-controller'] as const) : []),
    ...(sheet?.fan?.drive === 'relay' ? (['relay'] as const) : [])
  ];
  if (has('fan-never', 'noise-roar')) return [...fan, 'thermostat', 'ect-sensor', 'water-pump'];
  if (codes.some((c) => c.startsWith('P011')) || has('fan-always', 'gauge-jumps'))
    return ['ect-sensor', 'thermostat', ...fan, 'connector', 'water-pump'];
  // Hot when it stands, with a clutch at the fan: the clutch is blamed.
  const standing = symptoms.some(
    (s) => s.what === 'gauge-high' && s.when.some((w) => w === 'idle' || w === 'crawl')
  );
  if (standing && sheet?.clutch) return ['fan-clutch', 'thermostat', 'water-pump', 'radiator-inside'];
  return ['thermostat', 'ect-sensor', ...fan, 'water-pump', 'radiator-inside'];
}
