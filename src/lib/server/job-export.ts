import { writeLog } from '../../core/formats/csv-export';
import { jobFile, type JobFile } from '../../core/formats/job-file';
import { shopCurves } from './curves';
import type { Database } from './database';
import { eventsOf } from './record';
import { samplesOf } from './runs';
import { heatByVehicle } from './vehicle-heat';

/** One job complete: record, sheet, judged checks, runs as CSV, photos. Null where there is no such job. */
export async function exportJob(db: Database, id: string): Promise<JobFile | null> {
  const job = await db.jobs.findOne({ where: { id, standing: true } });
  const vehicle = job && (await db.vehicles.findByPk(job.vehicleId));
  if (!job || !vehicle) return null;
  const sheet = vehicle.specSheetId ? await db.specSheets.findByPk(vehicle.specSheetId) : null;
  const runs = await db.runs.findAll({
    where: { jobId: id, standing: true },
    order: [['importedAt', 'ASC']]
  });
  const photos = await db.photos.findAll({ where: { jobId: id, standing: true } });
  const heat = await heatByVehicle(db, [vehicle.id]);
  return jobFile({
    exportedAt: new Date().toISOString(),
    number: job.number,
    vehicle: { id: vehicle.id, fleetNo: vehicle.fleetNo, name: vehicle.name, note: vehicle.note },
    sheet: sheet?.sheet ?? null,
    curves: await shopCurves(db),
    events: await eventsOf(db, `job:${id}`),
    facts: heat.get(vehicle.id) ?? [],
    runs: await Promise.all(
      runs.map(async (run) => ({
        id: run.id,
        fileName: run.fileName,
        importedAt: run.importedAt.toISOString(),
        csv: writeLog(await samplesOf(db, run))
      }))
    ),
    photos: photos.map(({ id: photoId, mime, caption, data }) => ({
      id: photoId,
      mime,
      caption,
      base64: Buffer.from(data).toString('base64')
    }))
  });
}
