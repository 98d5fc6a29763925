import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Played } from './play';

/** Plays jobs of this world on every core, each share in a process of `worker` (run.ts, bundled). */
export const onEveryCore =
  (worker: string) =>
  async (how: 'advice' | 'book' | 'all', first: number, n: number): Promise<Played[]> => {
    const folder = mkdtempSync(join(tmpdir(), 'foreign-'));
    const shards = availableParallelism();
    const parts = await Promise.all(
      Array.from({ length: shards }, async (_, k) => {
        const file = join(folder, `${k}.json`);
        const at = (share: number) => first + Math.floor((n * share) / shards);
        await promisify(execFile)(
          process.execPath,
          [worker, how, String(at(k)), String(at(k + 1) - 1), file],
          {
            maxBuffer: 64 * 1024 * 1024
          }
        );
        return JSON.parse(readFileSync(file, 'utf8')) as Played[];
      })
    );
    return parts.flat();
  };
