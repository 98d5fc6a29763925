import { QueryTypes } from 'sequelize';
import { LEVEL_IDS, LEVELS, type Level } from '../../../core/practice/case';
import { atLeast } from '../../../core/record/roles';
import { saidBy } from '../access/actor';
import { checkOf } from '../../../core/checks/registry';
import { choicesBy, levelOf, nextOf, weakest, type Past } from '../../../core/practice/progress';
import type { Review } from '../../../simulation/practice/review';
import { FAULTS } from '../../../core/faults/registry';
import type { Database } from '../db/database';
import { caseNamed, HIGHEST_NUMBER, writtenCases } from './cases';

interface Row {
  readonly id: string;
  readonly who: string;
  readonly caseId: string;
  readonly level: Level;
  readonly begunAt: Date;
  readonly endedAt: Date | null;
  readonly review: Review | null;
}

const FEW = 400;

const rowsOf = (db: Database, who: string) =>
  db.sequelize.query<Row>(
    `SELECT id, who, case_id AS "caseId", level, begun_at AS "begunAt", ended_at AS "endedAt", review
     FROM practices WHERE who = $1 ORDER BY begun_at DESC LIMIT $2`,
    { bind: [who, FEW], type: QueryTypes.SELECT }
  );

const pastOf = (rows: readonly Row[]): Past[] =>
  rows.flatMap(({ caseId, level, endedAt, review }) =>
    endedAt && review
      ? [
          {
            caseId,
            level,
            endedAt: endedAt.toISOString(),
            points: review.points,
            hurt: review.hurt !== null,
            truth: review.truth.map((t) => t.fault),
            checks: review.steps.flatMap((s) =>
              s.check && s.bits !== null ? [{ check: s.check, bits: s.bits, best: s.best?.bits ?? 0 }] : []
            )
          }
        ]
      : []
  );

/** Everybody who has practised, for a lead. */
const practised = async (db: Database): Promise<string[]> =>
  (
    await db.sequelize.query<{ who: string }>('SELECT DISTINCT who FROM practices ORDER BY who LIMIT 200', {
      type: QueryTypes.SELECT
    })
  ).map((row) => row.who);

/** Whose practice somebody looks at: their own, or that of another whom a lead asks for. */
export async function whosePractice(db: Database, locals: App.Locals, asked: string | null) {
  const me = saidBy(locals, undefined);
  const people = !locals.session || atLeast(locals.session.role, 'lead') ? await practised(db) : [];
  return { me, people, who: asked !== null && people.includes(asked) ? asked : me };
}

/** Where somebody stands: what is open, what is next, how it went, and the cases by level. */
export async function practiceHome(db: Database, who: string, now: Date) {
  const rows = who ? await rowsOf(db, who) : [];
  const past = pastOf(rows);
  const cases = writtenCases();
  const nextId = nextOf(cases, past, now.toISOString());
  const best = (id: string) => Math.max(-1, ...past.filter((p) => p.caseId === id).map((p) => p.points));
  const level = levelOf(past);
  return {
    who,
    level,
    highest: HIGHEST_NUMBER,
    next: nextId ? { id: nextId, title: caseNamed(nextId)!.title } : null,
    open: rows.filter((r) => !r.endedAt).map((r) => ({ id: r.id, title: titleOf(r.caseId), level: r.level })),
    levels: LEVEL_IDS.map((l) => ({
      level: l,
      title: LEVELS[l],
      cases: cases
        .filter((c) => c.level === l)
        .map((c) => ({ id: c.id, title: c.title, vehicle: c.sheet.name, best: best(c.id) }))
    })),
    done: rows
      .filter((r) => r.review)
      .slice(0, 12)
      .map((r) => ({
        id: r.id,
        title: titleOf(r.caseId),
        points: r.review!.points,
        hurt: r.review!.hurt !== null
      })),
    weak: weakest(past)
      .slice(0, 6)
      .map((w) => ({ ...w, title: FAULTS[w.fault].title })),
    choices: choicesBy(past)
      .slice(0, 6)
      .map((c) => ({ ...c, title: checkOf(c.check).title }))
  };
}
export type PracticeHome = Awaited<ReturnType<typeof practiceHome>>;

const titleOf = (caseId: string): string => caseNamed(caseId)?.title ?? caseId;

/** How others fared in the same case, the best first: for whoever has finished it. */
export const othersIn = async (db: Database, caseId: string, except: string) =>
  (
    await db.sequelize.query<{ who: string; review: Review }>(
      `SELECT DISTINCT ON (who) who, review FROM practices
       WHERE case_id = $1 AND who <> $2 AND review IS NOT NULL ORDER BY who, ended_at DESC LIMIT 20`,
      { bind: [caseId, except], type: QueryTypes.SELECT }
    )
  )
    .map(({ who, review }) => ({
      who,
      points: review.points,
      money: review.own.money,
      hurt: review.hurt !== null
    }))
    .toSorted((a, b) => b.points - a.points);
