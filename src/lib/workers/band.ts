import * as Comlink from 'comlink';
import type { Log } from '../../core/logs/channels';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import type { Band } from '../../core/physics/plant/band';
import type { Learned } from '../../core/physics/plant/priors';
import { bandSteps } from '../../core/runs/analyse';
import { withAhead } from '../../core/runs/live';

export interface BandTask {
  readonly log: Log;
  readonly sheet: SpecSheet;
  readonly knownGood: readonly Learned[];
  /** How far past the last sample the band goes on, s. */
  readonly aheadS: number;
  readonly draws: number;
}

/** The expected band of a run in progress, in a thread of its own so that no click waits for it. */
export interface BandWorker {
  /** Null where a later call took its place. `progress` hears the share that is done. */
  band(task: BandTask, progress: (share: number) => void): Promise<Band | null>;
}

/** Draws between two looks at whether the work is still wanted. */
const DRAWS_A_TURN = 25;
let latest = 0;

const api: BandWorker = {
  async band({ log, sheet, knownGood, aheadS, draws }, progress) {
    const mine = ++latest;
    const steps = bandSteps(withAhead(log, aheadS), sheet, { draws, knownGood, narrowed: true });
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      if (value % DRAWS_A_TURN > 0) continue;
      progress(value / draws);
      await new Promise((turn) => setTimeout(turn));
      if (mine !== latest) return null;
    }
  }
};
Comlink.expose(api);
