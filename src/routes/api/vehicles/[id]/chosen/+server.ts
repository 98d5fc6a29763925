import { error, json } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';
import { chosenVehicle } from '$lib/server/views/intake';

/** What a job needs to know of the vehicle it is opened on: its sheet, and what was done on it before. */
export async function GET({ params }) {
  const vehicle = await chosenVehicle(database(), params.id);
  if (!vehicle) error(404, 'There is no such vehicle');
  return json(vehicle);
}
