import { tellHere } from '../record/changes';

/** Runs whose samples wait in the memory of this process, because the database takes none: its disk is full, or it is away. */
const unsaved = new Set<string>();

export const isUnsaved = (runId: string): boolean => unsaved.has(runId);
export const unsavedRuns = (): number => unsaved.size;

/** Says whether samples of a run wait; pages that watch it here are told. */
export function setUnsaved(runId: string, waits: boolean): void {
  if (unsaved.has(runId) === waits) return;
  if (waits) unsaved.add(runId);
  else unsaved.delete(runId);
  tellHere(`live:${runId}`);
}
