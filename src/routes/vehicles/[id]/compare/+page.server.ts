import { compareView } from '$lib/server/views/compare';
import { database } from '$lib/server/db/database';
import { vehicleOr404 } from '$lib/server/views/vehicle';

export const load = async ({ params, url }) => {
  const vehicle = await vehicleOr404(params.id);
  return {
    vehicle,
    ...(await compareView(database(), vehicle.id, url.searchParams.get('a'), url.searchParams.get('b')))
  };
};
