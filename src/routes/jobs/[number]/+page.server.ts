import { database } from '$lib/server/database';
import { jobView } from '$lib/server/job-view';

export const load = ({ params, url }) => jobView(database(), params.number, url.searchParams.get('run'));
