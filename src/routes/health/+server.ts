import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';
import { unsavedRuns } from '$lib/server/live/unsaved';

/** For whoever watches the process: answers 200 when the database does too, and keeps what is recorded. */
export async function GET() {
  try {
    await database().sequelize.query('SELECT 1');
    const waiting = unsavedRuns();
    return waiting === 0
      ? json({ status: 'ok' })
      : json({ status: 'samples are not saved', runs: waiting }, { status: 503 });
  } catch {
    return json({ status: 'no database' }, { status: 503 });
  }
}
