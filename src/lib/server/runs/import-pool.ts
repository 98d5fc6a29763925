import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import type { Result } from '../../../core/base/result';
import importRun, {
  judgeRun,
  type ImportedRun,
  type ImportTask,
  type Judged,
  type JudgeTask
} from '../../workers/import';

let pool: Piscina | undefined;

/** The worker threads; undefined where no worker has been built (tests, dev before a build). */
function threads(): Piscina | undefined {
  const file = resolve('dist/workers/import.js');
  if (!existsSync(file)) return undefined;
  return (pool ??= new Piscina({ filename: file, maxThreads: 2, idleTimeout: 60_000 }));
}

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

export async function closeImports(): Promise<void> {
  await pool?.close();
  pool = undefined;
}
