import { whenIdle } from '../page-state/later.svelte';
import { keptAs, PAGES } from './kept';

/** Makes this device able to open its pages without the network. Not where the browser does not trust the address. */
export const keepPages = (): (() => void) =>
  whenIdle(() => void navigator.serviceWorker?.register('/service-worker.js').catch(() => undefined));

/** When the page that is shown was kept, ISO 8601, where it came from this device and not from the server; else null. */
export function keptSince(): string | null {
  if (typeof performance === 'undefined') return null;
  const [page] = performance.getEntriesByType?.('navigation') ?? [];
  const kept = (page as PerformanceNavigationTiming | undefined)?.serverTiming?.find(
    (t) => t.name === 'kept'
  );
  return kept?.description ?? null;
}

/** Whether a page opens from this device. */
export async function isKept(url: URL): Promise<boolean> {
  const path = keptAs(url);
  if (!path || typeof caches === 'undefined' || !navigator.serviceWorker?.controller) return false;
  return (await (await caches.open(PAGES)).match(path)) !== undefined;
}
