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

/** Photos of a vehicle's jobs, those of the last job first: where its parts sit, and how they were found. */
export const vehiclePhotos = (db: Database, vehicleId: string) =>
  db.sequelize.query<{ id: string; caption: string; job: number }>(
    `SELECT p.id, p.caption, j.number AS job FROM photos p JOIN jobs j ON j.id = p.job_id
     WHERE j.vehicle_id = :vehicleId AND j.active AND p.active ORDER BY j.number DESC, p.id LIMIT ${PHOTOS_SHOWN}`,
    { replacements: { vehicleId }, type: QueryTypes.SELECT }
  );

/** The vehicles whose sheets another may begin with. */
export const vehiclesWithSheet = (db: Database) =>
  db.sequelize.query<{ id: string; title: string }>(
    `SELECT id, fleet_no || ' ' || name AS title FROM vehicles WHERE active AND spec_sheet_id IS NOT NULL ORDER BY fleet_no`,
    { type: QueryTypes.SELECT }
  );
