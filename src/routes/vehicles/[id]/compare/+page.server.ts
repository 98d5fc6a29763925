import { compareView } from '$lib/server/compare-view';
import { database } from '$lib/server/database';
import { vehicleOr404 } from '$lib/server/vehicle-view';

export const load = async ({ params, url }) => {
  const vehicle = await vehicleOr404(params.id);
  return {
    vehicle,
    ...(await compareView(database(), vehicle.id, url.searchParams.get('a'), url.searchParams.get('b')))
  };
};
