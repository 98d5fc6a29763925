import { error, redirect } from '@sveltejs/kit';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { assembleCase } from '../../../core/diagnosis/case';
import { lookedAhead } from '../../../core/diagnosis/opinion';
import { MODEL_VERSION } from '../../../core/runs/analyse';
import { thin } from '../../../core/runs/thin';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import type { RunRow } from '../db/models';
import { samplesOf } from '../runs/runs';

const FIRST_POINTS = 1500;

/** A job as its row tells it, and its vehicle. */
interface Found {
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
  readonly state: 'open' | 'closed';
  readonly vehicle: {
    readonly id: string;
    readonly fleetNo: string;
    readonly name: string;
    readonly note: string;
    readonly demo: boolean;
  };
  readonly hasSheet: boolean;
}

const FOUND = `
  SELECT j.id, j.number, j.complaint, j.state, v.spec_sheet_id IS NOT NULL AS "hasSheet",
    json_build_object('id', v.id, 'fleetNo', v.fleet_no, 'name', v.name, 'note', v.note, 'demo', v.demo) AS vehicle
  FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id WHERE j.number = $1 AND j.active`;

/** The job of a number in an address, unless it was undone, or a 404 in words. */
export async function jobOr404(db: Database, number: string): Promise<Found> {
  const [found] = /^\d{1,9}$/.test(number)
    ? await db.sequelize.query<Found>(FOUND, { bind: [Number(number)], type: QueryTypes.SELECT })
    : [];
  if (!found) error(404, `There is no job ${number.slice(0, 20)}`);
  return found;
}

/**
 * A job with everything it rests on. The page makes the case of it itself, by the same function as everything else,
 * so that entries still waiting to be sent count too.
 */
const jobOf = async (db: Database, { id, number, vehicle }: Found) => ({
  job: { id, number },
  vehicle,
  known: await loadCase(db, id, new Date().toISOString())
});

/** What the job page needs: the job, and the chosen run with its samples, or the latest. */
export async function jobView(db: Database, number: string, wantedRun: string | null) {
  const job = await jobOr404(db, number);
  const [of, run] = await Promise.all([jobOf(db, job), shownRun(db, job.id, wantedRun)]);
  const shown = assembleCase(of.known);
  // A slow phone takes over what was looked ahead to, and computes anew as soon as anything is entered.
  const view = { ...of, ahead: shown && lookedAhead(shown.opinion) };
  if (run || !wantedRun) return { ...view, run };
  // A page that shows a run while its import is undone goes on without it.
  if (isId(wantedRun) && (await db.runs.count({ where: { id: wantedRun, jobId: job.id } })))
    redirect(303, `/jobs/${job.number}`);
  error(404, 'This run is not part of the job');
}

const isId = (text: string) => z.uuid().safeParse(text).success;

/** A run with the sheet it was judged against, and whether that is still the vehicle's. */
type ShownRun = RunRow & { readonly sheet: SpecSheet; readonly ofOlderSheet: boolean };

const RUN = `
  SELECT r.id, r.file_name AS "fileName", r.started_at AS "startedAt", r.imported_at AS "importedAt",
    r.duration_s AS "durationS", r.sample_count AS "sampleCount", r.channels, r.marks, r.report,
    r.import_warnings AS "importWarnings", r.analysis, r.band, s.sheet,
    v.spec_sheet_id IS DISTINCT FROM r.spec_sheet_id AS "ofOlderSheet"
  FROM runs r JOIN spec_sheets s ON s.id = r.spec_sheet_id JOIN jobs j ON j.id = r.job_id
  JOIN vehicles v ON v.id = j.vehicle_id
  WHERE r.job_id = $1 AND r.active AND ($2::uuid IS NULL OR r.id = $2) ORDER BY r.imported_at DESC, r.id DESC LIMIT 1`;

async function shownRun(db: Database, jobId: string, wanted: string | null) {
  if (wanted && !isId(wanted)) return null;
  const [run] = await db.sequelize.query<ShownRun>(RUN, { bind: [jobId, wanted], type: QueryTypes.SELECT });
  if (!run) return null;
  const { importedAt, channels, ofOlderSheet, ...shown } = run;
  return {
    ...shown,
    importedAt: importedAt.toISOString(),
    /** Judged by an older model, or against a sheet that is no longer the vehicle's. */
    outdated: ofOlderSheet
      ? ('sheet' as const)
      : run.analysis.modelVersion === MODEL_VERSION
        ? null
        : ('model' as const),
    samples: thin(await samplesOf(db, run), FIRST_POINTS)
  };
}

/** What the closing page needs: the job, and the curves of the two runs that are held side by side. */
export async function finishView(db: Database, number: string) {
  const view = await jobOf(db, await jobOr404(db, number));
  const pair = assembleCase(view.known)?.pair;
  const [before, after] = [pair?.before?.id, pair?.after?.id];
  const rows = await db.sequelize.query<Pick<RunRow, 'id' | 'preview' | 'band'>>(
    'SELECT id, preview, band FROM runs WHERE id = ANY ($1::uuid[])',
    { bind: [[before, after].flatMap((id) => id ?? [])], type: QueryTypes.SELECT }
  );
  const curve = (id: string | undefined) => {
    const run = rows.find((r) => r.id === id);
    return run ? { id: run.id, ...run.preview, band: run.band } : null;
  };
  return { ...view, curves: [curve(before), curve(after)] };
}
