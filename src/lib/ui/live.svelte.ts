import { flush, refresh, waiting } from './record.svelte';

let away = $state(false);

/** Whether the server has stopped answering. */
export const serverAway = (): boolean => away;

const RETRY_MS = 4000;
const GATHER_MS = 120;

/**
 * Keeps the pages of this window in step with the record: whatever another window enters is shown here, and what
 * waits goes out as soon as the server is back. Call inside `$effect`; returns how to stop.
 */
export function stayLive(): () => void {
  const source = new EventSource('/api/changes');
  const changed = new Set<string>();
  let soon: ReturnType<typeof setTimeout> | undefined;
  const gather = (stream: string) => {
    changed.add(stream);
    soon ??= setTimeout(() => {
      soon = undefined;
      for (const s of changed) void refresh(s);
      changed.clear();
    }, GATHER_MS);
  };
  let first = true;
  source.onopen = () => {
    away = false;
    void flush();
    // What happened while nobody listened.
    if (!first) gather('any');
    first = false;
  };
  source.onmessage = ({ data }) => gather(String(data));
  source.onerror = () => (away = source.readyState !== EventSource.OPEN);
  const retry = setInterval(() => {
    if (waiting().some((i) => !i.refused)) void flush();
  }, RETRY_MS);
  void flush();
  return () => {
    clearInterval(retry);
    clearTimeout(soon);
    source.close();
  };
}
