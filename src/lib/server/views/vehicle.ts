import { error } from '@sveltejs/kit';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { database, type Database } from '../db/database';
import { vehicleLines } from './lists';

/** The vehicle of a route, or a 404 in words. */
export async function vehicleOr404(id: string) {
  const [vehicle] = z.uuid().safeParse(id).success ? await vehicleLines(database(), id) : [];
  if (!vehicle) error(404, 'There is no such vehicle');
  return vehicle;
}

const PHOTOS_SHOWN = 24;

/** A photo of a vehicle: of its own, with the entry that added it, or of one of its jobs. */
interface VehiclePhoto {
  readonly id: string;
  readonly caption: string;
  readonly job: number | null;
  readonly entry: string | null;
}

/** Its own photos, where its parts sit, then those of its jobs, the last first. */
export const vehiclePhotos = (db: Database, vehicleId: string) =>
  db.sequelize.query<VehiclePhoto>(
    `SELECT p.id, p.caption, j.number AS job,
       (SELECT e.id FROM events e WHERE e.stream = p.stream AND e.kind = 'photo.attached'
          AND e.payload->>'photoId' = p.id::text AND j.id IS NULL) AS entry
     FROM photos p LEFT JOIN jobs j ON p.stream = 'job:' || j.id
     WHERE p.active AND (p.stream = 'vehicle:' || $1 OR (j.vehicle_id = $1::uuid AND j.active))
     ORDER BY j.number DESC NULLS FIRST, p.id LIMIT ${PHOTOS_SHOWN}`,
    { bind: [vehicleId], type: QueryTypes.SELECT }
  );

/** The vehicles whose sheets another may begin with. */
export const vehiclesWithSheet = (db: Database) =>
  db.sequelize.query<{ id: string; title: string }>(
    `SELECT id, fleet_no || ' ' || name AS title FROM vehicles WHERE active AND spec_sheet_id IS NOT NULL ORDER BY fleet_no`,
    { type: QueryTypes.SELECT }
  );
