import { importLog, type ImportOptions, type ImportReport } from '../../core/formats/csv-import';
import { asText, type Layout } from '../../core/formats/csv-sniff';
import type { Log } from '../../core/formats/channels';
import type { SpecSheet } from '../../core/formats/spec-sheet';
import type { Band } from '../../core/plant/band';
import type { Problem, Result } from '../../core/result';
import { analyse, bandFor, type Analysis } from '../../core/run/analyse';

export interface ImportTask {
  readonly bytes: Uint8Array;
  readonly layout: Layout;
  readonly options: ImportOptions;
  readonly sheet: SpecSheet;
}

export interface ImportedRun {
  readonly log: Log;
  readonly report: ImportReport;
  readonly warnings: readonly Problem[];
  readonly analysis: Analysis;
  readonly band: Band | null;
}

/** Parses, checks and judges one file. Runs in a worker thread, so that no other request waits for it. */
export default function importRun({ bytes, layout, options, sheet }: ImportTask): Result<ImportedRun> {
  const text = asText(bytes);
  if (!text.ok) return text;
  const imported = importLog(text.value, layout, options);
  if (!imported.ok) return imported;
  const { log, report } = imported.value;
  return {
    ok: true,
    warnings: imported.warnings,
    value: {
      log,
      report,
      warnings: imported.warnings,
      analysis: analyse(log, sheet),
      band: bandFor(log, sheet) ?? null
    }
  };
}
