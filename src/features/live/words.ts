import type { LiveState } from './live-run.svelte';

const STALE_S = 4;

/** What is wrong with what is seen, in words; null where nothing is. */
export function degraded(
  state: LiveState,
  typed: boolean,
  implausible: string | null,
  sinceS: number
): string | null {
  if (state === 'lost')
    return 'This page does not hear from the server. Recording may go on; watch the gauge.';
  if (state === 'not-kept')
    return 'Nothing is saved, and the number here stands still: watch the gauge. The server’s database takes no more, its disk may be full. Readings wait in memory; free the disk, and do not stop the server.';
  if (implausible) return `${implausible}. Do not trust the number: watch the gauge and the hoses.`;
  if (typed) return null;
  switch (state) {
    case 'waiting':
      return 'Waiting for the adapter.';
    case 'no-answer':
      return 'The control unit does not answer. Is the ignition on?';
    case 'adapter-gone':
      return 'The adapter is gone. Recording goes on by itself when it is back; the gap will be marked.';
    case 'gone':
      return 'This recording is not known to the server.';
    case 'ended':
      return 'This run has been ended.';
    case 'recording':
      return sinceS > STALE_S ? `The last reading is ${Math.round(sinceS)} s old.` : null;
  }
}
