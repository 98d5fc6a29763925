import { QueryTypes } from 'sequelize';
import { newToken, tokenHash } from '../access/secrets';
import type { Database } from '../db/database';

/**
 * A new address for a calendar program that cannot sign in: the token that stands in it. The one this name had before
 * stops working. It ends by itself where the person who made it may no longer sign in.
 */
export async function newFeed(db: Database, who: string, person: string | null): Promise<string> {
  const token = newToken();
  await db.sequelize.query(
    `INSERT INTO calendar_feeds (who, token, person_id) VALUES ($1, $2, $3)
     ON CONFLICT (who) DO UPDATE SET token = excluded.token, person_id = excluded.person_id, made_at = now()`,
    { bind: [who, tokenHash(token), person] }
  );
  return token;
}

/** Ends the address of a name; whether there was one. */
export async function endFeed(db: Database, who: string): Promise<boolean> {
  const ended = await db.sequelize.query('DELETE FROM calendar_feeds WHERE who = $1 RETURNING who', {
    bind: [who],
    type: QueryTypes.SELECT
  });
  return ended.length > 0;
}

/** Whose tasks stand behind a token; null where it is none, or an old one. */
export async function feedOf(db: Database, token: string): Promise<string | null> {
  const [row] = await db.sequelize.query<{ who: string }>(
    `SELECT f.who FROM calendar_feeds f LEFT JOIN people p ON p.id = f.person_id
     WHERE f.token = $1 AND coalesce(p.active, true)`,
    { bind: [tokenHash(token)], type: QueryTypes.SELECT }
  );
  return row?.who ?? null;
}
