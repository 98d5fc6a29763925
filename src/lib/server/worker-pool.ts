import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import type { ResourceLimits } from 'node:worker_threads';
import { Piscina } from 'piscina';

const pools = new Set<Piscina>();

/** The threads of one built worker, started when they are first asked for; undefined where none has been built. */
export function workerPool(
  name: string,
  maxThreads: number,
  resourceLimits?: ResourceLimits
): () => Piscina | undefined {
  let pool: Piscina | undefined;
  return () => {
    if (pool) return pool;
    const filename = resolve(`dist/workers/${name}.js`);
    // Tests, and a dev server before a build, do the same work in their own thread.
    if (!existsSync(filename)) return undefined;
    pool = new Piscina({ filename, maxThreads, idleTimeout: 60_000, resourceLimits });
    pools.add(pool);
    return pool;
  };
}

/** Ends every thread: an idle one would keep a server that was told to stop for another minute. */
export async function closeWorkers(): Promise<void> {
  await Promise.all([...pools].map((pool) => pool.close()));
  pools.clear();
}
