import { database } from '$lib/server/db/database';
import { vehicleOr404, vehiclesWithSheet } from '$lib/server/views/vehicle';

export const load = async ({ params }) => {
  const [vehicle, others] = await Promise.all([vehicleOr404(params.id), vehiclesWithSheet(database())]);
  return { vehicle, others: others.filter((o) => o.id !== vehicle.id) };
};
