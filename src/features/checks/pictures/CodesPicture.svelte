<script lang="ts">
  import type { CodesReadings } from '$core/checks/engine/codes';
  import CodeList from '../CodeList.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), problems }: PictureProps<CodesReadings> = $props();
</script>

<CodeList bind:codes={readings.codes} problem={problems.codes} />
{#if readings.codes.length === 0}<p class="text-ink-2">
    None typed: saved like this it says that no code is stored or pending.
  </p>{/if}
