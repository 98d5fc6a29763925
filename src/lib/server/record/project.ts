import { runSummaries } from '../cases/load-case';
import type { Transaction } from 'sequelize';
import { checkOf } from '../../../core/checks/registry';
import { deriveCurve } from '../../../core/record/curve-derived';
import { fanWords } from '../../../core/vehicle/fan-words';
import { symptomText } from '../../../core/vehicle/symptoms';
import { deriveJob, deriveVehicle, type JobState } from '../../../core/record/derive';
import { activeEvents } from '../../../core/record/active';
import type { RecordEvent } from '../../../core/record/events';
import { factsOf } from '../../../core/diagnosis/judged';
import { complaintText, describeEvent } from '../../../core/record/describe-event';
import type { Database } from '../db/database';

/** Writes what a vehicle's events amount to into its row and its sheets. */
export async function projectVehicle(
  db: Database,
  id: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const state = deriveVehicle(events);
  if (!state) {
    await db.vehicles.update({ active: false }, { where: { id }, transaction });
    return;
  }
  await db.vehicles.upsert(
    {
      id,
      fleetNo: state.fleetNo,
      name: state.name,
      note: state.note,
      specSheetId: null,
      fan: '',
      demo: state.demo,
      active: true
    },
    { transaction }
  );
  for (const event of events) {
    if (event.kind === 'spec.saved')
      await db.specSheets.upsert(
        { id: event.id, vehicleId: id, sheet: event.payload.sheet },
        { transaction }
      );
  }
  await db.vehicles.update(
    { specSheetId: state.sheet?.eventId ?? null, fan: state.sheet ? fanWords(state.sheet.sheet) : '' },
    { where: { id }, transaction }
  );
  await projectPhotos(db, events, transaction);
}

/** Writes what the shop keeps as a curve of its own, or takes it away once it is undone. */
export async function projectCurve(
  db: Database,
  id: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const curve = deriveCurve(id, events);
  if (curve) await db.curves.upsert({ id, title: curve.title, kept: curve }, { transaction });
  else await db.curves.destroy({ where: { id }, transaction });
}

/** Writes what a job's events amount to into its row, and which of its runs and photos stand. */
export async function projectJob(
  db: Database,
  id: string,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const state = deriveJob(events);
  if (!state) {
    await db.jobs.update({ active: false }, { where: { id }, transaction });
    return;
  }
  const values = {
    vehicleId: state.vehicleId,
    complaint: complaintText(state.intake),
    state: state.state,
    outcome: state.outcome,
    cause: state.cause,
    closedAt: state.closedAt ? new Date(state.closedAt) : null,
    lookAgain: state.lookAgain,
    openedAt: new Date(state.openedAt),
    lastAt: new Date(state.lastAt),
    words: searchable(state, events),
    active: true
  };
  // The number is the database's to give, so a row begins without one.
  await db.sequelize.query(
    `INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at, words)
     SELECT $1, $2, '', 'open', now(), now(), '' WHERE NOT EXISTS (SELECT 1 FROM jobs WHERE id = $1)`,
    { bind: [id, state.vehicleId], transaction }
  );
  await db.jobs.update(values, { where: { id }, transaction });
  await db.runs.update({ active: false }, { where: { jobId: id }, transaction });
  await db.runs.update({ active: true }, { where: { jobId: id, id: [...state.runIds] }, transaction });
  await projectPhotos(db, events, transaction);
  await db.sequelize.query(
    'UPDATE recordings SET ended_at = now() WHERE job_id = $1 AND ended_at IS NULL AND run_id IS DISTINCT FROM $2',
    { bind: [id, state.live?.runId ?? null], transaction }
  );
  // The vehicle's other jobs rest on what this one tells of its heat.
  const facts = factsOf(state, await runSummaries(db, id, transaction));
  await db.jobs.update({ facts }, { where: { id }, transaction });
}

/** Which photos of a record stand. */
async function projectPhotos(
  db: Database,
  events: readonly RecordEvent[],
  transaction: Transaction
): Promise<void> {
  const { stream } = events[0];
  const id = activeEvents(events).flatMap((e) => (e.kind === 'photo.attached' ? e.payload.photoId : []));
  await db.photos.update({ active: false }, { where: { stream }, transaction });
  await db.photos.update({ active: true }, { where: { stream, id }, transaction });
}

function searchable(state: JobState, events: readonly RecordEvent[]): string {
  return [
    state.intake.complaint,
    ...state.intake.symptoms.map(symptomText),
    state.intake.changedBefore,
    ...state.checks.map((c) => checkOf(c.check).title),
    ...activeEvents(events)
      .filter((e) => e.kind === 'check.recorded' || e.kind === 'job.noted' || e.kind === 'photo.attached')
      .map((e) => describeEvent(e))
  ]
    .join('\n')
    .slice(0, 20_000);
}
