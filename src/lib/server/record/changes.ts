import { Client } from 'pg';
import { STANDING } from '../db/database';
import { log } from '../log';

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
  const mine = new Client({ connectionString: process.env.DATABASE_URL, ...STANDING });
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

/** Tells pages of this process alone, where the database cannot. */
export const tellHere = (notice: string): void => listeners.forEach((tell) => tell(notice));

const HEARTBEAT_MS = 25_000;

/**
 * A stream of server-sent events, until the page goes away. `heard` gets every notice of the database and may
 * write; `first` runs once the listener stands, so that nothing between reading and listening is missed.
 */
export function eventStream(
  heard: (notice: string, write: (data: string) => void) => void,
  first?: (write: (data: string) => void) => void
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let end = () => {};
  return new ReadableStream({
    start(controller) {
      let open = true;
      const send = (text: string) => {
        if (open) controller.enqueue(encoder.encode(text));
      };
      const write = (data: string) => send(`data: ${data}\n\n`);
      const tell: Listener = (notice) => heard(notice, write);
      const beat = setInterval(() => send(': still here\n\n'), HEARTBEAT_MS);
      const close = () => {
        end();
        controller.close();
      };
      end = () => {
        open = false;
        clearInterval(beat);
        listeners.delete(tell);
        closers.delete(close);
      };
      listeners.add(tell);
      closers.add(close);
      ensure();
      send('retry: 1500\n\n');
      first?.(write);
    },
    cancel: () => end()
  });
}

/** The name of each record stream that changes. */
export const changeStream = (): ReadableStream<Uint8Array> =>
  eventStream((notice, write) => {
    if (!notice.startsWith('live:')) write(notice);
  });

export const EVENT_STREAM = {
  'Content-Type': 'text/event-stream',
  'Cache-Control': 'no-store',
  'X-Accel-Buffering': 'no'
} as const;

// A server that is told to stop would otherwise wait for pages that never hang up.
process.once('SIGTERM', () => {
  closers.forEach((close) => close());
  void client?.end().catch(() => undefined);
});
