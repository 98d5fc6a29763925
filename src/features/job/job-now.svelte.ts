import type { SpecSheet } from '$core/vehicle/spec-sheet';
import { deriveJob } from '$core/record/derive';
import type { RecordEvent } from '$core/record/events';
import { coolingOf, factsOf, judgeChecks, type RunHeat } from '$core/diagnosis/judged';
import { holding, type KnownFact } from '$core/physics/heat/facts';
import { thermalAt } from '$core/physics/heat/state';
import { shopCurves } from '$lib/ui/page-state/curves';
import { useNow } from '$lib/ui/page-state/now.svelte';
import { withWaiting } from '$lib/ui/outbox/record.svelte';

interface Served<Run> {
  readonly job: { readonly id: string };
  readonly sheet: SpecSheet | null;
  readonly events: readonly RecordEvent[];
  /** What the vehicle's other jobs tell of its heat. */
  readonly otherHeat: readonly KnownFact[];
  readonly runs: readonly Run[];
  readonly now: string;
}

/**
 * A job as it is now: what the server gave with what still waits to be sent, derived anew as either changes and as
 * the clock goes on. Every page of a job begins with it.
 */
export function jobNow<Run extends { readonly id: string; readonly heat: RunHeat }>(
  served: () => Served<Run>
) {
  const clock = useNow(served().now);
  const stream = $derived(`job:${served().job.id}`);
  const events = $derived(withWaiting(stream, served().events));
  // The opening itself cannot be undone from here, so there is always a state.
  const state = $derived(deriveJob(events)!);
  const runs = $derived(served().runs.filter((r) => state.runIds.includes(r.id)));
  const facts = $derived([
    ...served().otherHeat,
    ...factsOf(
      state,
      runs.map((r) => r.heat)
    )
  ]);
  const firm = $derived(holding(facts));
  /** The clock ticks now and then; what was entered since its last tick counts at once. */
  const now = $derived(events.reduce((latest, e) => (e.at > latest ? e.at : latest), clock.iso));
  const heat = $derived(thermalAt(firm, now, served().sheet, coolingOf(firm)));
  const judged = $derived(judgeChecks(state, facts, served().sheet, shopCurves()));
  return {
    get stream() {
      return stream;
    },
    get events() {
      return events;
    },
    get state() {
      return state;
    },
    /** Runs that stand. */
    get runs() {
      return runs;
    },
    get facts() {
      return facts;
    },
    get now() {
      return now;
    },
    get heat() {
      return heat;
    },
    get judged() {
      return judged;
    }
  };
}
