import { untrack } from 'svelte';

/** Keys of the current view. A view registers its own while it is mounted; `?` shows them. */
export interface Shortcut {
  readonly key: string;
  readonly label: string;
  readonly run: () => void;
}

const list = $state<Shortcut[]>([]);

export const shortcuts = (): readonly Shortcut[] => list;

/** Adds keys while a component lives: call it inside `$effect` and return what it returns. */
export function useShortcuts(keys: readonly Shortcut[]): () => void {
  // Registering must not depend on what is registered, or the effect that calls it would run for ever.
  untrack(() => list.push(...keys));
  return () =>
    untrack(() => {
      for (const key of keys) {
        const i = list.findIndex((k) => k.key === key.key && k.label === key.label);
        if (i >= 0) list.splice(i, 1);
      }
    });
}

const TYPING = 'input, textarea, select, [contenteditable="true"]';

/** Runs the shortcut of a key press, unless someone is typing or a dialog is open. The latest registration wins. */
export function onShortcut(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.defaultPrevented || !(event.target instanceof Element)) return;
  if (event.target.closest('[role="dialog"]')) return;
  if (event.key !== 'Escape' && event.target.closest(TYPING)) return;
  // Space presses what has the focus, as everywhere.
  if (event.key === ' ' && event.target.closest('button, a, summary')) return;
  const hit = list.findLast((k) => k.key.toLowerCase() === event.key.toLowerCase());
  if (!hit) return;
  event.preventDefault();
  hit.run();
}
