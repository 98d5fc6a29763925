import { randomUUID } from 'node:crypto';
import { bad, good, type Result } from '../../../core/base/result';
import { streamOf } from '../../../core/record/events';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import { bareSheet } from '../../../core/vehicle/three-taps';
import type { Database } from '../db/database';
import { append } from './record';

/**
 * The sheet that a run of a vehicle is judged against. A vehicle that has none gets one that knows its name alone:
 * then all is typical, nothing that was recorded is lost, and the run is judged anew when somebody knows more.
 */
export async function sheetFor(
  db: Database,
  vehicleId: string,
  { who, at }: { readonly who: string; readonly at: string }
): Promise<Result<{ readonly id: string; readonly sheet: SpecSheet }>> {
  const vehicle = await db.vehicles.findByPk(vehicleId);
  if (!vehicle) return bad({ message: 'the vehicle of this job does not exist any more' });
  const row = vehicle.specSheetId ? await db.specSheets.findByPk(vehicle.specSheetId) : null;
  if (row) return good({ id: row.id, sheet: row.sheet });
  const [id, sheet] = [randomUUID(), bareSheet(vehicle.name)];
  const saved = await append(db, {
    id,
    stream: streamOf('vehicle', vehicleId),
    who,
    at,
    kind: 'spec.saved',
    payload: { sheet }
  });
  return saved.ok ? good({ id, sheet }) : saved;
}
