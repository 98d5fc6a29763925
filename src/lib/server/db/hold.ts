import { Client } from 'pg';
import { log } from '../log';
import { STANDING } from './database';

/** The lock that servers share and a restore takes alone: PostgreSQL lets it go with the connection. */
const HOLD = 7_309_002;
const RETRY_MS = 2000;

/**
 * Holds the database for as long as this process serves, so that no restore replaces it underneath. Throws where a
 * restore is going on. A connection that is lost, or not to be had yet, is made again. Returns what lets go.
 */
export async function holdDatabase(url: string): Promise<() => Promise<void>> {
  let client: Client | null = null;
  let stopped = false;

  async function take(): Promise<boolean> {
    const mine = new Client({ connectionString: url, application_name: 'pyrethos server', ...STANDING });
    mine.on('error', (error) => {
      log.warn({ error: error.message }, 'lost the connection that holds the database');
      if (client === mine) client = null;
      again();
    });
    await mine.connect();
    const { rows } = await mine.query<{ held: boolean }>('SELECT pg_try_advisory_lock_shared($1) AS held', [
      HOLD
    ]);
    if (rows[0].held && !stopped) client = mine;
    else await mine.end();
    return rows[0].held;
  }
  function again(): void {
    if (stopped) return;
    setTimeout(() => void take().then((held) => held || again(), again), RETRY_MS).unref();
  }

  // A database that is away is waited for; one that is being restored is none to serve.
  const held = await take().catch((error: Error) => {
    log.warn({ error: error.message }, 'cannot hold the database yet');
    again();
    return true;
  });
  if (!held) throw new Error('a restore is going on in this database; start again when it is done');
  return async () => {
    stopped = true;
    await client?.end().catch(() => undefined);
  };
}
