import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/database';
import { vehicleLines } from '$lib/server/views/lists';

/** The vehicle's spec sheet as a file. */
export async function GET({ params }) {
  const [vehicle] = z.uuid().safeParse(params.id).success ? await vehicleLines(database(), params.id) : [];
  if (!vehicle?.sheet) error(404, 'This vehicle has no spec sheet');
  return new Response(`${JSON.stringify(vehicle.sheet, null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="${vehicle.fleetNo.toLowerCase()}.spec.json"`
    }
  });
}
