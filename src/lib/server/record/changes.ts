import { Client } from 'pg';
import { QueryTypes } from 'sequelize';
import { STANDING, type Database } from '../db/database';
import { log } from '../log';

/**
 * Tells open pages which stream of the record changed, whichever server process took the entry: PostgreSQL
 * notifies, one connection a process listens.
 */
type Listener = (stream: string) => void;

const listeners = new Set<Listener>();
const closers = new Set<() => void>();
let client: Client | null = null;
/** Settled once this process listens, or could not: it tries again then. */
let standing: Promise<void> | null = null;
let missed = false;
let ending = false;
const RETRY_MS = 2000;
/** To whoever hears it: something may have changed that nobody was told of. */
export const ANYTHING = '*';

async function listen(): Promise<void> {
  const mine = new Client({ connectionString: process.env.DATABASE_URL, ...STANDING });
  client = mine;
  mine.on('notification', ({ payload }) => listeners.forEach((tell) => tell(payload ?? '')));
  mine.on('error', (error) => {
    log.warn({ error: error.message }, 'lost the connection that listens for changes');
    lost();
  });
  await mine.connect();
  await mine.query('LISTEN pyrethos');
  if (missed) tellHere(ANYTHING);
  missed = false;
}

function lost(): void {
  client = standing = null;
  missed = true;
  if (listeners.size > 0) setTimeout(() => void ensure(), RETRY_MS).unref();
}

const ensure = (): Promise<void> =>
  (standing ??= listen().catch((error: Error) => {
    log.warn({ error: error.message }, 'cannot listen for changes');
    lost();
  }));

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
      // A page that asks while the server ends would hold it: it asks again, and finds the next one.
      if (ending) return controller.close();
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
      send('retry: 1500\n\n');
      void ensure().then(() => first?.(write));
    },
    cancel: () => end()
  });
}

/** An entry is stamped when its transaction begins, and seen once that is over; clocks of two machines differ a little. */
const OVERLAP_S = 3;
/** So many entries back is looked for what a page that is just drawn has missed. */
const LOOKED_BACK = 500;

/** Streams that took an entry since a moment. */
const changedSince = async (db: Database, since: Date): Promise<string[]> =>
  (
    await db.sequelize.query<{ stream: string }>(
      `SELECT DISTINCT stream FROM (SELECT stream, recorded_at FROM events ORDER BY seq DESC LIMIT $2) last
       WHERE recorded_at >= $1`,
      { bind: [new Date(since.getTime() - OVERLAP_S * 1000), LOOKED_BACK], type: QueryTypes.SELECT }
    )
  ).map((row) => row.stream);

/**
 * The name of each record stream that changes, and first of those that have changed since a page was drawn: between
 * its drawing and its listening others went on.
 */
export const changeStream = (db: Database, since: Date | null): ReadableStream<Uint8Array> =>
  eventStream(
    (notice, write) => {
      if (!notice.startsWith('live:')) write(notice);
    },
    (write) => {
      if (!since) return;
      changedSince(db, since).then(
        (streams) => streams.forEach(write),
        (error: Error) => log.warn({ error: error.message }, 'what a page missed cannot be told')
      );
    }
  );

export const EVENT_STREAM = {
  'Content-Type': 'text/event-stream',
  'Cache-Control': 'no-store',
  'X-Accel-Buffering': 'no'
} as const;

/** Ends every stream, and those that are still asked for: a server that was told to stop would wait for pages that never hang up. */
export function endStreams(): void {
  ending = true;
  closers.forEach((close) => close());
  void client?.end().catch(() => undefined);
}
