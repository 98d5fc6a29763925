import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '../db/database';
import { vehicleLines } from './lists';

/** The vehicle of a route, or a 404 in words. */
export async function vehicleOr404(id: string) {
  const [vehicle] = z.uuid().safeParse(id).success ? await vehicleLines(database(), id) : [];
  if (!vehicle) error(404, 'There is no such vehicle');
  return vehicle;
}
