import type { Schedule, Workload } from '../../core/schedule/workload';
import { solve } from '../../core/schedule/solve';

/** Plans the board in a worker thread, so that no request waits for it. */
export default function plan(task: { readonly workload: Workload; readonly tries: number }): Schedule {
  return solve(task.workload, { seed: 1, tries: task.tries }).plan;
}
