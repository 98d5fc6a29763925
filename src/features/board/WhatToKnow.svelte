<script lang="ts">
  import type { BoardState } from './board-view.svelte';
  import { minutesSaid } from './words';

  let { board }: { board: BoardState } = $props();

  const { schedule, changes } = $derived(board.view.published);
  const late = $derived(board.view.published.told.filter((t) => t.late));
  const FEW = 4;
  let all = $state(false);
  const lines = $derived([
    ...late.map((t) => ({
      job: t.job,
      late: t.lateMin > 0 ? `${minutesSaid(t.lateMin)} late` : 'late',
      says: `${changes.some((c) => c.job === t.job) ? ' since the last change' : ''}: ${t.because}`
    })),
    ...schedule.loose.map((l) => ({
      job: Number(l.task.split(':')[0]),
      late: '',
      says: `could not stay pinned: ${l.because}`
    }))
  ]);
</script>

{#if lines.length > 0}
  <div class="card mb-3 flex flex-wrap items-start gap-x-6 px-4 py-2">
    <ul class="grid min-w-0 flex-1 gap-x-6 md:grid-cols-2" aria-label="What to know">
      {#each all ? lines : lines.slice(0, FEW) as line, i (i)}
        <li class="py-1">
          <a class="reading font-bold" href="/jobs/{line.job}">{board.jobs.get(line.job)?.fleetNo}</a>
          {#if line.late}<span class="text-off font-semibold">{line.late}</span>{/if}{line.says}
        </li>
      {/each}
    </ul>
    {#if lines.length > FEW}<button class="btn" aria-expanded={all} onclick={() => (all = !all)}
        >{all ? 'Only the first' : `All ${lines.length}`}</button
      >{/if}
  </div>
{/if}
