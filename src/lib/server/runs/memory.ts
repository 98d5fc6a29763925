import { QueryTypes } from 'sequelize';
import type { Fingerprint, TraitId } from '../../../core/handover/memory/fingerprint';
import { memoryOf, toldDrift, type Memory } from '../../../core/handover/memory/memory';
import type { Database } from '../db/database';
import { pageOf } from '../paging';

export interface Remembered {
  readonly vehicleId: string;
  readonly memory: Memory;
  readonly fingerprints: readonly Fingerprint[];
  /** Of runs that were judged sound, since the last repair. */
  readonly good: readonly Fingerprint[];
}

interface Print {
  readonly vehicleId: string;
  readonly fingerprint: Fingerprint;
  readonly good: boolean;
}

/** What each vehicle, or one, is remembered by. */
export async function memories(
  db: Database,
  vehicleId: string | null = null
): Promise<Map<string, Remembered>> {
  const bind = [vehicleId];
  const [rows, repaired] = await Promise.all([
    db.sequelize.query<Print>(
      `SELECT j.vehicle_id AS "vehicleId", r.fingerprint, r.summary->>'verdict' = 'none' AS good FROM runs r JOIN jobs j ON j.id = r.job_id
       WHERE r.active AND j.active AND r.fingerprint IS NOT NULL AND ($1::uuid IS NULL OR j.vehicle_id = $1)
       ORDER BY r.imported_at`,
      { bind, type: QueryTypes.SELECT }
    ),
    db.sequelize.query<{ vehicleId: string; at: string | null }>(
      `SELECT vehicle_id AS "vehicleId", max(ending->>'repairedAt') AS at FROM jobs
       WHERE active AND ($1::uuid IS NULL OR vehicle_id = $1) GROUP BY vehicle_id`,
      { bind, type: QueryTypes.SELECT }
    )
  ]);
  const since = new Map(repaired.map((r) => [r.vehicleId, r.at]));
  const prints = new Map<string, Print[]>();
  for (const row of rows) {
    const known = prints.get(row.vehicleId);
    if (known) known.push(row);
    else prints.set(row.vehicleId, [row]);
  }
  return new Map(
    [...prints].map(([of, list]) => {
      const repairedAt = since.get(of) ?? null;
      const fingerprints = list.map((p) => p.fingerprint);
      const good = list.filter((p) => p.good && p.fingerprint.at > (repairedAt ?? ''));
      return [
        of,
        {
          vehicleId: of,
          fingerprints,
          good: good.map((p) => p.fingerprint),
          memory: memoryOf(fingerprints, repairedAt)
        }
      ];
    })
  );
}

/** A vehicle of the fleet with what is remembered of it. */
export interface FleetLine {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly memory: Memory | null;
  /** Regulating temperature on the road, run by run: what a line of the list shows. */
  readonly marks: readonly { readonly at: string; readonly celsius: number }[];
}

/** Writes down what vehicles are remembered by, of those whose runs or repairs changed. Returns how many were. */
export async function projectMemories(db: Database, most = Infinity): Promise<number> {
  const due = await db.sequelize.query<{ id: string }>(
    `UPDATE vehicles SET memory_due = false WHERE id IN
       (SELECT id FROM vehicles WHERE memory_due LIMIT $1 FOR UPDATE SKIP LOCKED) RETURNING id`,
    { bind: [Number.isFinite(most) ? most : null], type: QueryTypes.SELECT }
  );
  for (const { id } of due) {
    const known = (await memories(db, id)).get(id);
    await db.sequelize.query('UPDATE vehicles SET memory = $2, marks = $3, drifted = $4 WHERE id = $1', {
      bind: [
        id,
        JSON.stringify(known?.memory ?? null),
        JSON.stringify(marksOf(known?.fingerprints ?? [])),
        (known?.memory.warnings.length ?? 0) > 0
      ]
    });
  }
  return due.length;
}

const PAGE = 30;
/** So many vehicles that changed are summed up before the fleet is shown; where more did, it shows what they last said. */
const AT_ONCE = 100;

/** The fleet page by page: what has drifted first, then by fleet number. */
export async function fleetView(db: Database, wantedPage = 1) {
  await projectMemories(db, AT_ONCE);
  const [[{ count, drifted }]] = (await db.sequelize.query(
    'SELECT count(*)::int AS count, (count(*) FILTER (WHERE drifted))::int AS drifted FROM vehicles WHERE active'
  )) as [{ count: number; drifted: number }[], unknown];
  const { page, pages } = pageOf(count, PAGE, wantedPage);
  const fleet = await db.sequelize.query<FleetLine>(
    `SELECT id, fleet_no AS "fleetNo", name, memory, marks FROM vehicles WHERE active
     ORDER BY drifted DESC, fleet_no LIMIT $1 OFFSET $2`,
    { bind: [PAGE, (page - 1) * PAGE], type: QueryTypes.SELECT }
  );
  return { fleet, drifted, page, pages };
}

/** A vehicle of the fleet as a table shows it. Temperatures in °C; null where no run told. */
export interface FleetCells {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly runs: number;
  readonly opensC: number | null;
  readonly roadC: number | null;
  readonly fanOnC: number | null;
  /** The last three runs less those before, and the trait that moved. */
  readonly drift: { readonly byC: number; readonly withinC: number; readonly sure: boolean } | null;
}

/** Every vehicle with what its runs tell. */
export async function fleetCells(db: Database): Promise<FleetCells[]> {
  await projectMemories(db, AT_ONCE);
  const rows = await db.sequelize.query<Omit<FleetLine, 'marks'>>(
    'SELECT id, fleet_no AS "fleetNo", name, memory FROM vehicles WHERE active ORDER BY fleet_no',
    { type: QueryTypes.SELECT }
  );
  return rows.map(({ id, fleetNo, name, memory }) => {
    const typical = (trait: TraitId) => memory?.typical.find((t) => t.trait === trait)?.celsius ?? null;
    return {
      id,
      fleetNo,
      name,
      runs: memory?.runs ?? 0,
      opensC: typical('opening'),
      roadC: typical('regulates'),
      fanOnC: typical('fanOn'),
      drift: memory ? toldDrift(memory) : null
    };
  });
}

/** The trait that most runs tell, for a picture: on the road where there is any, else where it opens. */
function marksOf(fingerprints: readonly Fingerprint[]): FleetLine['marks'] {
  const of = (trait: 'regulates' | 'opening') =>
    fingerprints.flatMap(({ at, marks }) =>
      marks[trait] ? [{ at, celsius: Math.round(10 * marks[trait].celsius) / 10 }] : []
    );
  const road = of('regulates');
  return road.length >= 3 ? road : of('opening');
}
