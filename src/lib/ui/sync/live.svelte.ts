import { keptSince } from '../offline/here';
import { flush, refresh, waiting } from '../outbox/record.svelte';

let away = $state(false);

/** Whether the server has stopped answering. */
export const serverAway = (): boolean => away;

const RETRY_MS = 4000;
const GATHER_MS = 120;
/** What the server says where it missed something itself. */
const ANYTHING = '*';

type Heard =
  | { readonly kind: 'changed'; readonly stream: string }
  | { readonly kind: 'here'; readonly again: boolean }
  | { readonly kind: 'away' };

/**
 * Keeps the pages of this window in step with the record: whatever another window enters is shown here, and what
 * waits goes out as soon as the server is back. Of all windows of a browser one listens to the server and tells
 * the others, since a browser opens only a few connections to one address. `drawnAt` is when the server drew the
 * page, ISO 8601. Call inside `$effect`; returns how to stop.
 */
export function stayLive(drawnAt: string): () => void {
  const began = performance.now();
  const changed = new Set<string | null>();
  let soon: ReturnType<typeof setTimeout> | undefined;
  const gather = (stream: string | null) => {
    changed.add(stream);
    soon ??= setTimeout(() => {
      soon = undefined;
      for (const s of changed) void refresh(s);
      changed.clear();
    }, GATHER_MS);
  };
  const hear = (heard: Heard) => {
    if (heard.kind === 'changed') return gather(heard.stream === ANYTHING ? null : heard.stream);
    away = heard.kind === 'away';
    if (heard.kind === 'away') return;
    void flush();
    // What happened while nobody listened.
    if (heard.again) gather(null);
  };

  const channel = new BroadcastChannel('pyrethos-live');
  channel.onmessage = ({ data }) => hear(data as Heard);
  const stop = new AbortController();
  const listen = () =>
    new Promise<void>((release) => {
      const tell = (heard: Heard) => {
        hear(heard);
        channel.postMessage(heard);
      };
      let source: EventSource | undefined;
      let reopen: ReturnType<typeof setTimeout> | undefined;
      // A window that takes over from one that was closed may have missed something.
      let again = performance.now() - began > 1000 || keptSince() !== null;
      const open = () => {
        source = new EventSource(`/api/changes?since=${encodeURIComponent(drawnAt)}`);
        source.onopen = () => {
          tell({ kind: 'here', again });
          again = true;
        };
        source.onmessage = ({ data }) => tell({ kind: 'changed', stream: String(data) });
        source.onerror = () => {
          tell({ kind: 'away' });
          // A browser gives up where it was refused, as after a session has ended.
          if (source?.readyState === EventSource.CLOSED) reopen = setTimeout(open, RETRY_MS);
        };
      };
      open();
      stop.signal.addEventListener('abort', () => {
        clearTimeout(reopen);
        source?.close();
        release();
      });
    });
  if (navigator.locks)
    navigator.locks.request('pyrethos-live', { signal: stop.signal }, listen).catch(() => undefined);
  else void listen();

  const retry = setInterval(() => {
    if (waiting().some((i) => !i.refused)) void flush();
  }, RETRY_MS);
  void flush();
  return () => {
    clearInterval(retry);
    clearTimeout(soon);
    stop.abort();
    channel.close();
  };
}
