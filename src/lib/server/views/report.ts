import { writtenDate, type DateForm } from '../../../core/base/dates';
import { assembleCase } from '../../../core/diagnosis/case';
import { reportOf, type Report, type ReportCurve } from '../../../core/handover/report/report';
import { thin } from '../../../core/runs/thin';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import { samplesOf } from '../runs/runs';
import { jobOr404 } from './job';

const POINTS = 400;

/** A job's report from its record as it stands. A 404 in words where there is no such job. */
export async function reportView(
  db: Database,
  number: string,
  zone: string,
  dates: DateForm
): Promise<Report> {
  const { vehicle, ...row } = await jobOr404(db, number);
  const job = assembleCase(await loadCase(db, row.id, new Date().toISOString()))!;
  const drawn = [job.pair.before, job.pair.after].flatMap((r) => r ?? []);
  const curves = await Promise.all(drawn.map(async (r) => [r.id, await curveOf(db, r.id)] as const));
  return reportOf({
    number: row.number,
    vehicle,
    case: job,
    curves: Object.fromEntries(curves),
    date: (iso) => writtenDate(iso, zone, 'date', dates)
  });
}

/** The curve of a run as the picture draws it. Only what is drawn is loaded. */
async function curveOf(db: Database, id: string): Promise<ReportCurve> {
  const run = await db.runs.findByPk(id, {
    attributes: ['id', 'channels', 'marks', 'startedAt', 'band'],
    rejectOnEmpty: true
  });
  const { t, channels } = thin(await samplesOf(db, run), POINTS);
  return { curve: { t, ect: channels.ect_c ?? [] }, band: run.band };
}
