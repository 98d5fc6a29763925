import { json } from '@sveltejs/kit';
import { QueryTypes } from 'sequelize';
import { database } from '$lib/server/db/database';

/** Who has made entries here lately, for the picker at the top of the window. */
export const GET = async () => {
  const rows = await database().sequelize.query<{ who: string }>(
    "SELECT who FROM (SELECT who, max(seq) AS last FROM events WHERE who NOT IN ('Demo', 'Unsigned') GROUP BY who) names ORDER BY last DESC LIMIT 20",
    { type: QueryTypes.SELECT }
  );
  return json(rows.map((r) => r.who));
};
