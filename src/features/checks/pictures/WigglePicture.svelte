<script lang="ts">
  import Hand from '~icons/lucide/hand';
  import { WIGGLED, type Wiggled, type WiggleReadings } from '$core/checks/sensor/wiggle';
  import type { Followed } from '$core/checks/sensor/wiggle-watch';
  import type { PictureProps } from '../types';
  import WiggleWatch from './WiggleWatch.svelte';

  let { readings = $bindable(), liveRunId }: PictureProps<WiggleReadings> = $props();
  const places = Object.entries(WIGGLED) as [Wiggled, string][];
  let hand = $state<Wiggled | null>(null);

  /** What the watch saw stands in the sheet as if it had been tapped, and can be tapped otherwise. */
  function found(seen: Partial<Record<Wiggled, Followed>>) {
    let largest = readings.jumpC ?? 0;
    for (const [place, { followed, jumpC }] of Object.entries(seen) as [Wiggled, Followed][]) {
      readings[place] = followed;
      if (followed === 'follows') largest = Math.max(largest, jumpC);
    }
    if (largest > (readings.jumpC ?? 0)) {
      readings.jumpC = largest;
    }
  }
</script>

<p class="text-ink-2">
  Move one place at a time for ten seconds, with the scan value and the fan in view. Stop at the first that
  answers.
</p>
{#if liveRunId}
  <WiggleWatch runId={liveRunId} {hand} onfound={found} />
  <div class="mt-2 flex flex-wrap gap-2">
    {#each places as [place, title] (place)}
      <button
        type="button"
        class="btn min-h-14 px-4 {hand === place ? 'btn-main' : ''}"
        aria-pressed={hand === place}
        aria-label="Hand at: {title}"
        onclick={() => (hand = hand === place ? null : place)}
        ><Hand size={20} aria-hidden="true" />{hand === place ? 'Moving' : 'Move'}
        {title.toLowerCase()}</button
      >
    {/each}
  </div>
{:else}
  <p class="text-ink-2 text-sm">
    With a live recording running on this job, the reading is watched here and the place that answers is found
    for you.
  </p>
{/if}
