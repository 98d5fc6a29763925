import type { Result } from '../../../core/base/result';
import importRun, {
  judgeRun,
  type ImportedRun,
  type ImportTask,
  type Judged,
  type JudgeTask
} from '../../workers/import';
import { workerPool } from '../worker-pool';

const threads = workerPool('import', 2);

/** Runs an import in a worker thread, or in this one where there is none. */
export async function importInWorker(task: ImportTask): Promise<Result<ImportedRun>> {
  const there = threads();
  return there ? there.run(task, { transferList: [task.bytes.buffer as ArrayBuffer] }) : importRun(task);
}

/** Judges a recorded run likewise. */
export async function judgeInWorker(task: JudgeTask): Promise<Judged> {
  const there = threads();
  return there ? there.run(task, { name: 'judgeRun' }) : judgeRun(task);
}
