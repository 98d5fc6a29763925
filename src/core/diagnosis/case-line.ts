import type { CheckResult } from '../checks/check';
import type { CheckId } from '../checks/registry';
import type { FaultId } from '../vehicle/faults';
import type { Case } from './case';
import type { Ending } from './ending';
import { counting } from './judged';
import { workOf, type Work } from './work';

/** What a list shows of a case. It is projected once, when something changes, and kept beside the job. */
export interface CaseLine {
  /** The suspect that leads, as every page of the job shows it; null where nothing is known yet. */
  readonly leader: { readonly fault: FaultId; readonly probability: number } | null;
  /** The last result of each check that was entered. */
  readonly results: readonly { readonly check: CheckId; readonly result: CheckResult }[];
  /** How much of the proof is there; null where nothing was repaired. */
  readonly proof: { readonly met: number; readonly needed: number; readonly proven: boolean } | null;
  readonly ending: Ending;
  /** What is to be done on it: the board plans by this. */
  readonly work: Work;
}

export function lineOf(job: Case): CaseLine {
  const { entered } = job;
  const needed = job.proof?.items.filter((i) => i.needed) ?? [];
  return {
    leader: job.suspected ? { ...job.opinion.now.suspects[0] } : null,
    results: [...new Set(entered.map((c) => c.check))].map((check) => ({
      check,
      result: counting(entered, check)!.outcome.result
    })),
    proof: job.proof && {
      met: needed.filter((i) => i.met).length,
      needed: needed.length,
      proven: job.proof.proven
    },
    ending: job.ending,
    work: workOf(job)
  };
}
