import type { SpecSheet } from '$core/vehicle/spec-sheet';
import { readSpecSheet } from '$core/vehicle/spec-sheet';
import { fieldName } from '$core/vehicle/sheet-fields';
import { record, type Answer } from '$lib/ui/outbox/record.svelte';

/** Problems of a sheet with its fields named as the form names them. */
export const named = (answer: Extract<Answer, { ok: false }>): Extract<Answer, { ok: false }> => ({
  ...answer,
  problems: answer.problems.map((p) => (p.field ? { ...p, field: fieldName(p.field) } : p))
});

/** Reads a sheet and saves it as that of a vehicle; refused with every field that is wrong. */
export async function saveSheet(
  vehicleId: string,
  sheet: unknown,
  eventId: string = crypto.randomUUID()
): Promise<Answer> {
  const read = readSpecSheet(sheet);
  if (!read.ok) return read;
  return record(
    `vehicle:${vehicleId}`,
    { kind: 'spec.saved', payload: { sheet: read.value satisfies SpecSheet } },
    eventId
  );
}
