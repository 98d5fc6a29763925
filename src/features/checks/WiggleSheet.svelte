<script lang="ts">
  import Hand from '@lucide/svelte/icons/hand';
  import { FOLLOWED, WIGGLED, type Wiggled, type WiggleReadings } from '$core/checks/sensor/wiggle';
  import type { Followed } from '$core/checks/sensor/wiggle-watch';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import type { SheetProps } from './types';
  import WiggleWatch from './WiggleWatch.svelte';

  let { readings = $bindable(), problems, liveRunId }: SheetProps<WiggleReadings> = $props();
  const places = Object.entries(WIGGLED) as [Wiggled, string][];

  let hand = $state<Wiggled | null>(null);
  /** Counts what the watch wrote into the jump: the field is drawn anew with it. */

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
{#if liveRunId}<WiggleWatch runId={liveRunId} {hand} onfound={found} />{:else}
  <p class="text-ink-2 text-sm">
    With a live recording running on this job, the reading is watched here and the place that answers is found
    for you.
  </p>
{/if}
<div class="grid gap-4 sm:grid-cols-2">
  {#each places as [place, title] (place)}
    <div class="flex items-end gap-3">
      <Choose
        label={title}
        choices={choicesOf(FOLLOWED).map((c) => (c.value === 'follows' ? { ...c, tone: 'bad' as const } : c))}
        value={readings[place]}
        optional
        problem={problems[place]}
        onvalue={(v) => (readings[place] = v as WiggleReadings[Wiggled])}
      />
      {#if liveRunId}
        <button
          type="button"
          class="btn min-h-14 px-4 {hand === place ? 'btn-main' : ''}"
          aria-pressed={hand === place}
          aria-label="Hand at: {title}"
          onclick={() => (hand = hand === place ? null : place)}
          ><Hand size={20} aria-hidden="true" />{hand === place ? 'Moving' : 'Move'}</button
        >
      {/if}
    </div>
  {/each}
  <QuantityInput
    label="Largest jump"
    kind="difference"
    bind:value={readings.jumpC}
    hint="if the reading jumped"
    problem={problems.jumpC}
  />
</div>
