import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import type { Result } from '../../core/result';
import importRun, { type ImportedRun, type ImportTask } from '../workers/import';

let pool: Piscina | undefined;

/** Runs an import in a worker thread; in this thread where no worker has been built (tests, dev before a build). */
export async function importInWorker(task: ImportTask): Promise<Result<ImportedRun>> {
  const file = resolve('dist/workers/import.js');
  if (!existsSync(file)) return importRun(task);
  pool ??= new Piscina({ filename: file, maxThreads: 2, idleTimeout: 60_000 });
  return pool.run(task, { transferList: [task.bytes.buffer as ArrayBuffer] });
}

export async function closeImports(): Promise<void> {
  await pool?.close();
  pool = undefined;
}
