import { QueryTypes, type Transaction } from 'sequelize';
import { fingerprintOf } from '../../../core/handover/memory/fingerprint';
import { summaryOfRun } from '../../../core/runs/run-summary';
import { sparkOf } from '../../../core/runs/spark';
import type { Analysis } from '../../../core/runs/analyse';
import { limitsOf } from '../../../core/vehicle/limits';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import type { Database } from '../db/database';
import type { RunRow } from '../db/models';

interface Judged {
  readonly fileName: string;
  readonly importedAt: Date;
  readonly startedAt: string | null;
  readonly durationS: number;
  readonly preview: RunRow['preview'];
  readonly band: RunRow['band'];
  readonly sheet: SpecSheet;
  readonly analysis: Analysis;
}

/**
 * Sums a run up for whatever comes after it, and writes down what it tells of its vehicle. Called whenever it has
 * been judged.
 */
export async function sumUp(db: Database, id: string, transaction?: Transaction): Promise<void> {
  const [run] = await db.sequelize.query<Judged>(
    `SELECT r.file_name AS "fileName", r.imported_at AS "importedAt", r.started_at AS "startedAt", r.duration_s AS "durationS",
       r.preview, r.band, s.sheet, r.analysis
     FROM runs r JOIN spec_sheets s ON s.id = r.spec_sheet_id WHERE r.id = $1`,
    { bind: [id], type: QueryTypes.SELECT, transaction }
  );
  if (!run) return;
  const importedAt = run.importedAt.toISOString();
  const { verdict, jumps, features } = run.analysis;
  await db.runs.update(
    {
      summary: summaryOfRun({
        ...run,
        id,
        importedAt,
        endC: run.preview.ect.findLast((v) => v !== null) ?? null
      }),
      spark: sparkOf({ curve: run.preview, band: run.band }),
      fingerprint: fingerprintOf(
        { id, at: importedAt, verdict, jumps, features },
        limitsOf(run.sheet).startOpenC.value
      )
    },
    { where: { id }, transaction }
  );
}
