import type { RunReport } from '../../core/runs/run-report';
import type { Instrument } from '../../core/measure/instruments';
import { findGaps } from '../../core/logs/csv-clock';
import { readCapture } from '../../core/logs/capture';
import { importLog, type ImportedLog, type ImportOptions } from '../../core/logs/csv-import';
import { asText, type Layout } from '../../core/logs/csv-sniff';
import type { Log } from '../../core/logs/channels';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import type { Band } from '../../core/physics/plant/band';
import type { Learned } from '../../core/physics/plant/priors';
import type { Problem, Result } from '../../core/base/result';
import { analyse, bandFor, type Analysis } from '../../core/runs/analyse';

export interface ImportTask {
  readonly bytes: Uint8Array;
  /** How the columns of a CSV were understood; null for a bus capture, which needs no understanding. */
  readonly layout: Layout | null;
  readonly options: ImportOptions;
  readonly sheet: SpecSheet;
  /** What the vehicle's known-good runs told of it. */
  readonly knownGood: readonly Learned[];
}

/** A run that is in the right form already: what the recorder kept. */
export interface JudgeTask {
  readonly log: Log;
  readonly sheet: SpecSheet;
  readonly knownGood: readonly Learned[];
  /** What a person read the coolant with; absent for a logger. */
  readonly readWith?: Instrument;
}

export interface Judged {
  readonly report: RunReport;
  readonly analysis: Analysis;
  readonly band: Band;
}

/** Judges samples as they are. */
export function judgeRun({ log, sheet, knownGood, readWith }: JudgeTask): Judged {
  return {
    report: {
      rows: log.t.length,
      brokenRows: 0,
      repeatedTimes: 0,
      backwardTimes: 0,
      blankCells: 0,
      gaps: findGaps(log.t),
      ...(readWith ? { instrument: readWith } : {})
    },
    analysis: analyse(log, sheet, readWith),
    band: bandFor(log, sheet, { knownGood })
  };
}

export interface ImportedRun {
  readonly log: Log;
  readonly report: RunReport;
  readonly warnings: readonly Problem[];
  readonly analysis: Analysis;
  readonly band: Band;
}

/** Parses, checks and judges one file. Runs in a worker thread, so that no other request waits for it. */
export default function importRun({
  bytes,
  layout,
  options,
  sheet,
  knownGood
}: ImportTask): Result<ImportedRun> {
  const imported = layout ? importCsv(bytes, layout, options) : readCapture(new TextDecoder().decode(bytes));
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
      band: bandFor(log, sheet, { knownGood })
    }
  };
}

function importCsv(bytes: Uint8Array, layout: Layout, options: ImportOptions): Result<ImportedLog> {
  const text = asText(bytes);
  return text.ok ? importLog(text.value, layout, options) : text;
}
