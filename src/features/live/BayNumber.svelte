<script lang="ts">
  import X from '~icons/lucide/x';
  import type { Moment } from '$core/runs/live';
  import { MARKS, type MarkId } from '$core/record/live';
  import { heatVar } from '$lib/ui/plots/heat';
  import { inUnit, shownDifference, unitOf } from '$lib/ui/page-state/units';

  interface Props {
    moment: Moment | null;
    /** What is wrong with the readings, in words; else nothing. */
    trouble: string | null;
    onmark: (id: MarkId) => void;
    onclose: () => void;
  }
  let { moment, trouble, onmark, onclose }: Props = $props();
  const big = $derived(moment ? inUnit(moment.coolantC, 'temperature').toFixed(0).replace('-', '−') : '–');
  const KEYS = Object.entries(MARKS) as [MarkId, (typeof MARKS)[MarkId]][];
</script>

<svelte:window onkeydown={(e) => e.key === 'Escape' && onclose()} />

<!-- One thing at a time, to be read from across the bay. -->
<section
  class="bay bg-paper fixed inset-0 z-40 flex flex-col p-3"
  aria-label="The engine now, large"
  style="border-bottom: 14px solid {moment ? heatVar(moment.coolantC) : 'var(--line)'}"
>
  <div class="flex items-start justify-between gap-3">
    <p class="text-xl font-semibold" role="status">
      {#if trouble}<span class="text-off">{trouble}</span>
      {:else if moment?.level === 'hot'}<span class="text-off">Above the hot limit. Load off.</span>
      {:else if moment?.rateCPerMin != null}<span class="text-ink-2"
          >{moment.rateCPerMin > 0 ? '+' : ''}{shownDifference(moment.rateCPerMin)} a min</span
        >{/if}
    </p>
    <button class="btn min-h-14 px-4" onclick={onclose} aria-label="Back to the run"
      ><X size={24} aria-hidden="true" /></button
    >
  </div>
  <p class="number reading m-auto leading-none font-bold whitespace-nowrap" data-bay={moment?.coolantC}>
    {big}<span class="text-ink-2 text-[0.3em]">{unitOf('temperature').symbol}</span>
  </p>
  <div class="grid grid-cols-3 gap-2 landscape:grid-cols-6">
    {#each KEYS as [id, { title }] (id)}
      <button class="btn min-h-16 px-2 text-lg" onclick={() => onmark(id)}>{title}</button>
    {/each}
  </div>
</section>

<style>
  .number {
    font-size: min(42vw, 60vh);
  }
</style>
