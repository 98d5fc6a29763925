import type { CoolingFit } from '../physics/coolant/cooling';
import type { FaultId } from '../vehicle/faults';
import type { Beside } from './beside';
import type { Analysis } from './analyse';
import type { Features } from './features';
import { verdictSentence, verdictTitle } from './words';

/** What a run tells about the engine's heat. Temperatures in °C. */
interface RunHeat {
  /** When the engine was last seen running, ISO 8601; null where the log is not dated. */
  readonly endedAt: string | null;
  readonly endC: number | null;
  readonly ambientC: number | null;
  /** What its sensor read at its start, and for how long it ran; not kept by earlier versions. */
  readonly ran?: { readonly startC: number | null; readonly minutes: number };
  /** Where the log went on after key-off: for how long, and what it told about the cooling. */
  readonly stood: {
    readonly hours: number;
    readonly stopC: number;
    readonly cooling: CoolingFit | null;
  } | null;
}

/**
 * A judged run as everything after it asks for it: evidence, proof, plan, report, lists. Made once, when the run is
 * judged; its samples, band and evidence stay with the run.
 */
export interface RunSummary {
  readonly id: string;
  readonly fileName: string;
  /** ISO 8601. */
  readonly importedAt: string;
  /** When it was made, or imported where nobody knows. ISO 8601. */
  readonly at: string;
  readonly verdict: Analysis['verdict'];
  /** The verdict as a headline, and the sentence under it. */
  readonly title: string;
  readonly sentence: string;
  readonly suspects: Analysis['suspects'];
  /** Faults that this run could not show, by its own drive and air. */
  readonly blind: readonly FaultId[];
  /** From which severity on it would have shown a fault. */
  readonly shownFrom: Analysis['shownFrom'];
  /** What other faults would have made of it beside the leading one; null where none leads. */
  readonly beside?: Beside | null;
  readonly features: Features;
  readonly heat: RunHeat;
}

/** A run that has been judged, with what only its log knows. */
export interface JudgedRun {
  readonly id: string;
  readonly fileName: string;
  /** ISO 8601. */
  readonly importedAt: string;
  /** Clock time of its first sample, where the logger told it. */
  readonly startedAt: string | null;
  readonly durationS: number;
  /** Its last coolant reading, °C. */
  readonly endC: number | null;
  readonly analysis: Analysis;
}

/** Sums a judged run up. A date after the import is a logger's clock that was never set, and counts as none. */
export function summaryOfRun(run: JudgedRun): RunSummary {
  const { id, fileName, importedAt, analysis } = run;
  const ended = run.startedAt === null ? NaN : Date.parse(run.startedAt) + run.durationS * 1000;
  const endedAt = ended <= Date.parse(importedAt) ? new Date(ended).toISOString() : null;
  const { startC, startMinusAmbientC, afterRun } = analysis.features;
  return {
    id,
    fileName,
    importedAt,
    at: endedAt ?? importedAt,
    verdict: analysis.verdict,
    title: verdictTitle(analysis),
    sentence: verdictSentence(analysis),
    suspects: analysis.suspects,
    blind: analysis.couldNotShow.map((b) => b.fault),
    shownFrom: analysis.shownFrom ?? {},
    beside: analysis.beside ?? null,
    features: analysis.features,
    heat: {
      endedAt,
      endC: run.endC,
      ambientC: startC !== null && startMinusAmbientC !== null ? startC - startMinusAmbientC : null,
      ran: { startC, minutes: (run.durationS - (afterRun?.loggedS ?? 0)) / 60 },
      stood: afterRun
        ? { hours: afterRun.loggedS / 3600, stopC: afterRun.stopC, cooling: afterRun.cooling }
        : null
    }
  };
}
