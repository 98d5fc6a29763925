import { QueryTypes, type Transaction } from 'sequelize';
import type { CaseInput } from '../../../core/diagnosis/case';
import type { CaseLine } from '../../../core/diagnosis/case-line';
import caseLine from '../../workers/case';
import type { Database } from '../db/database';
import { log } from '../log';
import { projectMemories } from '../runs/memory';
import { workerPool } from '../worker-pool';
import { loadCase } from './load-case';

/**
 * What lists show of a job is projected from its case, in a worker thread, when something it rests on has changed.
 * `line_due` counts what changed, `line_done` what was projected: a job whose two differ is due. Whichever server
 * process comes first does it; one that changed meanwhile stays due.
 */
const threads = workerPool('case', 1);

const lineInWorker = async (input: CaseInput): Promise<CaseLine | null> =>
  (await threads()?.run(input)) ?? caseLine(input);

/** Which jobs rest on something that changed. */
export type Resting =
  | { readonly job: string }
  /** Jobs of a vehicle; its closed ones too where the past itself was changed. */
  | { readonly vehicle: string; readonly closedToo: boolean }
  | { readonly everything: 'open' | 'all' };

/** Marks jobs whose lines are due. */
export async function linesDue(db: Database, which: Resting, transaction: Transaction): Promise<void> {
  const [where, bind] =
    'job' in which
      ? ['id = $1', [which.job]]
      : 'vehicle' in which
        ? [`vehicle_id = $1 AND ($2 OR state = 'open')`, [which.vehicle, which.closedToo]]
        : [`($1 OR state = 'open')`, [which.everything === 'all']];
  await db.sequelize.query(`UPDATE jobs SET line_due = line_due + 1 WHERE ${where}`, { bind, transaction });
  if ('vehicle' in which)
    await db.sequelize.query('UPDATE vehicles SET memory_due = true WHERE id = $1 AND NOT memory_due', {
      bind: [which.vehicle],
      transaction
    });
}

const BATCH = 40;

interface DueJob {
  readonly id: string;
  readonly due: string;
}

/**
 * Projects the lines that are due, of the jobs that are asked for or of all, the latest changed first; `most` bounds
 * how many. Returns how many were.
 */
export async function projectLines(
  db: Database,
  jobIds: readonly string[] | null = null,
  most = Infinity
): Promise<number> {
  let done = 0;
  while (done < most) {
    const rows = await db.sequelize.query<DueJob>(
      `SELECT id, line_due AS due FROM jobs
       WHERE line_due > line_done AND active AND ($1::uuid[] IS NULL OR id = ANY ($1)) ORDER BY last_at DESC LIMIT $2`,
      { bind: [jobIds, Math.min(BATCH, most - done)], type: QueryTypes.SELECT }
    );
    for (const row of rows) await projectLine(db, row);
    done += rows.length;
    if (rows.length < BATCH) break;
  }
  return done;
}

async function projectLine(db: Database, job: DueJob): Promise<void> {
  const line = await lineInWorker(await loadCase(db, job.id, new Date().toISOString()));
  await db.sequelize.query(
    `UPDATE jobs SET line_done = $2, leader = $3, results = $4, proof = $5, ending = $6, work = $7 WHERE id = $1 AND line_done < $2`,
    {
      bind: [
        job.id,
        job.due,
        JSON.stringify(line?.leader ?? null),
        JSON.stringify(line?.results ?? []),
        JSON.stringify(line?.proof ?? null),
        JSON.stringify(line?.ending ?? {}),
        JSON.stringify(line?.work ?? null)
      ]
    }
  );
}

const EVERY_MS = 1000;

/** Projects what is due while a server runs, and tells the pages that show lists. Returns how to stop. */
export function startProjecting(db: Database): () => Promise<void> {
  let stopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let round = Promise.resolve();
  const go = async () => {
    try {
      const n = (await projectLines(db, null, BATCH)) + (await projectMemories(db, BATCH));
      if (n > 0) await db.sequelize.query("SELECT pg_notify('pyrethos', 'lines')");
      if (!stopped) timer = setTimeout(next, n >= BATCH ? 0 : EVERY_MS);
    } catch (error) {
      log.warn({ error: (error as Error).message }, 'lines of jobs could not be projected');
      if (!stopped) timer = setTimeout(next, EVERY_MS);
    }
  };
  const next = () => void (round = go());
  next();
  return async () => {
    stopped = true;
    clearTimeout(timer);
    await round;
  };
}
