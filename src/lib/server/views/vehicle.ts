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

/** The vehicles whose sheets another may begin with. */
export const vehiclesWithSheet = (db: Database) =>
  db.sequelize.query<{ id: string; title: string }>(
    `SELECT id, fleet_no || ' ' || name AS title FROM vehicles WHERE active AND spec_sheet_id IS NOT NULL ORDER BY fleet_no`,
    { type: QueryTypes.SELECT }
  );
