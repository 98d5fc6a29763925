import { error, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/database';

/** A job is known by its id before the database has numbered it. */
export async function load({ params }) {
  const job = z.uuid().safeParse(params.id).success ? await database().jobs.findByPk(params.id) : null;
  if (!job) error(404, 'There is no such job');
  redirect(303, `/jobs/${job.number}`);
}
