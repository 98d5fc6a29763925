<script lang="ts">
  import type { DueLine } from '$lib/views';

  interface Props {
    due: readonly DueLine[];
    now: string;
  }
  let { due, now }: Props = $props();
  const FEW = 4;
  let all = $state(false);
  const shown = $derived(all ? due : due.slice(0, FEW));
  const today = $derived(now.slice(0, 10));
  const days = (date: string) => Math.round((Date.parse(date) - Date.parse(today)) / 86_400_000);
  const words = (date: string) => {
    const n = days(date);
    if (n === 0) return 'today';
    return n < 0 ? `${-n} day${n === -1 ? '' : 's'} over` : `in ${n} day${n === 1 ? '' : 's'}`;
  };
</script>

<section class="card mb-5 px-4 py-3" aria-label="Rechecks due">
  <div class="flex items-center gap-3">
    <h2 class="mr-auto">Rechecks due</h2>
    {#if due.length > FEW}<button class="btn" aria-expanded={all} onclick={() => (all = !all)}
        >{all ? 'Only the first' : `All ${due.length}`}</button
      >{/if}
  </div>
  <ul class="mt-1 grid gap-x-6 md:grid-cols-2">
    {#each shown as d (d.number)}
      <li>
        <a class="flex min-h-11 items-center gap-3" href="/jobs/{d.number}/finish" data-due={d.number}>
          <span class="reading font-bold">{d.fleetNo}</span>
          <span class="min-w-0 flex-1 truncate">{d.complaint}</span>
          <span class="text-sm {days(d.due) < 0 ? 'text-off font-semibold' : 'text-ink-2'}"
            >{words(d.due)}</span
          >
        </a>
      </li>
    {/each}
  </ul>
</section>
