import { curesOf } from '../faults/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Symptom, SymptomId } from '../vehicle/symptoms';
import type { FaultId } from '../vehicle/faults';
import { type RepairId } from '../vehicle/repairs';
import type { Finding } from './finding';
import { bearingsOn, type Bearing, type Posterior } from './posterior';

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

/** The part that most would change first, held against what is known. */
export interface PopularPart {
  readonly repair: RepairId;
  /** That it is the cause, here. */
  readonly probability: number;
  /** What weighs most on it beside the complaint; null where nothing does. */
  readonly because: Bearing | null;
}

/** What is commonly changed first for such a complaint, with how likely it is here; null where the vehicle has none. */
export function popularPart(
  symptoms: readonly Symptom[],
  codes: readonly string[],
  { findings, sheet }: { readonly findings: readonly Finding[]; readonly sheet: SpecSheet | null },
  now: Posterior
): PopularPart | null {
  const [repair] = popularFirst(symptoms, codes, sheet);
  if (!repair) return null;
  const able = curesOf(repair).filter((f) => !now.impossible.some((i) => i.fault === f));
  if (able.length === 0) return null;
  // What people have in mind with that part is what the complaint points at.
  const complaint = findings.filter((f) => f.group === 'complaint');
  const pointed = (f: FaultId) => complaint.reduce((sum, c) => sum + (c.llr[f] ?? 0), 0);
  const meant = able.reduce((x, y) => (pointed(y) > pointed(x) ? y : x));
  return {
    repair,
    probability: able.reduce(
      (sum, f) => sum + (now.suspects.find((s) => s.fault === f)?.probability ?? 0),
      0
    ),
    because: bearingsOn(meant, findings).find((b) => b.finding.group !== 'complaint') ?? null
  };
}
