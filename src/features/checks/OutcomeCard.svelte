<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import type { Outcome } from '$core/checks/check';
  import { midSentence } from '$core/base/text';
  import { RESULT_LOOK } from '$lib/ui/page-state/results';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { hour } from '$lib/ui/page-state/when';

  interface Props {
    outcome: Outcome | null;
    /** What is still missing for a judgement. */
    lacks: string | null;
    touched: boolean;
    now: string;
    zone: string;
  }
  let { outcome, lacks, touched, now, zone }: Props = $props();
  const look = $derived(outcome ? RESULT_LOOK[outcome.result] : null);
  const speaks = (way: 'for' | 'against') =>
    (outcome?.points ?? [])
      .filter((p) => p.way === way)
      .map((p) => midSentence(FAULTS[p.fault].title))
      .join(', ');
</script>

<section class="card overflow-hidden" aria-label="Judgement" aria-live="polite">
  {#if outcome && look}
    <div class="border-l-6 p-4 {look.wash}" data-outcome={outcome.result}>
      <p class="flex items-center gap-2 text-xl font-bold {look.text}">
        <look.icon size={24} aria-hidden="true" />{look.word}
      </p>
      <p class="mt-1">{inReaderUnits(outcome.says)}</p>
      {#if outcome.voidBecause}
        <p class="mt-2 font-semibold">{outcome.voidBecause}.</p>
      {/if}
      {#if outcome.countsFrom}
        <p class="mt-1">
          Cold readings count from <span class="reading font-bold">{hour(outcome.countsFrom, zone, now)}</span
          >.
        </p>
      {/if}
    </div>
    {#if outcome.doubts.length > 0}
      <ul class="border-line space-y-1 border-t p-4">
        {#each outcome.doubts as d (d)}<li>{inReaderUnits(d)}.</li>{/each}
      </ul>
    {/if}
    {#if outcome.numbers.length > 0}
      <dl class="border-line grid grid-cols-[minmax(8.5rem,1fr)_auto] gap-x-4 gap-y-1 border-t p-4 text-sm">
        {#each outcome.numbers as n (n.name)}
          <dt class="text-ink-2">{n.name}</dt>
          <dd class="text-right">
            <span class="font-semibold">{inReaderUnits(n.value)}</span>{#if n.limit}<span
                class="text-ink-2 block text-xs">limit {inReaderUnits(n.limit)}</span
              >{/if}
          </dd>
        {/each}
      </dl>
    {/if}
    {#if outcome.points.length > 0}
      <div class="border-line space-y-1 border-t p-4 text-sm">
        {#if speaks('for')}<p><span class="font-semibold">Points to:</span> {speaks('for')}</p>{/if}
        {#if speaks('against')}<p>
            <span class="font-semibold">Rules against:</span>
            {speaks('against')}
          </p>{/if}
      </div>
    {/if}
  {:else}
    <div class="p-4">
      <h3 class="font-bold">Result as you type</h3>
      <p class="text-ink-2 mt-1">
        {touched && lacks ? `${inReaderUnits(lacks)}.` : 'The result, with its limit, appears here.'}
      </p>
    </div>
  {/if}
</section>
