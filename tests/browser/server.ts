import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { startBench, type Bench } from '../../src/simulation/adapter/bench';
import { demoDatabase, type TestDatabase } from '../../src/lib/server/db/test-database';
import type { Database } from '../../src/lib/server/db/database';

export interface TestServer {
  readonly address: string;
  readonly db: Database;
  /** Of its database. */
  readonly url: string;
  stop(): Promise<void>;
  /** Ends the process without a word, as a power cut does. */
  kill(): Promise<void>;
  readonly bench: Bench;
  /** Of the process, while it runs. */
  pid(): number | undefined;
  start(): Promise<void>;
  end(): Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** The built app on a port and a database of its own, that of the demo unless another is given; it can be stopped and started like the real one. */
export async function testServer(
  database?: TestDatabase,
  access: 'open' | 'signed' = 'open',
  settings: Readonly<Record<string, string>> = {}
): Promise<TestServer> {
  const { db, url, drop } = database ?? (await demoDatabase());
  const bench = await startBench({ port: 0 });
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  let process_: ChildProcess | undefined;

  async function start(): Promise<void> {
    if (process_) return;
    process_ = spawn('node', ['build/index.js'], {
      env: {
        ...process.env,
        DATABASE_URL: url,
        PYRETHOS_BENCH_PORT: String(bench.port),
        PYRETHOS_ACCESS: access,
        HOST: '127.0.0.1',
        PORT: String(port),
        ORIGIN: address,
        BODY_SIZE_LIMIT: '140M',
        PYRETHOS_LOG: 'warn',
        ...settings
      },
      stdio: 'inherit'
    });
    const deadline = Date.now() + 20_000;
    while (Date.now() < deadline) {
      const response = await fetch(`${address}/health`).catch(() => null);
      if (response?.ok) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the server did not come up');
  }

  const stop = () => quit('SIGTERM');
  async function quit(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    if (!process_) return;
    const gone = new Promise((resolve) => process_!.once('exit', resolve));
    process_.kill(signal);
    await gone;
    process_ = undefined;
  }

  await start();
  return {
    address,
    db,
    url,
    start,
    stop,
    kill: () => quit('SIGKILL'),
    bench,
    pid: () => process_?.pid,
    async end() {
      await stop();
      await bench.close();
      await drop();
    }
  };
}
