import { QueryTypes } from 'sequelize';
import type { SpecSheet } from '../../core/formats/spec-sheet';
import { printOf, type Print, type PrintedRun } from '../../core/memory/fingerprint';
import { memoryOf, type Memory } from '../../core/memory/memory';
import type { Database } from './database';

interface Row extends Omit<PrintedRun, 'features'> {
  readonly vehicleId: string;
  readonly startOpenC: number;
  readonly features: PrintedRun['features'];
}

export interface Remembered {
  readonly vehicleId: string;
  readonly memory: Memory;
  readonly prints: readonly Print[];
}

/** What each vehicle, or one, is remembered by. */
export async function memories(
  db: Database,
  vehicleId: string | null = null
): Promise<Map<string, Remembered>> {
  const bind = [vehicleId];
  const [rows, repaired] = await Promise.all([
    // Only what a print is made of: the rest of an analysis is ten times as much.
    db.sequelize.query<Row>(
      `SELECT r.id, j.vehicle_id AS "vehicleId", (s.sheet->'thermostat'->>'startOpenC')::float AS "startOpenC",
         to_char(r.imported_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS at, r.analysis->>'verdict' AS verdict,
         (r.analysis->>'jumps')::int AS jumps,
         jsonb_build_object('knee', f.f->'knee', 'segments', f.f->'segments', 'warmRateCPerMin', f.f->'warmRateCPerMin',
           'startC', f.f->'startC', 'startMinusAmbientC', f.f->'startMinusAmbientC', 'fan', f.f->'fan') AS features
       FROM runs r JOIN jobs j ON j.id = r.job_id JOIN spec_sheets s ON s.id = r.spec_sheet_id
       CROSS JOIN LATERAL (SELECT r.analysis->'features' AS f) f
       WHERE r.standing AND j.standing AND ($1::uuid IS NULL OR j.vehicle_id = $1) ORDER BY r.imported_at`,
      { bind, type: QueryTypes.SELECT }
    ),
    db.sequelize.query<{ vehicleId: string; at: string | null }>(
      `SELECT vehicle_id AS "vehicleId", max(ending->>'repairedAt') AS at FROM jobs
       WHERE standing AND ($1::uuid IS NULL OR vehicle_id = $1) GROUP BY vehicle_id`,
      { bind, type: QueryTypes.SELECT }
    )
  ]);
  const since = new Map(repaired.map((r) => [r.vehicleId, r.at]));
  const prints = new Map<string, Print[]>();
  for (const { vehicleId: of, startOpenC, ...run } of rows) {
    const print = printOf(run, startOpenC);
    if (print) prints.set(of, [...(prints.get(of) ?? []), print]);
  }
  return new Map(
    [...prints].map(([of, list]) => [
      of,
      { vehicleId: of, prints: list, memory: memoryOf(list, since.get(of) ?? null) }
    ])
  );
}

export interface FleetLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly sheet: SpecSheet | null;
  readonly memory: Memory | null;
  /** Regulating temperature on the road, run by run: what a line of the list shows. */
  readonly marks: readonly { readonly at: string; readonly celsius: number }[];
}

/** The whole fleet: what has drifted first, then by fleet number. */
export async function fleetView(db: Database): Promise<FleetLine[]> {
  const [vehicles, remembered] = await Promise.all([
    db.sequelize.query<{ id: string; fleetNo: string; name: string; sheet: SpecSheet | null }>(
      `SELECT v.id, v.fleet_no AS "fleetNo", v.name, s.sheet FROM vehicles v
       LEFT JOIN spec_sheets s ON s.id = v.spec_sheet_id WHERE v.standing ORDER BY v.fleet_no`,
      { type: QueryTypes.SELECT }
    ),
    memories(db)
  ]);
  const lines = vehicles.map((v): FleetLine => {
    const known = remembered.get(v.id);
    return {
      ...v,
      memory: known?.memory ?? null,
      marks: marksOf(known?.prints ?? [])
    };
  });
  const told = (l: FleetLine) => (l.memory && l.memory.warnings.length > 0 ? 0 : 1);
  return lines.sort((a, b) => told(a) - told(b) || a.fleetNo.localeCompare(b.fleetNo));
}

/** The trait that most runs tell, for a picture: on the road where there is any, else where it opens. */
export function marksOf(prints: readonly Print[]): FleetLine['marks'] {
  const of = (trait: 'regulates' | 'opening') =>
    prints.flatMap(({ at, marks }) => (marks[trait] ? [{ at, celsius: marks[trait].celsius }] : []));
  const road = of('regulates');
  return road.length >= 3 ? road : of('opening');
}
