<script lang="ts">
  import type { CombustionGasReadings } from '$core/checks/coolant/combustion-gas';
  import type { PictureProps } from '../types';

  let { readings }: PictureProps<CombustionGasReadings> = $props();
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
