import { database } from '$lib/server/db/database';
import { pageAsked } from '$lib/server/paging';
import { vehiclesPage } from '$lib/server/views/lists';

export const load = ({ url }) =>
  vehiclesPage(database(), (url.searchParams.get('q') ?? '').slice(0, 200), pageAsked(url));
