import { database } from '$lib/server/db/database';
import { cardView } from '$lib/server/views/card';

export const load = ({ params, url }) =>
  cardView(database(), params.number, params.check, process.env.PYRETHOS_ADDRESS ?? url.origin);
