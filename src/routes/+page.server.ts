import { database } from '$lib/server/database';
import { jobLines } from '$lib/server/views';

export const load = async () => ({ jobs: await jobLines(database()), now: new Date().toISOString() });
