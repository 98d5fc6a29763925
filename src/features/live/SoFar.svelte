<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { midSentence, sayChance } from '$core/base/text';
  import * as Comlink from 'comlink';
  import type { Log } from '$core/logs/channels';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Analysis } from '$core/runs/analyse';
  import type { RankStep } from '$core/runs/rank';
  import { explainedBy, verdictSentence } from '$core/runs/words';
  import type { RankingWorker } from '$lib/workers/ranking';
  import RankingThread from '$lib/workers/ranking?worker';

  interface Props {
    log: () => Log;
    sheet: SpecSheet;
    /** Samples there are: with too few nothing is asked. */
    samples: number;
  }
  let { log, sheet, samples }: Props = $props();

  const FEW = 120;
  const SHOWN = 3;
  let thread: Worker | null = null;
  let step = $state.raw<RankStep | null>(null);
  let busy = $state(false);
  let found = $state.raw<{ readonly analysis: Analysis; readonly of: number } | null>(null);
  let failed = $state(false);
  $effect(() => () => thread?.terminate());

  async function rank() {
    failed = false;
    busy = true;
    step = null;
    const of = samples;
    thread = new RankingThread();
    const start = performance.now();
    try {
      const plain = JSON.parse(JSON.stringify(sheet)) as SpecSheet;
      const analysis = await Comlink.wrap<RankingWorker>(thread).rank(
        log(),
        plain,
        Comlink.proxy((s: RankStep) => (step = s))
      );
      performance.measure('ranking', { start });
      found = { analysis, of };
    } catch {
      failed = true;
    }
    stop();
  }
  function stop() {
    thread?.terminate();
    thread = null;
    busy = false;
  }
</script>

<section class="card p-4" aria-label="So far">
  <h2>What it looks like so far</h2>
  {#if busy}
    <p class="text-ink-2 mt-2" role="status">
      {step ? `Fault ${step.n} of ${step.of}: ${midSentence(FAULTS[step.fault].title)}` : 'Beginning…'}
    </p>
    <progress class="mt-1 h-2 w-full" max={step?.of ?? 1} value={step?.n ?? 0} aria-label="Faults tried"
    ></progress>
    <button class="btn mt-2 min-h-14 w-full" onclick={stop}>Cancel</button>
  {:else}
    {#if found}
      <p class="mt-2" data-so-far={found.analysis.verdict}>{verdictSentence(found.analysis)}</p>
      <ul class="mt-2 text-sm">
        {#each explainedBy(found.analysis.suspects).slice(0, SHOWN) as s (s.title)}
          <li class="flex gap-3 py-0.5">
            <span class="flex-1">{s.title}</span><span class="reading">{sayChance(s.probability)}</span>
          </li>
        {/each}
      </ul>
      <p class="text-ink-2 mt-1 text-sm">
        Of the first {found.of} samples. The run is judged and saved when the recording stops.
      </p>
    {:else if failed}
      <p class="mt-2">This much of a run could not be read. Let it go on and ask again.</p>
    {/if}
    <button class="btn mt-2 min-h-14 w-full" disabled={samples < FEW} onclick={rank}
      >{found ? 'Look again' : 'Show likely causes so far'}</button
    >
    {#if samples < FEW}<p class="text-ink-2 mt-1 text-sm">After two minutes of samples.</p>{/if}
  {/if}
</section>
