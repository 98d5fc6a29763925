import * as Comlink from 'comlink';
import type { Log } from '../../core/logs/channels';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { analyseSteps, type Analysis } from '../../core/runs/analyse';
import type { RankStep } from '../../core/runs/rank';

/** The model's ranking of a run, in a thread of its own. Whoever does not want it any more ends the thread. */
const worker = {
  rank(log: Log, sheet: SpecSheet, progress: (step: RankStep) => void): Analysis {
    const steps = analyseSteps(log, sheet);
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      progress(value);
    }
  }
};
export type RankingWorker = typeof worker;
Comlink.expose(worker);
