import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/database';

/** For whoever watches the process: answers 200 when the database does too. */
export async function GET() {
  try {
    await database().sequelize.query('SELECT 1');
    return json({ status: 'ok' });
  } catch {
    return json({ status: 'no database' }, { status: 503 });
  }
}
