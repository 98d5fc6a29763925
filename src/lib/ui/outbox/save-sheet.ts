import type { Problem } from '$core/base/result';
import { fieldName } from '$core/vehicle/sheet-fields';
import { readSpecSheet } from '$core/vehicle/read-sheet';
import { record, type Answer } from './record.svelte';

/** What is wrong with a sheet, with its fields named as the form names them. */
export const named = (problems: readonly Problem[]): Problem[] =>
  problems.map((p) => (p.field ? { ...p, field: fieldName(p.field) } : p));

/** Reads a sheet and saves it as that of a vehicle; refused with every field that is wrong, by its path. */
export async function saveSheet(
  vehicleId: string,
  sheet: unknown,
  eventId: string = crypto.randomUUID()
): Promise<Answer> {
  const read = readSpecSheet(sheet);
  if (!read.ok) return read;
  return record(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet: read.value } }, eventId);
}
