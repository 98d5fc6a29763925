<script lang="ts">
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import { when } from '$lib/ui/when';
  import type { HistoryLine } from './types';

  interface Props {
    history: readonly HistoryLine[];
    zone: string;
    onundo: (id: string, what: string) => void;
  }
  let { history, zone, onundo }: Props = $props();
  const last = $derived(
    history.findLast((h) => h.stands && (h.kind === 'run.imported' || h.kind === 'job.noted'))
  );
</script>

<details class="card px-4">
  <summary class="flex min-h-14 items-center gap-2 font-bold"
    >Record <span class="text-ink-2 reading font-normal">{history.length}</span></summary
  >
  <ol class="pb-3">
    {#each history.toReversed() as line (line.id)}
      <li class="border-line flex flex-wrap items-center gap-x-4 border-t py-2">
        <span class="text-ink-2 w-44 text-sm">{when(line.at, zone)}<br />{line.who}</span>
        <span class="min-w-0 flex-1 {line.stands || line.kind === 'undo' ? '' : 'text-ink-2 line-through'}"
          >{line.text}</span
        >
        {#if line.id === last?.id}<button class="btn" onclick={() => onundo(line.id, line.text)}
            ><Undo2 size={18} aria-hidden="true" />Undo</button
          >{/if}
      </li>
    {/each}
  </ol>
</details>
