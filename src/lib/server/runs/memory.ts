import { QueryTypes, type Transaction } from 'sequelize';
import { printOf, type Print } from '../../../core/handover/memory/fingerprint';
import { memoryOf, type Memory } from '../../../core/handover/memory/memory';
import type { Analysis } from '../../../core/runs/analyse';
import type { Database } from '../db/database';

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
    db.sequelize.query<{ vehicleId: string; print: Print }>(
      `SELECT j.vehicle_id AS "vehicleId", r.print FROM runs r JOIN jobs j ON j.id = r.job_id
       WHERE r.standing AND j.standing AND r.print IS NOT NULL AND ($1::uuid IS NULL OR j.vehicle_id = $1)
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
  const prints = new Map<string, Print[]>();
  for (const { vehicleId: of, print } of rows) {
    const known = prints.get(of);
    if (known) known.push(print);
    else prints.set(of, [print]);
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
      marks: marksOf(known?.prints ?? [])
    };
  });
  const told = (l: FleetLine) => (l.memory && l.memory.warnings.length > 0 ? 0 : 1);
  return lines.sort((a, b) => told(a) - told(b) || a.fleetNo.localeCompare(b.fleetNo));
}

/** The trait that most runs tell, for a picture: on the road where there is any, else where it opens. */
function marksOf(prints: readonly Print[]): FleetLine['marks'] {
  const of = (trait: 'regulates' | 'opening') =>
    prints.flatMap(({ at, marks }) => (marks[trait] ? [{ at, celsius: marks[trait].celsius }] : []));
  const road = of('regulates');
  return road.length >= 3 ? road : of('opening');
}

interface Judged {
  readonly at: Date;
  readonly startOpenC: number;
  readonly analysis: Analysis;
}

/** Writes down what a run tells of its vehicle, whenever it has been judged. */
export async function printRun(db: Database, id: string, transaction?: Transaction): Promise<void> {
  const [run] = await db.sequelize.query<Judged>(
    `SELECT r.imported_at AS at, (s.sheet->'thermostat'->>'startOpenC')::float AS "startOpenC", r.analysis
     FROM runs r JOIN spec_sheets s ON s.id = r.spec_sheet_id WHERE r.id = $1`,
    { bind: [id], type: QueryTypes.SELECT, transaction }
  );
  if (!run) return;
  const { verdict, jumps, features } = run.analysis;
  const print = printOf({ id, at: run.at.toISOString(), verdict, jumps, features }, run.startOpenC);
  await db.runs.update({ print }, { where: { id }, transaction });
}
