import { QueryTypes } from 'sequelize';
import { numbersOf, type ClosedJob, type DepotNumbers } from '../../../core/handover/numbers';
import { contentKey, Recent } from '../../../core/base/content-key';
import { openHours } from '../../../core/schedule/hours';
import { projectLines } from '../cases/lines';
import type { Database } from '../db/database';
import { shopNow } from '../record/shop';
import { shopZone } from '../zone';

export interface Period {
  /** YYYY-MM-DD, both counted. */
  readonly from: string;
  readonly to: string;
}

interface Numbers {
  readonly now: DepotNumbers;
  readonly before: DepotNumbers;
}

/** Counted once for a period: anew when one of its jobs was closed, opened or projected again. */
const COUNTED = new Recent<Numbers>(20);

/** The depot's numbers of a period, and of the one of the same length before it. */
export async function numbersView(db: Database, { from, to }: Period): Promise<Numbers> {
  const days = Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000) + 1;
  const first = new Date(Date.parse(from) - days * 86_400_000).toISOString().slice(0, 10);
  // A closed job counts as its case says: one that is due is projected first.
  const there = await closedJobs(db, { from: first, to });
  if (there.due.length > 0) await projectLines(db, there.due);
  const { key } = there.due.length > 0 ? await closedJobs(db, { from: first, to }) : there;
  const { floor } = await shopNow(db);
  const zone = shopZone();
  const counted = `${db.sequelize.config.database} ${from} ${to} ${key} ${zone} ${contentKey(floor.people)}`;
  const had = COUNTED.get(counted);
  if (had) return had;
  const closed = await closedIn(db, { from: first, to });
  const since = closed.reduce((first, j) => (j.openedAt < first ? j.openedAt : first), to).slice(0, 10);
  const open =
    floor.people.length > 0
      ? openHours(floor, zone, since, 2 + Math.round((Date.parse(to) - Date.parse(since)) / 86_400_000))
      : null;
  // Days as the database counts them: in UTC, as the period is.
  return COUNTED.put(counted, {
    now: numbersOf(
      closed.filter((j) => j.closedAt >= from),
      open
    ),
    before: numbersOf(
      closed.filter((j) => j.closedAt < from),
      open
    )
  });
}

const CLOSED = `active AND state = 'closed' AND closed_at >= $1::date AND closed_at < $2::date + 1`;

/** Which closed jobs are due, and a key that changes with each of them. */
async function closedJobs(db: Database, { from, to }: Period) {
  const [{ due, key }] = await db.sequelize.query<{ due: string[]; key: string }>(
    `SELECT coalesce(array_agg(id) FILTER (WHERE line_due > line_done), '{}') AS due,
       count(*) || ' ' || coalesce(sum(line_done), 0) AS key FROM jobs WHERE ${CLOSED}`,
    { bind: [from, to], type: QueryTypes.SELECT }
  );
  return { due, key };
}

async function closedIn(db: Database, { from, to }: Period): Promise<ClosedJob[]> {
  const rows = await db.sequelize.query<
    Omit<ClosedJob, 'openedAt' | 'closedAt'> & { openedAt: Date; closedAt: Date }
  >(
    `SELECT opened_at AS "openedAt", closed_at AS "closedAt", outcome, cause, ending FROM jobs WHERE ${CLOSED}`,
    { bind: [from, to], type: QueryTypes.SELECT }
  );
  return rows.map((r) => ({ ...r, openedAt: r.openedAt.toISOString(), closedAt: r.closedAt.toISOString() }));
}
