<script lang="ts">
  import { FOLLOWED, WIGGLED, type Wiggled, type WiggleReadings } from '$core/checks/wiggle';
  import Choose from '$lib/ui/Choose.svelte';
  import { choicesOf } from '$lib/ui/choices';
  import QuantityInput from '$lib/ui/QuantityInput.svelte';
  import type { SheetProps } from './types';

  let { readings = $bindable(), problems }: SheetProps<WiggleReadings> = $props();
  const places = Object.entries(WIGGLED) as [Wiggled, string][];
</script>

<p class="text-ink-2">
  Move one place at a time for ten seconds, with the scan value and the fan in view. Stop at the first that
  answers.
</p>
<div class="grid gap-4 sm:grid-cols-2">
  {#each places as [place, title] (place)}
    <Choose
      label={title}
      choices={choicesOf(FOLLOWED).map((c) => (c.value === 'follows' ? { ...c, tone: 'bad' as const } : c))}
      value={readings[place]}
      optional
      problem={problems[place]}
      onvalue={(v) => (readings[place] = v as WiggleReadings[Wiggled])}
    />
  {/each}
  <QuantityInput
    label="Largest jump"
    kind="difference"
    bind:value={readings.jumpC}
    hint="if the reading jumped"
    problem={problems.jumpC}
  />
</div>
