import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import { contentKey } from '../../../core/base/content-key';
import { bad, good, type Result } from '../../../core/base/result';
import { dayAfter, dayIn } from '../../../core/base/zone';
import type { Work } from '../../../core/diagnosis/work';
import type { Floor } from '../../../core/record/floor';
import { pinnedTasks, PLANNED_DAYS, taskId, workloadOf } from '../../../core/schedule/board';
import { minuteOf } from '../../../core/schedule/hours';
import { boundsOf } from '../../../core/schedule/bounds';
import { prepare } from '../../../core/schedule/decode';
import type { Schedule, Workload } from '../../../core/schedule/workload';
import { scoreOf } from '../../../core/schedule/score';
import { madeLate, toldOf, waitsOf, type Change, type JobTold } from '../../../core/schedule/told';
import { brokenRules } from '../../../core/schedule/verify';
import planInThread from '../../workers/plan';
import { projectLines } from '../cases/lines';
import type { Database } from '../db/database';
import { shopNow } from '../record/shop';
import { workerPool } from '../worker-pool';
import { shopZone } from '../zone';

const threads = workerPool('plan', 1);
const solved = async (workload: Workload, tries: number): Promise<Schedule> =>
  (await threads()?.run({ workload, tries })) ?? planInThread({ workload, tries });

/** Plans tried in the morning, and when something changed: the second must be there before anybody waits for it. */
const MORNING_TRIES = 600;
const ANEW_TRIES = 150;
/** Jobs whose lines are projected before the board is shown; more come with the next look. */
const AT_ONCE = 60;
/** Only one process plans at a time. */
const LOCK = 7_309_015;

interface JobOnBoard {
  readonly id: string;
  readonly number: number;
  readonly vehicleId: string;
  readonly fleetNo: string;
  readonly vehicleName: string;
  readonly complaint: string;
  /** ISO 8601. */
  readonly openedAt: string;
  readonly work: Work;
}

/** The plan that people know. */
interface Published {
  readonly schedule: Schedule;
  readonly told: readonly JobTold[];
  /** What the last change made late. */
  readonly changes: readonly Change[];
}

interface StoredPlan {
  readonly basis: string;
  readonly madeAt: string;
  readonly published: Published;
}

/** Jobs with something to do in the days that are planned. */
const jobsOnBoard = (db: Database, until: string) =>
  db.sequelize.query<JobOnBoard>(
    `SELECT j.id, j.number, v.id AS "vehicleId", v.fleet_no AS "fleetNo", v.name AS "vehicleName", j.complaint, j.opened_at AS "openedAt", j.work
     FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
     WHERE j.active AND v.active AND j.work IS NOT NULL AND jsonb_array_length(j.work->'tasks') > 0
       AND (j.state = 'open' OR j.look_again <= $1::date)
     ORDER BY j.number`,
    { bind: [until], type: QueryTypes.SELECT }
  );

async function storedPlan(db: Database, transaction?: Transaction): Promise<StoredPlan | null> {
  const [row] = await db.sequelize.query<StoredPlan>(
    'SELECT basis, made_at AS "madeAt", published FROM board',
    { type: QueryTypes.SELECT, transaction }
  );
  return row ?? null;
}

interface Known {
  readonly now: string;
  readonly zone: string;
  readonly floor: Floor;
  readonly jobs: readonly JobOnBoard[];
  /** What the plan rests on, in one word: another one where anything of it is another. */
  readonly basis: string;
}

async function known(db: Database, now: Date): Promise<Known> {
  await projectLines(db, null, AT_ONCE);
  const zone = shopZone();
  const today = dayIn(zone, now);
  const [{ floor }, jobs] = await Promise.all([
    shopNow(db),
    jobsOnBoard(db, dayAfter(today, PLANNED_DAYS - 1))
  ]);
  const basis = contentKey([zone, today, floor, jobs.map((j) => [j.number, j.work])]);
  return { now: now.toISOString(), zone, floor, jobs, basis };
}

/** Whether something that should be over is still to be done. */
const runsOver = ({ schedule }: Published, workload: Workload): boolean => {
  const open = new Set(workload.jobs.flatMap((j) => j.tasks.map((t) => t.id)));
  return schedule.assigned.some((a) => a.end <= workload.now && open.has(a.task));
};

/**
 * The board as it is planned now. Where what it rests on has changed, or something runs over its time, it is planned
 * anew at once, with as little change for people as can be.
 */
