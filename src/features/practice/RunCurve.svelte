<script lang="ts">
  import type * as TraceModule from '$lib/ui/plots/Trace.svelte';
  import type { PracticeNow } from '$lib/views';
  import { thresholdsOf } from '../job/thresholds';

  interface Props {
    run: NonNullable<PracticeNow['view']['run']>;
    sheet: PracticeNow['view']['sheet'];
  }
  let { run, sheet }: Props = $props();
  const full = $derived({ from: 0, to: Math.max(1, run.t.at(-1) ?? 1) });
  let range = $state<{ from: number; to: number } | null>(null);
  let cursor = $state<number | null>(null);
  // The chart code is heavy and draws nothing on the server: it comes after the words.
  let Trace = $state<typeof TraceModule.default>();
  $effect(() => void import('$lib/ui/plots/Trace.svelte').then((t) => (Trace = t.default)));
</script>

<section class="card p-4" aria-label="The curve">
  <h2>The curve</h2>
  <p class="text-ink-2 text-sm">
    The coolant as its sensor told it, over what a healthy engine would have shown on this drive.
  </p>
  <div class="mt-2 h-64">
    {#if Trace}
      <Trace
        t={run.t}
        ect={run.ect}
        band={run.band}
        thresholds={thresholdsOf(sheet)}
        marks={[]}
        range={range ?? full}
        {full}
        bind:cursor
        onrange={(to) => (range = to)}
        label="Coolant temperature along the run"
      />
    {/if}
  </div>
</section>
