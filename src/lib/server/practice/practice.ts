import { QueryTypes, type Transaction } from 'sequelize';
import { bad, good, type Result } from '../../../core/base/result';
import { moveSchema, type Move } from '../../../core/practice/moves';
import { fieldProblems } from '../../../core/base/open-format';
import practise, { type PracticeAnswer, type PracticeTask } from '../../workers/practice';
import type { Database } from '../db/database';
import { workerPool } from '../worker-pool';
import type { Review } from '../../../simulation/practice/review';
import { caseNamed } from './cases';

const threads = workerPool('practice', 1);
const played = async (task: PracticeTask): Promise<PracticeAnswer> =>
  ((await threads()?.run(task)) as PracticeAnswer | undefined) ?? practise(task);

/** A practice is no longer than that. */
const MOST_MOVES = 200;

export interface PracticeRow {
  readonly id: string;
  readonly who: string;
  readonly caseId: string;
  readonly level: number;
  readonly begunAt: Date;
  readonly endedAt: Date | null;
  /** As it was told when it was over: what lists, certificate and page show is one figure. */
  readonly review: Review | null;
}

/** Begins a case for somebody; the same id again changes nothing. */
export async function beginPractice(
  db: Database,
  input: {
    readonly id: string;
    readonly who: string;
    readonly person: string | null;
    readonly caseId: string;
  }
): Promise<Result<{ id: string }>> {
  const of = caseNamed(input.caseId);
  if (!of) return bad({ field: 'caseId', message: 'there is no such case' });
  if (input.who.trim() === '')
    return bad({ field: 'who', message: 'say at the top of the window who you are' });
  await db.sequelize.query(
    `INSERT INTO practices (id, who, person_id, case_id, level) VALUES ($1, $2, $3, $4, $5) ON CONFLICT (id) DO NOTHING`,
    { bind: [input.id, input.who, input.person, of.id, of.level] }
  );
  return good({ id: input.id });
}

async function practiceRow(db: Database, id: string, transaction?: Transaction): Promise<PracticeRow | null> {
  const [row] = await db.sequelize.query<PracticeRow>(
    `SELECT id, who, case_id AS "caseId", level, begun_at AS "begunAt", ended_at AS "endedAt", review FROM practices WHERE id = $1
     ${transaction ? 'FOR UPDATE' : ''}`,
    { bind: [id], type: QueryTypes.SELECT, transaction }
  );
  return row ?? null;
}

const movesOf = async (db: Database, id: string, transaction?: Transaction): Promise<Move[]> =>
  (
    await db.sequelize.query<{ move: Move }>(
      'SELECT move FROM practice_moves WHERE practice_id = $1 ORDER BY seq',
      { bind: [id], type: QueryTypes.SELECT, transaction }
    )
  ).map((row) => row.move);

/** A practice as it stands; once it is over, with its review. Null where there is none. */
export async function practiceNow(db: Database, id: string) {
  const row = await practiceRow(db, id);
  const of = row && caseNamed(row.caseId);
  if (!of) return null;
  const answer = await played({ of, moves: await movesOf(db, id), reviewed: false });
  if (!answer.ok) throw new Error(`practice ${id} cannot be played: ${answer.message}`);
  const { endedAt, begunAt, ...rest } = row;
  return {
    ...rest,
    begunAt: begunAt.toISOString(),
    endedAt: endedAt?.toISOString() ?? null,
    view: answer.view
  };
}
export type PracticeNow = NonNullable<Awaited<ReturnType<typeof practiceNow>>>;

/**
 * Makes a move in somebody's practice. Refused where it is another's, over, or not possible now: nothing is kept then.
 * The same move id again changes nothing.
 */
export async function makeMove(
  db: Database,
  input: { readonly practice: string; readonly id: string; readonly who: string; readonly move: unknown }
): Promise<Result<{ over: boolean }>> {
  const read = moveSchema.safeParse(input.move);
  if (!read.success) return bad(...fieldProblems(read.error));
  return db.sequelize.transaction(async (transaction) => {
    const row = await practiceRow(db, input.practice, transaction);
    const of = row && caseNamed(row.caseId);
    if (!row || !of) return bad({ message: 'there is no such practice' });
    if (row.who !== input.who) return bad({ message: `this practice is ${row.who}’s` });
    const [known] = await db.sequelize.query<{ id: string }>('SELECT id FROM practice_moves WHERE id = $1', {
      bind: [input.id],
      type: QueryTypes.SELECT,
      transaction
    });
    if (known) return good({ over: row.endedAt !== null });
    const moves = [...(await movesOf(db, row.id, transaction)), read.data];
    if (moves.length > MOST_MOVES && read.data.kind !== 'finish')
      return bad({ message: 'this practice has gone on for long enough: finish it' });
    const answer = await played({ of, moves, reviewed: true });
    if (!answer.ok) return bad({ message: answer.message });
    await db.sequelize.query(
      'INSERT INTO practice_moves (practice_id, seq, id, move) VALUES ($1, $2, $3, $4)',
      {
        bind: [row.id, moves.length, input.id, JSON.stringify(read.data)],
        transaction
      }
    );
    if (answer.view.over)
      await db.sequelize.query('UPDATE practices SET ended_at = now(), review = $2 WHERE id = $1', {
        bind: [row.id, JSON.stringify(answer.review)],
        transaction
      });
    return good({ over: answer.view.over });
  });
}
