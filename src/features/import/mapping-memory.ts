import type { Column } from '$core/logs/csv-columns';

const KEY = 'pyrethos.columns';
const MOST = 20;
type Kept = { headers: string; columns: Column[] }[];

const signature = (columns: readonly Column[]) => columns.map((c) => c.header).join('\u0001');

function kept(): Kept {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(read) ? (read as Kept) : [];
  } catch {
    return [];
  }
}

/** The mapping this browser last used for a file with the same headers: one logger writes the same columns each time. */
export function recall(columns: readonly Column[]): Column[] | undefined {
  const headers = signature(columns);
  return kept().find((k) => k.headers === headers)?.columns;
}

/** Keeps a mapping as soon as it is corrected, so that no reload or failed import loses the work. */
export function remember(columns: readonly Column[]): void {
  const headers = signature(columns);
  try {
    localStorage.setItem(
      KEY,
      JSON.stringify([{ headers, columns }, ...kept().filter((k) => k.headers !== headers)].slice(0, MOST))
    );
  } catch {
    // A full or closed store only costs the convenience.
  }
}
