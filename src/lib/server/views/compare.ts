import { thin } from '../../../core/runs/thin';
import { verdictTitle } from '../../../core/runs/words';
import type { Database } from '../db/database';
import type { RunRow } from '../db/models';
import { samplesOf } from '../runs/runs';

const POINTS = 1200;

/** Every run of a vehicle, the latest first, and the two that are compared: by default the last against the one before. */
export async function compareView(
  db: Database,
  vehicleId: string,
  wantA: string | null,
  wantB: string | null
) {
  const jobs = await db.jobs.findAll({ where: { vehicleId, active: true }, attributes: ['id', 'number'] });
  const runs = await db.runs.findAll({
    where: { jobId: jobs.map((j) => j.id), active: true },
    order: [['importedAt', 'DESC']]
  });
  const b = runs.find((r) => r.id === wantB) ?? runs[0];
  const a = runs.find((r) => r.id === wantA) ?? runs.find((r) => r.id !== b?.id) ?? b;
  return {
    runs: runs.map((r) => ({
      id: r.id,
      fileName: r.fileName,
      importedAt: r.importedAt.toISOString(),
      title: verdictTitle(r.analysis),
      job: jobs.find((j) => j.id === r.jobId)!.number
    })),
    a: a ? await side(db, a) : null,
    b: b ? await side(db, b) : null
  };
}

async function side(db: Database, run: RunRow) {
  const { t, channels } = thin(await samplesOf(db, run), POINTS);
  return {
    id: run.id,
    fileName: run.fileName,
    title: verdictTitle(run.analysis),
    durationS: run.durationS,
    features: run.analysis.features,
    t,
    ect: channels.ect_c ?? []
  };
}
