import { QueryTypes } from 'sequelize';
import { numbersOf, type ClosedJob, type DepotNumbers } from '../../../core/handover/numbers';
import { projectLines } from '../cases/lines';
import type { Database } from '../db/database';

export interface Period {
  /** YYYY-MM-DD, both counted. */
  readonly from: string;
  readonly to: string;
}

/** The depot's numbers of a period, and of the one of the same length before it. */
export async function numbersView(
  db: Database,
  period: Period
): Promise<{ readonly now: DepotNumbers; readonly before: DepotNumbers }> {
  const days = Math.round((Date.parse(period.to) - Date.parse(period.from)) / 86_400_000) + 1;
  const back = (date: string, n: number) =>
    new Date(Date.parse(date) - n * 86_400_000).toISOString().slice(0, 10);
  // A closed job counts as its case says: one that is due is projected first.
  await projectLines(db, await closedAndDue(db, period));
  const [now, before] = await Promise.all([
    closedIn(db, period),
    closedIn(db, { from: back(period.from, days), to: back(period.from, 1) })
  ]);
  return { now: numbersOf(now), before: numbersOf(before) };
}

async function closedAndDue(db: Database, { to }: Period): Promise<string[]> {
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT id FROM jobs WHERE active AND state = 'closed' AND line_due > line_done AND closed_at < $1::date + 1`,
    { bind: [to], type: QueryTypes.SELECT }
  );
  return rows.map((r) => r.id);
}

async function closedIn(db: Database, { from, to }: Period): Promise<ClosedJob[]> {
  const rows = await db.sequelize.query<
    Omit<ClosedJob, 'openedAt' | 'closedAt'> & { openedAt: Date; closedAt: Date }
  >(
    `SELECT opened_at AS "openedAt", closed_at AS "closedAt", outcome, cause, ending FROM jobs
     WHERE active AND state = 'closed' AND closed_at >= $1::date AND closed_at < $2::date + 1`,
    { bind: [from, to], type: QueryTypes.SELECT }
  );
  return rows.map((r) => ({ ...r, openedAt: r.openedAt.toISOString(), closedAt: r.closedAt.toISOString() }));
}
