<script lang="ts">
  import type { CodesReadings } from '$core/checks/engine/codes';
  import CodeList from '../CodeList.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), problems }: PictureProps<Partial<CodesReadings>> = $props();
</script>

<CodeList bind:codes={readings.codes} problem={problems.codes} />
{#if readings.codes === undefined}
  <button type="button" class="btn mt-3" onclick={() => (readings.codes = [])}>No code is stored</button>
{:else if readings.codes.length === 0}
  <p class="text-ink-2">No code is stored or pending. Enter one above if there is one after all.</p>
{/if}
