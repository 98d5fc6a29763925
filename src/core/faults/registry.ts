import type { PlantParams } from '../physics/plant/params';
import type { CodeId } from '../vehicle/codes';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import { lacksPart, partShare } from '../vehicle/parts';
import { REPAIR_IDS, type RepairId } from '../vehicle/repairs';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { SYMPTOMS, type Symptom, type SymptomId } from '../vehicle/symptoms';
import type { Blindness, Change, Curve, Fault } from './fault';
import { clutch } from './clutch';
import { coolant } from './coolant';
import { fan } from './fan';
import { flow } from './flow';
import { healthy } from './healthy';
import { sensor } from './sensor';
import { thermostat } from './thermostat';

/** Every fault of the catalogue by its id: one that is not said here does not compile. */
export const FAULTS: Readonly<Record<FaultId, Fault>> = {
  ...healthy,
  ...thermostat,
  ...sensor,
  ...fan,
  ...clutch,
  ...flow,
  ...coolant
};

type Drawn = Extract<Curve, { kind: 'warms' | 'reading' }>;

/** Faults that change a temperature curve, with how. */
export const PLANT_FAULTS: readonly (Drawn & { readonly id: FaultId })[] = FAULT_IDS.flatMap((id) => {
  const { curve } = FAULTS[id];
  return curve.kind === 'warms' || curve.kind === 'reading' ? [{ id, ...curve }] : [];
});

export const plantFault = (id: FaultId) => PLANT_FAULTS.find((f) => f.id === id);

/** What a fault does to the plant, seen in a log or not; undefined where it does nothing. */
export function changeOf(id: FaultId): Change | undefined {
  const { curve } = FAULTS[id];
  return 'variants' in curve && curve.variants ? (curve as Change) : undefined;
}

/** The variant a fault is drawn in where none is named; undefined where it leaves no mark. */
export const variantOf = (id: FaultId): string | undefined => Object.keys(changeOf(id)?.variants ?? {})[0];

/**
 * The plant with a fault. Severity 0 to 1; the variant defaults to the usual one.
 * Throws RangeError for a fault that does nothing to the plant, an unknown variant, or one the vehicle cannot have.
 */
export function withFault(p: PlantParams, id: FaultId, severity: number, variant?: string): PlantParams {
  const fault = changeOf(id);
  if (!fault)
    throw new RangeError(
      `${id} leaves no mark in coolant temperature; choose one of ${PLANT_FAULTS.map((f) => f.id).join(', ')}`
    );
  if (fault.applies && !fault.applies(p))
    throw new RangeError(`${id} cannot happen on this vehicle: its spec sheet has no such part`);
  const names = Object.keys(fault.variants);
  const apply = fault.variants[variant ?? variantOf(id)!];
  if (!apply) throw new RangeError(`${id} has no variant “${variant}”; choose ${names.join(' or ')}`);
  return { ...p, ...apply(p, Math.min(1, Math.max(0, severity))) };
}

/** Faults one temperature log cannot tell from the one that stands for them: told together, never ranked apart. */
export const ALIKE: Readonly<Partial<Record<FaultId, readonly FaultId[]>>> = Object.fromEntries(
  FAULT_IDS.map((id) => [id, FAULT_IDS.filter((f) => FAULTS[f].like?.includes(id))] as const).filter(
    ([, alike]) => alike.length > 0
  )
);

/** Faults that no coolant temperature log can show, with where to look instead. */
export const NOT_IN_A_LOG: readonly (Blindness & { readonly fault: FaultId })[] = FAULT_IDS.flatMap(
  (fault) => {
    const { curve } = FAULTS[fault];
    return curve.kind === 'unseen' ? [{ fault, because: curve.because, toShow: curve.toShow }] : [];
  }
);

/** Why a vehicle cannot have a fault, by its sheet; null where it can. */
export function cannotHave(fault: FaultId, sheet: SpecSheet | null): string | null {
  const { part } = FAULTS[fault];
  return part ? lacksPart(sheet, part) : null;
}

/** How likely a vehicle has the part that a fault is of, 0 to 1: below 1 only where its sheet does not say. */
export function canHave(fault: FaultId, sheet: SpecSheet | null): number {
  const { part } = FAULTS[fault];
  return part ? partShare(sheet, part) : 1;
}

const CURES = Object.fromEntries(
  REPAIR_IDS.map((id) => [id, FAULT_IDS.filter((f) => FAULTS[f].repair === id)])
) as unknown as Readonly<Record<RepairId, readonly FaultId[]>>;
/** What a repair cures. */
export const curesOf = (id: RepairId): readonly FaultId[] => CURES[id];
/** The repair that cures a fault. */
export const repairFor = (fault: FaultId): RepairId => FAULTS[fault].repair;

const NAMED = new Map<string, readonly FaultId[]>();
for (const id of FAULT_IDS)
  for (const code of FAULTS[id].codes ?? []) NAMED.set(code, [...(NAMED.get(code) ?? []), id]);
/** Suspects that a trouble code can name; none of one that is not known. */
export const namedBy = (code: CodeId | (string & {})): readonly FaultId[] => NAMED.get(code) ?? [];

/** A situation that speaks for a suspect makes it so much likelier to be told of. */
const WORSE = 0.25;
const AT_MOST = 0.95;

/** Suspects that a driver's symptom is told of more than otherwise. */
export const toldBy = (what: SymptomId): readonly FaultId[] =>
  FAULT_IDS.filter((f) => FAULTS[f].told[what] !== undefined);

/** How often a driver tells of this symptom where a suspect is at fault; as often as otherwise where it is not named. */
export function toldOf({ what, when }: Symptom, fault: FaultId): number {
  const { told, worse = [] } = FAULTS[fault];
  const { otherwise } = SYMPTOMS[what];
  const share = told[what];
  if (share === undefined) return otherwise;
  const situations = when.filter((w) => worse.includes(w)).length;
  return Math.max(otherwise, Math.min(AT_MOST, share * (1 + situations * WORSE)));
}