export async function boardNow(db: Database, now: Date) {
  const of = await known(db, now);
  const had = await storedPlan(db);
  const stands =
    had && had.basis === of.basis && !runsOver(had.published, workloadOf({ ...of, previous: [] }));
  const { published, madeAt } = stands ? had : await planAnew(db, of);
  // What is in progress is part of the workload as it stands now.
  const workload = workloadOf({ ...of, previous: published.schedule.assigned });
  return {
    now: of.now,
    zone: of.zone,
    floor: of.floor,
    basis: of.basis,
    madeAt: new Date(madeAt).toISOString(),
    jobs: of.jobs.map(({ work, ...job }) => ({
      ...job,
      promised: work.promised,
      past: (work.engine.past ?? []).map((p) => ({ ...p, at: minuteOf(p.at) }))
    })),
    pinned: pinnedTasks(of.jobs),
    // Whole, also of what is in hand.
    takes: Object.fromEntries(
      of.jobs.flatMap((j) => j.work.tasks.map((t) => [taskId(j.number, t.id), t.minutes] as const))
    ),
    workload,
    published,
    bounds: boundsSaid(workload),
    waits: waitsOf(workload, published.schedule)
  };
}
export type BoardView = Awaited<ReturnType<typeof boardNow>>;

const boundsSaid = (workload: Workload) => {
  const { lateMin, broken } = boundsOf(workload);
  return { lateMin, broken };
};

async function planAnew(db: Database, of: Known): Promise<StoredPlan> {
  return db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCK], transaction });
    // Another process may have planned the same meanwhile.
    const had = await storedPlan(db, transaction);
    const workload = workloadOf({ ...of, previous: had?.published.schedule.assigned ?? [] });
    if (had && had.basis === of.basis && !runsOver(had.published, workload)) return had;
    const plan = await solved(workload, had ? ANEW_TRIES : MORNING_TRIES);
    const told = toldOf(workload, plan, boundsOf(workload));
    const pinned = new Set(pinnedTasks(of.jobs));
    const changes = had ? madeLate(had.published.told, told) : [];
    return keepPlan(
      db,
      of.basis,
      of.now,
      { schedule: { ...plan, loose: plan.loose.filter((l) => pinned.has(l.task)) }, told, changes },
      transaction
    );
  });
}

async function keepPlan(
  db: Database,
  basis: string,
  madeAt: string,
  published: Published,
  transaction?: Transaction
): Promise<StoredPlan> {
  await db.sequelize.query(
    `INSERT INTO board (basis, made_at, published) VALUES ($1, $2, $3)
     ON CONFLICT (one) DO UPDATE SET basis = excluded.basis, made_at = excluded.made_at, published = excluded.published`,
    { bind: [basis, madeAt, JSON.stringify(published)], transaction }
  );
  await db.sequelize.query("SELECT pg_notify('pyrethos', 'board')", { transaction });
  return { basis, madeAt, published };
}

const minute = z.number().int().nonnegative();
const given = z.object({
  basis: z.string().max(200),
  assigned: z
    .array(
      z.object({
        task: z.string().max(200),
        job: z.number().int(),
        person: z.string().max(60),
        place: z.string().max(60).nullable(),
        start: minute,
        end: minute,
        warmUpMin: minute
      })
    )
    .max(5000),
  room: z
    .array(z.object({ job: z.number().int(), person: z.string().max(60), from: minute, to: minute }))
    .max(5000)
});

/** Keeps a plan that a page searched for longer, where no rule is broken and it is better than what people know. */
export async function takePlan(db: Database, body: unknown, now: Date): Promise<Result<{ kept: boolean }>> {
  const read = given.safeParse(body);
  if (!read.success)
    return bad(...read.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message })));
  const of = await known(db, now);
  if (read.data.basis !== of.basis) return bad({ message: 'The board has changed meanwhile: search again' });
  const had = await storedPlan(db);
  const workload = workloadOf({ ...of, previous: had?.published.schedule.assigned ?? [] });
  const ids = new Set(read.data.assigned.map((a) => a.task));
  const left = workload.jobs.flatMap((j) =>
    j.tasks.flatMap((t) => (ids.has(t.id) ? [] : [{ task: t.id, job: j.job, because: 'No hour was found' }]))
  );
  const plan: Schedule = {
    assigned: read.data.assigned,
    room: read.data.room,
    left,
    loose: had?.published.schedule.loose ?? []
  };
  const [broken] = brokenRules(workload, plan);
  if (broken) return bad({ message: `A rule of the floor is broken: ${broken}` });
  const prepared = prepare(workload);
  if (had && scoreOf(prepared, plan) >= scoreOf(prepared, had.published.schedule))
    return good({ kept: false });
  await keepPlan(db, of.basis, of.now, {
    schedule: plan,
    told: toldOf(workload, plan, boundsOf(workload)),
    changes: []
  });
  return good({ kept: true });
}
