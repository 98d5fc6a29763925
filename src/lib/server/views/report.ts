import { deriveJob } from '../../../core/record/derive';
import { proofOf } from '../../../core/diagnosis/proof';
import { beliefOf } from '../../../core/diagnosis/opinion';
import { reportOf, type Report } from '../../../core/handover/report/report';
import { thin } from '../../../core/runs/thin';
import { verdictTitle } from '../../../core/runs/words';
import type { Database } from '../db/database';
import { jobOr404 } from './job';
import { jobKnown, proofRun } from '../record/project';
import { eventsOf } from '../record/record';
import { samplesOf } from '../runs/runs';
import { shopCauses } from '../record/shop';

const POINTS = 400;

/** A job's report from its record as it stands. A 404 in words where there is no such job. */
export async function reportView(db: Database, number: string, zone: string): Promise<Report> {
  const row = await jobOr404(db, number);
  const state = deriveJob(await eventsOf(db, `job:${row.id}`))!;
  const [vehicle, known, rows, causes] = await Promise.all([
    db.vehicles.findByPk(row.vehicleId, { rejectOnEmpty: true }),
    jobKnown(db, row.id, state),
    db.runs.findAll({ where: { jobId: row.id, standing: true }, order: [['importedAt', 'ASC']] }),
    shopCauses(db, row.id)
  ]);
  const { sheet, judged } = known;
  const runs = await Promise.all(
    rows.map(async (r) => {
      const { t, channels } = thin(await samplesOf(db, r), POINTS);
      return {
        ...proofRun(r),
        fileName: r.fileName,
        analysis: r.analysis,
        suspects: r.analysis.suspects,
        blind: r.analysis.couldNotShow.map((b) => b.fault),
        title: verdictTitle(r.analysis),
        curve: { t, ect: channels.ect_c ?? [] },
        band: r.band
      };
    })
  );
  const last = state.repairs.at(-1);
  const opinion = beliefOf({
    sheet,
    symptoms: state.intake.symptoms,
    done: last ? judged.filter((d) => d.at <= last.at) : judged,
    runs: last ? runs.filter((r) => r.at <= last.at) : runs,
    own: state.own,
    causes,
    state: { phase: 'unknown' }
  });
  const date = (iso: string) =>
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      day: 'numeric',
      month: 'short',
      year: 'numeric'
    }).format(new Date(iso));
  return reportOf({
    number: row.number,
    vehicle: { fleetNo: vehicle.fleetNo, name: vehicle.name, note: vehicle.note },
    sheet,
    state,
    judged,
    runs,
    proof: last
      ? proofOf({ repairedAt: last.at, done: judged, runs, sheet, symptoms: state.intake.symptoms })
      : null,
    opinion,
    date
  });
}
