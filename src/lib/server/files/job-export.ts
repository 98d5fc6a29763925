import type { WhereOptions } from 'sequelize';
import { writeLog } from '../../../core/logs/csv-export';
import { jobFile, type JobFile, type PhotoFile } from '../../../core/handover/job-file';
import type { WorkshopFile } from '../../../core/handover/workshop-file';
import { streamOf } from '../../../core/record/events';
import { SHOP_ID } from '../../../core/record/shop';
import { deriveJob } from '../../../core/record/derive';
import type { CaseInput } from '../../../core/diagnosis/case';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import type { JobRow, RunRow } from '../db/models';
import { eventsOf } from '../record/events';
import { samplesOf } from '../runs/runs';

/**
 * One job complete: record, vehicle, everything its case rests on and says, runs as CSV, photos. Within a workshop the
 * photos of its vehicle lie beside it. Null where there is no such job.
 */
export async function exportJob(
  db: Database,
  id: string,
  within: 'alone' | 'workshop' = 'alone'
): Promise<JobFile | null> {
  const job = await db.jobs.findOne({ where: { id, active: true } });
  const vehicle = job && (await db.vehicles.findByPk(job.vehicleId));
  if (!job || !vehicle) return null;
  // Runs whose import was undone go along: undoing may itself be undone. A photo that was taken back does not.
  const runs = await db.runs.findAll({ where: { jobId: id }, order: [['importedAt', 'ASC']] });
  const exportedAt = new Date().toISOString();
  return jobFile({
    exportedAt,
    number: job.number,
    vehicle: {
      id: vehicle.id,
      fleetNo: vehicle.fleetNo,
      name: vehicle.name,
      note: vehicle.note,
      events: await eventsOf(db, streamOf('vehicle', vehicle.id))
    },
    known: withoutLive(await loadCase(db, job.id, exportedAt)),
    runs: await runsOf(db, runs),
    photos: await photosOf(db, [
      streamOf('job', id),
      ...(within === 'alone' ? [streamOf('vehicle', vehicle.id)] : [])
    ])
  });
}

async function photosOf(db: Database, stream: readonly string[]): Promise<JobFile['photos']> {
  const photos = await db.photos.findAll({ where: { stream: [...stream], active: true } });
  return photos.map(({ id, mime, caption, data }) => ({
    id,
    mime: mime as JobFile['photos'][number]['mime'],
    caption,
    base64: Buffer.from(data).toString('base64')
  }));
}

/** A run that is being recorded is none yet: it goes along with the first export after it has ended. */
function withoutLive(known: CaseInput): CaseInput {
  const live = deriveJob(known.events)?.live?.runId;
  const events = known.events.filter((e) => !('runId' in e.payload) || e.payload.runId !== live);
  return live === undefined ? known : { ...known, events };
}

/** The runs one after the other, so that a job of many holds neither the database nor the process from others. */
async function runsOf(db: Database, rows: readonly RunRow[]): Promise<JobFile['runs']> {
  const runs: JobFile['runs'] = [];
  for (const run of rows)
    runs.push({
      id: run.id,
      fileName: run.fileName,
      importedAt: run.importedAt.toISOString(),
      startedAt: run.startedAt,
      specSheetId: run.specSheetId,
      ...(run.marks.length > 0 ? { marks: run.marks } : {}),
      ...(run.report.instrument ? { readWith: run.report.instrument } : {}),
      csv: writeLog({ ...(await samplesOf(db, run)), events: [] }, { exact: true }),
      analysis: run.analysis,
      band: run.band
    });
  return runs;
}

/** A name for a job’s file that says whose it is. */
const jobFileName = (file: Pick<JobFile, 'number' | 'vehicle'>): string =>
  `${`${file.vehicle.fleetNo}-${file.number}`.replace(/[^\w.-]+/g, '-')}.job.json`;

/** The whole workshop file by file: its own first, then one for each job. Jobs come one at a time, to be written on. */
export async function* exportWorkshop(
  db: Database,
  where: WhereOptions<JobRow> = {}
): AsyncGenerator<{ readonly name: string; readonly json: unknown }> {
  const all = async (rows: readonly { id: string }[], kind: 'vehicle' | 'curve') =>
    Promise.all(rows.map((r) => eventsOf(db, streamOf(kind, r.id))));
  const jobs = await db.jobs.findAll({
    where: { ...where, active: true },
    attributes: ['id', 'number', 'vehicleId'],
    order: [['number', 'ASC']]
  });
  const vehicles = await db.vehicles.findAll({ order: [['fleetNo', 'ASC']] });
  const fleetNo = new Map(vehicles.map((v) => [v.id, v.fleetNo]));
  const nameOf = ({ number, vehicleId }: JobRow) =>
    `jobs/${jobFileName({ number, vehicle: { fleetNo: fleetNo.get(vehicleId)! } as JobFile['vehicle'] })}`;
  const shop: WorkshopFile = {
    format: 'pyrethos.workshop',
    version: 1,
    exportedAt: new Date().toISOString(),
    vehicles: await all(vehicles, 'vehicle'),
    curves: await all(await db.curves.findAll({ attributes: ['id'] }), 'curve'),
    shop: await eventsOf(db, streamOf('shop', SHOP_ID)),
    jobs: jobs.map(nameOf)
  };
  yield { name: 'workshop.json', json: shop };
  for (const vehicle of vehicles)
    for (const photo of await photosOf(db, [streamOf('vehicle', vehicle.id)]))
      yield {
        name: `photos/${photo.id}.photo.json`,
        json: { format: 'pyrethos.photo', version: 1, ...photo } satisfies PhotoFile
      };
  for (const job of jobs) yield { name: nameOf(job), json: await exportJob(db, job.id, 'workshop') };
}
