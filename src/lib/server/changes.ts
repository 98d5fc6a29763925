import { Client } from 'pg';
import { log } from './log';

/**
 * Tells open pages which stream of the record changed, whichever server process took the entry: PostgreSQL
 * notifies, one connection a process listens.
 */
type Listener = (stream: string) => void;

const listeners = new Set<Listener>();
const closers = new Set<() => void>();
let client: Client | null = null;
const RETRY_MS = 2000;

async function listen(): Promise<void> {
  const mine = new Client({ connectionString: process.env.DATABASE_URL });
  client = mine;
  mine.on('notification', ({ payload }) => listeners.forEach((tell) => tell(payload ?? '')));
  mine.on('error', (error) => {
    log.warn({ error: error.message }, 'lost the connection that listens for changes');
    client = null;
    if (listeners.size > 0) setTimeout(ensure, RETRY_MS).unref();
  });
  await mine.connect();
  await mine.query('LISTEN pyrethos');
}

function ensure(): void {
  if (client) return;
  listen().catch((error: Error) => {
    client = null;
    log.warn({ error: error.message }, 'cannot listen for changes');
    if (listeners.size > 0) setTimeout(ensure, RETRY_MS).unref();
  });
}

const HEARTBEAT_MS = 25_000;

/** A stream of server-sent events: the name of each record stream that changes, until the page goes away. */
export function changeStream(): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let end = () => {};
  return new ReadableStream({
    start(controller) {
      const write = (text: string) => controller.enqueue(encoder.encode(text));
      const tell: Listener = (stream) => write(`data: ${stream}\n\n`);
      const beat = setInterval(() => write(': still here\n\n'), HEARTBEAT_MS);
      const close = () => {
        end();
        controller.close();
      };
      end = () => {
        clearInterval(beat);
        listeners.delete(tell);
        closers.delete(close);
      };
      listeners.add(tell);
      closers.add(close);
      ensure();
      write('retry: 1500\n\n');
    },
    cancel: () => end()
  });
}

// A server that is told to stop would otherwise wait for pages that never hang up.
process.once('SIGTERM', () => {
  closers.forEach((close) => close());
  void client?.end().catch(() => undefined);
});
