import * as Comlink from 'comlink';
import type { Plan, Problem } from '../../core/schedule/problem';
import { solve } from '../../core/schedule/solve';

/** Plans the board in a thread of the page: what a move would do, and a longer search. */
export interface SearchWorker {
  /** A plan after so many tries. */
  plan(problem: Problem, tries: number): Plan;
  /** Searches on in steps; `progress` hears the share that is done, and ends it by saying no. */
  search(
    problem: Problem,
    tries: number,
    progress: (share: number) => Promise<boolean> | boolean
  ): Promise<Plan>;
}

/** Tries of one step: a page that says stop is heard after each. */
const STEP = 100;

const api: SearchWorker = {
  plan: (problem, tries) => solve(problem, { seed: 1, tries }).plan,
  async search(problem, tries, progress) {
    let best = solve(problem, { seed: 1, tries: STEP });
    for (let done = STEP; done < tries && (await progress(done / tries)); done += STEP) {
      // Each step begins where the best so far stands.
      const next = solve({ ...problem, previous: best.plan.assigned }, { seed: done, tries: STEP });
      if (next.score < best.score || best.plan.left.length > next.plan.left.length) best = next;
    }
    return best.plan;
  }
};
Comlink.expose(api);
