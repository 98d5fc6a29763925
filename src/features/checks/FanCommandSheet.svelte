<script lang="ts">
  import { CLICKS, TURNS, type FanCommandReadings } from '$core/checks/fan/fan-command';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<Draft<FanCommandReadings>> = $props();
  const relay = $derived(sheet?.fan?.drive !== 'controller');
  const PATH = $derived(['Scan tool', 'Control unit', relay ? 'Relay' : 'Controller', 'Fan']);
  /** How far along the path the command is known to have come. */
  const reached = $derived(
    readings.turns === 'full' || readings.turns === 'slow'
      ? 4
      : readings.click === 'yes'
        ? 3
        : readings.turns === 'no'
          ? 1
          : 0
  );
</script>

<ol class="flex flex-wrap items-center gap-1" aria-label="The path of the command">
  {#each PATH as part, i (part)}
    <li class="flex items-center gap-1">
      {#if i > 0}<span class="h-1 w-8 {i < reached ? 'bg-good' : 'bg-line-strong'}" aria-hidden="true"
        ></span>{/if}
      <span
        class="rounded-lg border-2 px-3 py-2 font-semibold {i < reached
          ? 'border-good bg-good-wash text-good'
          : 'border-line-strong'}">{part}<span class="sr-only">{i < reached ? ', reached' : ''}</span></span
      >
    </li>
  {/each}
</ol>
<div>
  <p class="mb-1 text-sm font-semibold">Commanded</p>
  <div class="flex flex-wrap gap-2">
    {#each [30, 50, 80, 100] as pct (pct)}
      <button
        type="button"
        class="reading min-h-11 rounded-lg border px-4 {readings.commandedPct === pct
          ? 'border-act bg-well border-2 font-semibold'
          : 'border-line-strong bg-card hover:bg-well'}"
        aria-pressed={readings.commandedPct === pct}
        onclick={() => (readings.commandedPct = pct)}>{pct} %</button
      >
    {/each}
  </div>
  {#if problems.commandedPct}<p class="text-off mt-1 text-xs font-semibold">{problems.commandedPct}</p>{/if}
</div>
<Choose
  label={relay ? 'The relay' : 'A relay, if there is one'}
  choices={choicesOf(CLICKS)}
  bind:value={readings.click as string | null}
  problem={problems.click}
/>
<Choose
  label="The fan"
  choices={choicesOf(TURNS)}
  bind:value={readings.turns as string | null}
  problem={problems.turns}
/>
