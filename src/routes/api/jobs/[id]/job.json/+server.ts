import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/database';
import { exportJob } from '$lib/server/files/job-export';

/** The job complete as a file: record, sheet, judged checks, runs, photos. */
export async function GET({ params }) {
  const file = z.uuid().safeParse(params.id).success ? await exportJob(database(), params.id) : null;
  if (!file) error(404, 'There is no such job');
  const name = `${file.vehicle.fleetNo}-${file.number}`.replace(/[^\w.-]+/g, '-');
  return json(file, {
    headers: { 'Content-Disposition': `attachment; filename="${name}.job.json"` }
  });
}
