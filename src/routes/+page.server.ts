import { database } from '$lib/server/db/database';
import { countJobs, dueLines, jobLines, openLines } from '$lib/server/views/lists';

const CLOSED_SHOWN = 12;
const AHEAD_DAYS = 7;

export const load = async ({ depends }) => {
  depends('record:any');
  const db = database();
  const now = new Date();
  const by = new Date(now.getTime() + AHEAD_DAYS * 86_400_000).toISOString().slice(0, 10);
  const [open, closed, closedCount, due] = await Promise.all([
    openLines(db),
    jobLines(db, { state: 'closed', limit: CLOSED_SHOWN }),
    countJobs(db, { state: 'closed' }),
    dueLines(db, by)
  ]);
  return { open, closed, closedCount, due, now: now.toISOString() };
};
