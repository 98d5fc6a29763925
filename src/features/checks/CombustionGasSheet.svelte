<script lang="ts">
  import {
    BUBBLES,
    GAS_SEEN,
    GAS_TESTS,
    type CombustionGasReadings
  } from '$core/checks/coolant/combustion-gas';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import type { SheetProps } from './types';

  type Reading = Omit<CombustionGasReadings, 'by' | 'seen'> & { by: string | null; seen: string | null };
  let { readings = $bindable(), problems }: SheetProps<Reading> = $props();
  const steps = $derived([
    { text: 'Cold: lower the level, tester on', done: readings.dry },
    { text: 'Run warm, minutes under load', done: readings.worked },
    { text: 'Read the tester', done: readings.seen !== null }
  ]);
</script>

<p class="text-ink-2">
  Fit the tester while the engine is cold and the cap is safe to open, then warm it up with the tester in
  place. Its maker says how its fluid is read.
</p>
<ol class="flex flex-wrap items-center gap-1" aria-label="The steps of the test">
  {#each steps as step, i (step.text)}
    <li class="flex items-center gap-1">
      {#if i > 0}<span class="bg-line-strong h-1 w-6" aria-hidden="true"></span>{/if}
      <span
        class="rounded-lg border-2 px-3 py-2 font-semibold {step.done
          ? 'border-good bg-good-wash text-good'
          : 'border-line-strong'}">{step.text}<span class="sr-only">{step.done ? ', done' : ''}</span></span
      >
    </li>
  {/each}
</ol>
<div class="grid gap-x-6 sm:grid-cols-2">
  <label class="flex min-h-11 items-center gap-2.5"
    ><input type="checkbox" class="size-6" bind:checked={readings.dry} />The tester drew gas, no coolant</label
  >
  <label class="flex min-h-11 items-center gap-2.5"
    ><input type="checkbox" class="size-6" bind:checked={readings.worked} />It had worked for minutes under
    load</label
  >
</div>
<Choose label="Tested with" choices={choicesOf(GAS_TESTS)} bind:value={readings.by} problem={problems.by} />
<Choose
  label="It shows"
  choices={choicesOf(GAS_SEEN).map((c) => (c.value === 'gas' ? { ...c, tone: 'bad' as const } : c))}
  bind:value={readings.seen}
  problem={problems.seen}
/>
<Choose
  label="Bubbles in the filler"
  choices={choicesOf(BUBBLES).map((c) => (c.value === 'steady' ? { ...c, tone: 'bad' as const } : c))}
  value={readings.bubbles}
  optional
  onvalue={(v) => (readings.bubbles = v as CombustionGasReadings['bubbles'])}
/>
