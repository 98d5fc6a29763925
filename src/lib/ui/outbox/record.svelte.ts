import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';
import type { EventInput, RecordEvent } from '$core/record/events';
import type { Problem } from '$core/base/result';
import { Outbox, type Answer, type Sent } from './outbox';
import { browserStore, type Waiting } from './outbox-store';
import { setSessionEnded } from '../page-state/session.svelte';
import { personHere, whoIsHere } from '../page-state/who';

export type { Answer } from './outbox';

/**
 * What every kind of entry looks like, and what it says: with all the checks the largest part of the product. A page
 * that only shows needs none of it; it is fetched when the page is idle, and waited for where somebody enters first.
 */
const entries = async () => {
  const [{ readEvent }, { describeEvent }, { withValue }] = await Promise.all([
    import('$core/record/upcast'),
    import('$core/record/describe-event'),
    import('$core/units/field')
  ]);
  return { readEvent, describeEvent, withValue };
};
export const fetchEntries = (): void => void entries().catch(() => undefined);

const AWAY: Answer = {
  ok: false,
  problems: [
    { message: 'The server does not answer. Nothing is lost: what you entered is still here, send it again' }
  ]
};

/** Turns any answer of the server, or none at all, into one that can be shown. */
export async function answerOf<T extends Answer>(
  request: Promise<Response>
): Promise<T | Extract<Answer, { ok: false }>> {
  let response: Response;
  try {
    response = await request;
  } catch {
    return AWAY as Extract<Answer, { ok: false }>;
  }
  try {
    return (await response.json()) as T;
  } catch {
    return {
      ok: false,
      problems: [
        {
          message:
            response.status === 413
              ? 'The file is too large for the server'
              : `The server answered with an error (${response.status}). Try once more`
        }
      ]
    };
  }
}

const SEND_WITHIN_MS = 15_000;
/** A proxy without a server, a server without its database, a server that is late: the entry had no say in it. */
const AWAY_STATUS = new Set([502, 503, 504]);
/** Nobody is signed in any more, or too much came at once: it waits, and goes out under whoever entered it. */
const LATER_STATUS = new Set([401, 429]);

async function send(item: Waiting): Promise<Sent> {
  try {
    const response = await fetch(item.url, {
      method: 'POST',
      headers: { 'Content-Type': item.type, ...(item.by ? { 'X-Taken-By': item.by } : {}) },
      body: item.body,
      signal: AbortSignal.timeout(SEND_WITHIN_MS)
    });
    if (response.status === 401) setSessionEnded(true);
    if (AWAY_STATUS.has(response.status) || LATER_STATUS.has(response.status)) return { kind: 'away' };
    const answer = await answerOf(Promise.resolve(response));
    if (answer.ok && item.event) {
      sent.push(item.event);
      void refresh(item.event.stream);
    }
    return { kind: 'answered', answer };
  } catch {
    return { kind: 'away' };
  }
}

let items = $state.raw<readonly Waiting[]>([]);
/** Entries the server took since this page was loaded: shown until its next answer holds them. */
const sent = $state<RecordEvent[]>([]);

let channel: BroadcastChannel | undefined;
let outbox_: Outbox | undefined;

function outbox(): Outbox {
  if (outbox_) return outbox_;
  if (typeof BroadcastChannel !== 'undefined') {
    channel = new BroadcastChannel('pyrethos-outbox');
    channel.onmessage = () => void outbox_!.tell();
  }
  let told = '';
  return (outbox_ = new Outbox({
    store: browserStore(),
    send,
    patienceMs: 3000,
    alone: async (work) => {
      if (navigator.locks) await navigator.locks.request('pyrethos-outbox', work);
      else await work();
    },
    changed(next) {
      items = next;
      const now = next.map((i) => i.id + (i.refused ? '!' : '')).join();
      if (now !== told) channel?.postMessage('changed');
      told = now;
    }
  }));
}

