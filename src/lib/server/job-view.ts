import { error } from '@sveltejs/kit';
import { standing } from '../../core/record/derive';
import { thin } from '../../core/run/thin';
import { verdictTitle } from '../../core/run/words';
import type { Database } from './database';
import { eventsOf } from './record';
import { isOutdated, samplesOf } from './runs';

const FIRST_POINTS = 1500;

/** Everything the job page shows: the job, its runs, and the chosen one (the latest unless named) with its samples. */
export async function jobView(db: Database, number: string, wantedRun: string | null) {
  const job = /^\d{1,9}$/.test(number)
    ? await db.jobs.findOne({ where: { number: Number(number), standing: true } })
    : null;
  if (!job) error(404, `There is no job ${number.slice(0, 20)}`);
  const [vehicle, runs, events] = await Promise.all([
    db.vehicles.findByPk(job.vehicleId),
    db.runs.findAll({ where: { jobId: job.id, standing: true }, order: [['importedAt', 'ASC']] }),
    eventsOf(db, `job:${job.id}`)
  ]);
  if (!vehicle) error(404, 'The vehicle of this job does not exist any more');
  const run = wantedRun ? runs.find((r) => r.id === wantedRun) : runs.at(-1);
  if (wantedRun && !run) error(404, 'This run is not part of the job, or its import was undone');
  const stands = new Set(standing(events).map((e) => e.id));
  const sheet = await db.specSheets.findByPk(
    run?.specSheetId ?? vehicle.specSheetId ?? '00000000-0000-0000-0000-000000000000'
  );

  return {
    job: {
      id: job.id,
      number: job.number,
      complaint: job.complaint,
      state: job.state,
      outcome: job.outcome,
      openedAt: job.openedAt.toISOString()
    },
    vehicle: { id: vehicle.id, fleetNo: vehicle.fleetNo, name: vehicle.name, note: vehicle.note },
    sheet: sheet?.sheet ?? null,
    runs: runs.map((r) => ({
      id: r.id,
      fileName: r.fileName,
      importedAt: r.importedAt.toISOString(),
      title: verdictTitle(r.analysis),
      verdict: r.analysis.verdict
    })),
    run: run
      ? {
          id: run.id,
          fileName: run.fileName,
          startedAt: run.startedAt,
          importedAt: run.importedAt.toISOString(),
          durationS: run.durationS,
          sampleCount: run.sampleCount,
          marks: run.marks,
          report: run.report,
          importWarnings: run.importWarnings,
          analysis: run.analysis,
          band: run.band,
          outdated: await isOutdated(db, run),
          samples: thin(await samplesOf(db, run), FIRST_POINTS)
        }
      : null,
    history: events.map((e) => ({
      stands: stands.has(e.id),
      id: e.id,
      kind: e.kind,
      who: e.who,
      at: e.at,
      text: spoken(e)
    }))
  };
}

export type JobView = Awaited<ReturnType<typeof jobView>>;

function spoken(event: Awaited<ReturnType<typeof eventsOf>>[number]): string {
  switch (event.kind) {
    case 'job.opened':
      return `Opened: ${event.payload.complaint}`;
    case 'job.noted':
      return event.payload.text;
    case 'job.closed':
      return `Closed: ${event.payload.outcome}`;
    case 'run.imported':
      return `Imported ${event.payload.fileName}`;
    case 'undo':
      return 'Undid an entry';
    default:
      return event.kind;
  }
}
