import * as Comlink from 'comlink';
import type { Log } from '../../core/formats/channels';
import type { SpecSheet } from '../../core/formats/spec-sheet';
import type { Band } from '../../core/plant/band';
import { bandFor } from '../../core/run/analyse';
import { withAhead } from '../../core/run/live';

/** The expected band of a run in progress, in a thread of its own so that no click waits for it. */
export interface BandWorker {
  band(log: Log, sheet: SpecSheet, aheadS: number, draws: number): Band | null;
}

const api: BandWorker = {
  band: (log, sheet, aheadS, draws) =>
    bandFor(withAhead(log, aheadS), sheet, { draws, narrowed: true }) ?? null
};
Comlink.expose(api);
