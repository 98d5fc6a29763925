import { Op } from 'sequelize';
import type { KnownFact } from '../../../core/physics/heat/facts';
import type { Database } from '../db/database';

/** Days after which what was known about an engine's heat says nothing about today. */
const REMEMBERED_DAYS = 400;

/** What all jobs of vehicles tell about their heat, by vehicle; `except` leaves one job out. */
export async function heatByVehicle(
  db: Database,
  vehicleIds: readonly string[],
  except: string | null = null
): Promise<Map<string, KnownFact[]>> {
  const rows = await db.jobs.findAll({
    where: {
      vehicleId: [...vehicleIds],
      active: true,
      lastAt: { [Op.gte]: new Date(Date.now() - REMEMBERED_DAYS * 86_400_000) },
      ...(except ? { id: { [Op.ne]: except } } : {})
    },
    attributes: ['vehicleId', 'facts'],
    raw: true
  });
  const heat = new Map<string, KnownFact[]>();
  for (const { vehicleId, facts } of rows) heat.set(vehicleId, [...(heat.get(vehicleId) ?? []), ...facts]);
  return heat;
}
