/**
 * What is typed and not yet recorded, kept in this browser so that a reload loses nothing. Old drafts are dropped:
 * a reading of last week is no reading.
 */
const PREFIX = 'draft:';
const KEPT_MS = 24 * 3_600_000;

export function readDraft<T>(key: string): T | null {
  try {
    const kept = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as { at: number; value: T } | null;
    return kept && Date.now() - kept.at < KEPT_MS ? kept.value : null;
  } catch {
    return null;
  }
}

export function keepDraft(key: string, value: unknown): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify({ at: Date.now(), value }));
  } catch {
    // A full or forbidden storage costs the draft, not the work.
  }
}

export function dropDraft(key: string): void {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // As above.
  }
}
