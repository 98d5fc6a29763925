import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { RunReport } from '$core/runs/run-report';
import type { Band } from '$core/physics/plant/band';
import type { Analysis } from '$core/runs/analyse';
import type { RankedRun } from '$core/diagnosis/findings';
import type { Thinned } from '$core/runs/thin';

export interface RunView {
  readonly id: string;
  readonly fileName: string;
  readonly startedAt: string | null;
  readonly importedAt: string;
  readonly durationS: number;
  readonly sampleCount: number;
  readonly marks: readonly { readonly t: number; readonly text: string }[];
  readonly report: RunReport;
  readonly importWarnings: readonly string[];
  readonly analysis: Analysis;
  readonly band: Band | null;
  readonly outdated: 'model' | 'sheet' | null;
  /** The sheet it was judged against. */
  readonly sheet: SpecSheet | null;
  readonly samples: Thinned;
}

export interface RunTab {
  readonly id: string;
  readonly fileName: string;
  readonly importedAt: string;
  readonly title: string;
  readonly verdict: Analysis['verdict'];
  readonly suspects: Analysis['suspects'];
  readonly blind: RankedRun['blind'];
}

export type Sheet = SpecSheet | null;
