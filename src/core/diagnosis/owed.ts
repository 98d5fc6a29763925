import type { NamedResult } from '../checks/check';
import { checkOf, type CheckId } from '../checks/registry';
import { repairFor } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import { SYMPTOM_IDS, type SymptomId } from '../vehicle/symptoms';
import type { Finding } from './finding';
import { strengthOf } from './findings';
import { canBeDone, type Asked, type Worth } from './next';
import type { Posterior } from './posterior';

/** What looks at the very thing that was told of: nobody is sent home with a complaint that was not tried. */
const LOOKED_AT_BY: Readonly<Partial<Record<SymptomId, readonly CheckId[]>>> = {
  'gauge-high': ['gauge-compare'],
  'gauge-low': ['gauge-compare'],
  'gauge-jumps': ['wiggle'],
  'heater-weak': ['heater-air'],
  'heater-swings': ['heater-air', 'combustion-gas'],
  'fan-always': ['key-off-fan'],
  'fan-never': ['fan-command'],
  'fan-odd': ['fan-switching'],
  'smell-coolant': ['pressure-hold', 'combustion-gas'],
  'smell-steam': ['cap-test', 'combustion-gas'],
  'noise-roar': ['clutch-cold-turn'],
  'noise-rattle': ['clutch-play']
};

/**
 * What is owed before a vehicle is called sound: the level looked at, codes read, a run, and what the complaint is
 * about. Null where all of it is done, or cannot be here.
 */
function owedTo({ open, findings, sheet, shop }: Asked): CheckId | null {
  const told = SYMPTOM_IDS.filter((s) => findings.some((f) => f.id === `complaint/${s}`));
  const owed: readonly CheckId[] = [
    'level-and-look',
    'codes',
    'warm-up-run',
    ...told.flatMap((s) => LOOKED_AT_BY[s] ?? [])
  ];
  return owed.find((id) => open.includes(id) && canBeDone(id, sheet, shop)) ?? null;
}

/** A leak of gas that is this likely is looked for before coolant is only filled up. */
const GAS_POSSIBLE = 0.01;

/** A suspect this likely is repaired on whatever made it so. */
const SURE = 0.97;
/** What was measured speaks for a suspect from here on, in nats; and a check is worth asking for that would say this much. */
const SPEAKS = 1;
const WOULD_SAY = Math.log(8);

const sayingMost = (check: CheckId, fault: FaultId): number =>
  Object.values(checkOf(check).results)
    .filter((r: NamedResult) => r.for?.includes(fault))
    .reduce((most, r: NamedResult) => Math.max(most, strengthOf(check, fault, 'for', r.strength)), 0);

/** What the driver told, a code and a run point at a part; none of them has measured it. */
const measured = ({ id, group }: Finding): boolean =>
  !['complaint', 'untold', 'earlier', 'run'].includes(group) && !id.endsWith('/codes');

/** Before a part is changed that nothing measured has spoken for: the check that would, by what it says for its minutes. */
function owedToPart(
  repairs: readonly RepairId[],
  { suspects }: Posterior,
  asked: Asked,
  worth: readonly Worth[]
): CheckId | null {
  const { fault, probability } = suspects[0];
  const { open, findings, sheet, shop } = asked;
  if (fault === 'none' || probability >= SURE || !repairs.includes(repairFor(fault))) return null;
  if (findings.some((f) => measured(f) && (f.llr[fault] ?? 0) >= SPEAKS)) return null;
  // What it takes to have the engine there, or the part out, counts as it does in the plan.
  const minutes = new Map(worth.map((w) => [w.id, w.minutes]));
  const able = open
    .filter((id) => canBeDone(id, sheet, shop) && sayingMost(id, fault) >= WOULD_SAY)
    .map((id) => ({ id, byTheMinute: sayingMost(id, fault) / (minutes.get(id) ?? checkOf(id).minutes) }));
  return able.sort((a, b) => b.byTheMinute - a.byTheMinute)[0]?.id ?? null;
}

/**
 * What must be looked at before a decision, whatever it is worth: sound is said last, coolant that is gone went
 * somewhere, and no part is changed that nothing has measured.
 */
export function owedBefore(
  repairs: readonly RepairId[],
  now: Posterior,
  asked: Asked,
  worth: readonly Worth[]
): CheckId | null {
  if (asked.repaired) return null;
  if (repairs[0] === 'none' || repairs[0] === 'sheet-correct') return owedTo(asked);
  if (repairs[0] !== 'coolant-fill') return owedToPart(repairs, now, asked, worth);
  const chance = (fault: FaultId) => now.suspects.find((s) => s.fault === fault)?.probability ?? 0;
  const where: readonly CheckId[] = [
    'pressure-hold',
    ...(chance('combustion-leak') > GAS_POSSIBLE ? (['combustion-gas'] as const) : [])
  ];
  return where.find((id) => asked.open.includes(id) && canBeDone(id, asked.sheet, asked.shop)) ?? null;
}
