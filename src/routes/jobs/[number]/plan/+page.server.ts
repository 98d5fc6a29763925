import { database } from '$lib/server/db/database';
import { planView } from '$lib/server/views/plan';

export const load = ({ params, url }) =>
  planView(database(), params.number, process.env.PYRETHOS_ADDRESS ?? url.origin);
