import { vehicleOr404 } from '$lib/server/vehicle-view';

export const load = async ({ params }) => ({ vehicle: await vehicleOr404(params.id) });
