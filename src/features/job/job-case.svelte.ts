import { assembleCase, type CaseInput } from '$core/diagnosis/case';
import { knowAhead, type LookedAhead } from '$core/diagnosis/opinion';
import { useNow } from '$lib/ui/page-state/now.svelte';
import { withWaiting } from '$lib/ui/outbox/record.svelte';

/** A job's page as the server gives it. */
interface Served {
  readonly job: { readonly id: string };
  readonly known: CaseInput;
  /** What the server looked ahead to for this very case. */
  readonly ahead?: LookedAhead | null;
}

/**
 * The case of a job as it is now: what the server gave with what still waits to be sent, assembled anew as either
 * changes and as the clock goes on. Every page of a job begins with it and shows what it says.
 */
export function jobCase(served: () => Served) {
  const clock = useNow(served().known.at);
  const { ahead } = served();
  if (ahead) knowAhead(ahead);
  const stream = $derived(`job:${served().job.id}`);
  const events = $derived(withWaiting(stream, served().known.events));
  /** The clock ticks now and then; what was entered since its last tick counts at once. */
  const now = $derived(events.reduce((latest, e) => (e.at > latest ? e.at : latest), clock.iso));
  // The opening itself cannot be undone from here, so there is always a case.
  const known = $derived(assembleCase({ ...served().known, events, at: now })!);
  return {
    get stream() {
      return stream;
    },
    get events() {
      return events;
    },
    get now() {
      return now;
    },
    get case() {
      return known;
    }
  };
}
