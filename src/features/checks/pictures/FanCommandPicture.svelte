<script lang="ts">
  import type { FanCommandReadings } from '$core/checks/fan/fan-command';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<FanCommandReadings> = $props();
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
