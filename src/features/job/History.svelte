<script lang="ts">
  import Redo2 from '~icons/lucide/redo-2';
  import Undo2 from '~icons/lucide/undo-2';
  import { activeEvents } from '$core/record/active';
  import type { RecordEvent } from '$core/record/events';
  import { describeEvent } from '$core/record/describe-event';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { mayUndo } from '$lib/ui/page-state/who';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    events: readonly RecordEvent[];
    /** Ids that the server does not have yet. */
    waiting: ReadonlySet<string>;
    zone: string;
    onundo: (id: string) => void;
    /** Where the record stands as a table. */
    table: string;
  }
  let { events, waiting, zone, onundo, table }: Props = $props();

  const stands = $derived(new Set(activeEvents(events).map((e) => e.id)));
  /** The undo that took an entry out, so that undoing it brings the entry back. */
  const undoneBy = $derived(
    new Map(events.flatMap((e) => (e.kind === 'undo' ? [[e.payload.of, e] as const] : [])))
  );
  const shownEvents = $derived(events.filter((e) => e.kind !== 'undo').toReversed());
</script>

<details class="card px-4">
  <summary class="flex min-h-14 items-center gap-2 font-bold"
    >Record <span class="text-ink-2 reading font-normal">{shownEvents.length}</span></summary
  >
  <p class="flex justify-end pb-2"><a class="btn" href={table}>As a table</a></p>
  <ol class="pb-3">
    {#each shownEvents as e (e.id)}
      <li class="border-line flex flex-wrap items-center gap-x-4 border-t py-2" data-entry={e.kind}>
        <span class="text-ink-2 w-44 text-sm">{when(e.at, zone)}<br />{e.who}</span>
        <span class="min-w-0 flex-1 {stands.has(e.id) ? '' : 'text-ink-2 line-through'}"
          >{inReaderUnits(describeEvent(e, (iso) => when(iso, zone)))}{#if waiting.has(e.id)}<span
              class="text-ink-2"
            >
              · waits for the server</span
            >{/if}</span
        >
        {#if e.kind !== 'job.opened'}
          {@const undone = undoneBy.get(e.id)}
          {#if stands.has(e.id)}{#if mayUndo(e.who)}<button class="btn" onclick={() => onundo(e.id)}
                ><Undo2 size={18} aria-hidden="true" />Undo</button
              >{/if}{:else if undone && mayUndo(undone.who)}<button
              class="btn"
              onclick={() => onundo(undone.id)}><Redo2 size={18} aria-hidden="true" />Redo</button
            >{/if}
        {/if}
      </li>
    {/each}
  </ol>
</details>
