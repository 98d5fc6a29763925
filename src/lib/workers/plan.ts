import type { Plan, Problem } from '../../core/schedule/problem';
import { solve } from '../../core/schedule/solve';

/** Plans the board in a worker thread, so that no request waits for it. */
export default function plan(task: { readonly problem: Problem; readonly tries: number }): Plan {
  return solve(task.problem, { seed: 1, tries: task.tries }).plan;
}
