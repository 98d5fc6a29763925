import { toast } from 'svelte-sonner';

/** Asks the simulated bench for a reading; null, with the reason told, where it gives none. */
export async function readBench(what: object): Promise<number | null> {
  const said = await askBench<{ value: number }>(what);
  return said?.value ?? null;
}

/** The same for readings of more than one number. */
export async function askBench<T>(what: object): Promise<T | null> {
  try {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch('/api/bench', { method: 'POST', headers, body: JSON.stringify(what) });
    const said = (await answer.json()) as (T & { ok: true }) | { ok: false; problems: { message: string }[] };
    if (said.ok) return said;
    toast(`Nothing read: ${said.problems[0].message}`);
  } catch {
    toast('Nothing read: the server does not answer');
  }
  return null;
}
