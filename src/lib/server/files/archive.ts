import { createHash } from 'node:crypto';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import { bad, type Result } from '../../../core/base/result';
import openFiles, { type Opened } from '../../workers/open-files';
import { workerPool } from '../worker-pool';

const LEVEL = 6;

/** Files as they come, zipped as they come, with a list of their check sums at the end: nothing is held whole. */
export function zipStream(
  files: AsyncIterable<{ readonly name: string; readonly json: unknown }>
): ReadableStream<Uint8Array> {
  return new ReadableStream({
    async start(controller) {
      const zip = new Zip((error, chunk, final) => {
        if (error) return controller.error(error);
        controller.enqueue(chunk);
        if (final) controller.close();
      });
      const sha256: Record<string, string> = {};
      const add = (name: string, json: unknown) => {
        const data = strToU8(JSON.stringify(json));
        sha256[name] = createHash('sha256').update(data).digest('hex');
        const entry = new ZipDeflate(name, { level: LEVEL });
        zip.add(entry);
        entry.push(data, true);
      };
      try {
        for await (const { name, json } of files) add(name, json);
        add('manifest.json', { format: 'pyrethos.manifest', version: 1, sha256: { ...sha256 } });
        zip.end();
      } catch (error) {
        controller.error(error);
      }
    }
  });
}

/** What unpacking and reading may take before it is given up. */
const MOST_MB = 1536;
const MOST_MS = 120_000;
const threads = workerPool('open-files', 1, { maxOldGenerationSizeMb: MOST_MB });

/** Opens what a browser sent in a thread of its own, which is ended where it takes too much memory or time. */
export async function openInWorker(bytes: Uint8Array): Promise<Result<Opened>> {
  const there = threads();
  if (!there) return openFiles(bytes);
  try {
    return await there.run(bytes, {
      transferList: [bytes.buffer as ArrayBuffer],
      signal: AbortSignal.timeout(MOST_MS)
    });
  } catch (error) {
    const { name, code } = error as { name?: string; code?: string };
    if (name === 'AbortError')
      return bad({ message: `takes longer to read than ${MOST_MS / 60_000} minutes; bring it in by parts` });
    if (code === 'ERR_WORKER_OUT_OF_MEMORY')
      return bad({ message: `takes more memory to read than ${MOST_MB} MB; bring it in by parts` });
    throw error;
  }
}
