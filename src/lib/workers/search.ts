import * as Comlink from 'comlink';
import type { Schedule, Workload } from '../../core/schedule/workload';
import { solve } from '../../core/schedule/solve';

/** Plans the board in a thread of the page: what a move would do, and a longer search. */
export interface SearchWorker {
  /** A plan after so many tries. */
  plan(workload: Workload, tries: number): Schedule;
  /** Searches on in steps; `progress` hears the share that is done, and ends it by saying no. */
  search(
    workload: Workload,
    tries: number,
    progress: (share: number) => Promise<boolean> | boolean
  ): Promise<Schedule>;
}

/** Tries of one step: a page that says stop is heard after each. */
const STEP = 100;

const api: SearchWorker = {
  plan: (workload, tries) => solve(workload, { seed: 1, tries }).plan,
  async search(workload, tries, progress) {
    let best = solve(workload, { seed: 1, tries: STEP });
    for (let done = STEP; done < tries && (await progress(done / tries)); done += STEP) {
      // Each step begins where the best so far stands.
      const next = solve({ ...workload, previous: best.plan.assigned }, { seed: done, tries: STEP });
      if (next.score < best.score || best.plan.left.length > next.plan.left.length) best = next;
    }
    return best.plan;
  }
};
Comlink.expose(api);