/** Entries that wait for the server, and those it would not have. */
export const waiting = (): readonly Waiting[] => items;
export const flush = (): Promise<void> => outbox().flush();
export const dropWaiting = (id: string): Promise<void> => outbox().drop(id);
export const takeWaiting = (entries: readonly Waiting[]): Promise<void> => outbox().take(entries);

/** Sends a refused entry again, with other values in its payload where a person mended it; what is wrong with those, else nothing. */
export async function sendAgain(
  item: Waiting,
  mended: Readonly<Record<string, unknown>> = {}
): Promise<readonly Problem[]> {
  if (!item.event || Object.keys(mended).length === 0) {
    await outbox().again(item.id);
    return [];
  }
  const { readEvent, describeEvent, withValue } = await entries();
  const payload = Object.entries(mended).reduce<object>(
    (now, [path, value]) => withValue(now, path, value),
    item.event.payload
  );
  const read = readEvent({ ...item.event, payload });
  if (!read.ok) return read.problems;
  const event = read.value;
  await outbox().again(item.id, {
    ...item,
    event,
    body: JSON.stringify(event),
    label: describeEvent(event)
  });
  return [];
}

/** Loads the pages anew that show a stream of the record, or any of it. */
export async function refresh(stream: string | null): Promise<void> {
  // Loading anew in the middle of a navigation would call it off.
  while (navigating.to) await navigating.complete?.catch(() => undefined);
  await invalidate((url) =>
    stream === null
      ? url.protocol === 'record:'
      : url.href === `record:${stream}` ||
        url.href === `record:${stream.split(':')[0]}` ||
        url.href === 'record:any'
  );
}

/** A record as the server gave it, with what this browser knows beyond it: entries that wait or were just taken. */
export function withWaiting(stream: string, events: readonly RecordEvent[]): RecordEvent[] {
  const known = new Set(events.map((e) => e.id));
  const more = [...sent, ...items.filter((i) => !i.refused).map((i) => i.event)].filter(
    (e): e is RecordEvent => e?.stream === stream && !known.has(e.id)
  );
  return [...events, ...new Map(more.map((e) => [e.id, e])).values()];
}

let order = 0;
const nextOrder = () => (order = Math.max(order + 1, Date.now()));

/**
 * Appends an event to the record. The id is made here, so that sending twice is safe; it is checked here too, so
 * that an entry made without a server is known to be good. Succeeds with `waiting` where the server is away.
 */
export async function record(
  stream: string,
  body: EventInput,
  id: string = crypto.randomUUID()
): Promise<Answer> {
  const { readEvent, describeEvent } = await entries();
  const read = readEvent({ id, stream, at: new Date().toISOString(), who: whoIsHere(), ...body });
  if (!read.ok) return read;
  return outbox().post({
    id,
    order: nextOrder(),
    url: '/api/events',
    type: 'application/json',
    body: JSON.stringify(read.value),
    label: describeEvent(read.value),
    by: personHere(),
    event: read.value,
    refused: null
  });
}

/** Attaches a picture to the record of a job or a vehicle, by the same way as every entry. */
export async function recordPhoto(stream: string, picture: Blob, caption: string): Promise<Answer> {
  const id = crypto.randomUUID();
  const photo = crypto.randomUUID();
  const [kind, owner] = stream.split(':');
  const query = new URLSearchParams({
    event: id,
    photo,
    caption,
    at: new Date().toISOString(),
    who: whoIsHere()
  });
  const answer = await outbox().post({
    id,
    order: nextOrder(),
    url: `/api/${kind}s/${owner}/photos?${query.toString()}`,
    type: picture.type || 'application/octet-stream',
    body: picture,
    label: `Photo${caption ? `: ${caption}` : ''}`,
    by: personHere(),
    event: null,
    refused: null
  });
  // A server that went away meanwhile keeps no form waiting.
  if (answer.ok && !answer.waiting) void refresh(stream);
  return answer;
}
