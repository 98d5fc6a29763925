import { toast } from 'svelte-sonner';

/**
 * A part of a page that nobody sees at first: it is fetched when the page has come alive and the line is idle, or as
 * soon as it is asked for. So a phone shows the page sooner, and what was fetched opens while the server is away.
 * Call while a component is made.
 */
export function later<Part>(load: () => Promise<{ default: Part }>) {
  let part = $state.raw<Part | null>(null);
  const fetched = async () => {
    part ??= (await load()).default;
  };
  $effect(() => whenIdle(() => void fetched().catch(() => undefined)));
  return {
    /** Null until it was fetched. */
    get part() {
      return part;
    },
    /** Fetches it now; whether it is there. Says so where the server is away and it was never fetched. */
    async get(): Promise<boolean> {
      await fetched().catch(() => toast('This opens when the server is back.'));
      return part !== null;
    }
  };
}

/** Runs something once the page has nothing else to do; returns how to call it off. */
export function whenIdle(work: () => void): () => void {
  if (typeof requestIdleCallback === 'function') {
    const id = requestIdleCallback(work, { timeout: 4000 });
    return () => cancelIdleCallback(id);
  }
  const id = setTimeout(work, 1500);
  return () => clearTimeout(id);
}
