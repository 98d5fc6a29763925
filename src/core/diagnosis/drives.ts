import { FAULTS } from '../faults/registry';
import { limitsOf, fanStages } from '../vehicle/limits';
import type { FaultId } from '../vehicle/faults';
import type { Case } from './case';

/** Suspects less likely than this are no reason to drive. */
const WORTH_A_DRIVE = 0.03;
const MOST = 8;

/** A drive with a logger, and the suspects it would show or clear. */
interface Drive {
  /** What to do, as an order. */
  readonly text: string;
  readonly shows: readonly { readonly fault: FaultId; readonly probability: number }[];
  /** The log that already was such a drive; null where none was. */
  readonly doneBy: string | null;
}

/** What a vehicle leaves with that cannot be caught here. */
export interface Drives {
  readonly drives: readonly Drive[];
  /** Suspects that no log of the coolant can show, however it is driven: they are checked here. */
  readonly unseen: readonly FaultId[];
}

/**
 * Which drives would show what is suspected: from what the runs of the job were blind to, or, without a run, what a log
 * of standing still would be. A suspect that one run could have shown needs no other drive.
 */
export function drivesOf({ opinion, runs, sheet }: Case): Drives {
  const limits = limitsOf(sheet);
  const suspects = opinion.now.suspects
    .filter((s) => s.fault !== 'none' && s.probability >= WORTH_A_DRIVE)
    .slice(0, MOST);
  const hottest = Math.max(0, ...runs.map((r) => r.features.maxC ?? 0));
  const shown = {
    maxC: hottest,
    startOpenC: limits.startOpenC.value,
    fanOnC: fanStages(sheet)[0]?.onC ?? null
  };
  const drives = new Map<string, Drive>();
  const unseen: FaultId[] = [];
  for (const suspect of suspects) {
    const { curve } = FAULTS[suspect.fault];
    if (curve.kind === 'unseen') {
      unseen.push(suspect.fault);
      continue;
    }
    const told = runs.find((r) => !r.blind.includes(suspect.fault));
    const text =
      curve.kind === 'warms'
        ? curve.blind(shown).toShow
        : 'Drive as on any day for half an hour, rough roads among it';
    const had = drives.get(text);
    drives.set(text, {
      text,
      shows: [...(had?.shows ?? []), suspect],
      doneBy: told && (!had || had.doneBy) ? told.fileName : null
    });
  }
  return { drives: [...drives.values()], unseen };
}
