import { QueryTypes } from 'sequelize';
import type { Fingerprint } from '../../../core/handover/memory/fingerprint';
import { memoryOf, type Memory } from '../../../core/handover/memory/memory';
import type { Database } from '../db/database';

export interface Remembered {
  readonly vehicleId: string;
  readonly memory: Memory;
  readonly fingerprints: readonly Fingerprint[];
}

/** What each vehicle, or one, is remembered by. */
export async function memories(
  db: Database,
  vehicleId: string | null = null
): Promise<Map<string, Remembered>> {
  const bind = [vehicleId];
  const [rows, repaired] = await Promise.all([
    db.sequelize.query<{ vehicleId: string; fingerprint: Fingerprint }>(
      `SELECT j.vehicle_id AS "vehicleId", r.fingerprint FROM runs r JOIN jobs j ON j.id = r.job_id
       WHERE r.standing AND j.standing AND r.fingerprint IS NOT NULL AND ($1::uuid IS NULL OR j.vehicle_id = $1)
       ORDER BY r.imported_at`,
      { bind, type: QueryTypes.SELECT }
    ),
    db.sequelize.query<{ vehicleId: string; at: string | null }>(
      `SELECT vehicle_id AS "vehicleId", max(ending->>'repairedAt') AS at FROM jobs
       WHERE standing AND ($1::uuid IS NULL OR vehicle_id = $1) GROUP BY vehicle_id`,
      { bind, type: QueryTypes.SELECT }
    )
  ]);
  const since = new Map(repaired.map((r) => [r.vehicleId, r.at]));
  const fingerprints = new Map<string, Fingerprint[]>();
  for (const { vehicleId: of, fingerprint } of rows) {
    const known = fingerprints.get(of);
    if (known) known.push(fingerprint);
    else fingerprints.set(of, [fingerprint]);
  }
  return new Map(
    [...fingerprints].map(([of, list]) => [
      of,
      { vehicleId: of, fingerprints: list, memory: memoryOf(list, since.get(of) ?? null) }
    ])
  );
}

export interface FleetLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly memory: Memory | null;
  /** Regulating temperature on the road, run by run: what a line of the list shows. */
  readonly marks: readonly { readonly at: string; readonly celsius: number }[];
}

/** The whole fleet: what has drifted first, then by fleet number. */
export async function fleetView(db: Database): Promise<FleetLine[]> {
  const [vehicles, remembered] = await Promise.all([
    db.vehicles.findAll({
      where: { standing: true },
      attributes: ['id', 'fleetNo', 'name'],
      order: [['fleetNo', 'ASC']],
      raw: true
    }),
    memories(db)
  ]);
  const lines = vehicles.map((v): FleetLine => {
    const known = remembered.get(v.id);
    return {
      ...v,
      memory: known?.memory ?? null,
      marks: marksOf(known?.fingerprints ?? [])
    };
  });
  const told = (l: FleetLine) => (l.memory && l.memory.warnings.length > 0 ? 0 : 1);
  return lines.sort((a, b) => told(a) - told(b) || a.fleetNo.localeCompare(b.fleetNo));
}

/** The trait that most runs tell, for a picture: on the road where there is any, else where it opens. */
function marksOf(fingerprints: readonly Fingerprint[]): FleetLine['marks'] {
  const of = (trait: 'regulates' | 'opening') =>
    fingerprints.flatMap(({ at, marks }) => (marks[trait] ? [{ at, celsius: marks[trait].celsius }] : []));
  const road = of('regulates');
  return road.length >= 3 ? road : of('opening');
}
