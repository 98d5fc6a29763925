import { database } from '$lib/server/db/database';
import { drivesView } from '$lib/server/views/drives';

export const load = ({ params, url }) =>
  drivesView(database(), params.number, process.env.PYRETHOS_ADDRESS ?? url.origin);
