import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '../db/database';
import type { RunRow } from '../db/models';

/** The run of a route, or a 404 in words. */
export async function runOr404(id: string): Promise<RunRow> {
  const run = z.uuid().safeParse(id).success ? await database().runs.findByPk(id) : null;
  if (!run) error(404, 'There is no such run');
  return run;
}
