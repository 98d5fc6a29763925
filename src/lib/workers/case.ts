import { assembleCase, type CaseInput } from '../../core/diagnosis/case';
import { lineOf, type CaseLine } from '../../core/diagnosis/case-line';

/** What a list shows of a job, computed in a worker thread so that no request waits for it. Null where no job is. */
export default function caseLine(input: CaseInput): CaseLine | null {
  const job = assembleCase(input);
  return job && lineOf(job);
}
