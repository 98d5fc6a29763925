import { vehicleOr404 } from '$lib/server/views/vehicle';

export const load = async ({ params }) => ({ vehicle: await vehicleOr404(params.id) });
