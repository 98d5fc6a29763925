<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import type { Learnable } from '$core/handover/memory/learned';
  import { bareSheet } from '$core/vehicle/three-taps';
  import { sayC, sayDeltaC } from '$core/units/say';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { named, saveSheet } from '$lib/ui/outbox/save-sheet';
  import type { Vehicle } from './types';

  interface Props {
    vehicle: Vehicle;
    learnable: readonly Learnable[];
  }
  let { vehicle, learnable }: Props = $props();
  let problems = $state<readonly Problem[]>([]);

  const TITLES = { startOpenC: 'The thermostat opens at', fanOnC: 'The fan comes on at' };

  async function use({ limit, celsius }: Learnable) {
    const answer = await saveSheet(vehicle.id, {
      ...(vehicle.sheet ?? bareSheet(vehicle.name)),
      learned: { ...vehicle.sheet?.learned, [limit]: celsius }
    });
    problems = answer.ok ? [] : named(answer.problems);
    if (answer.ok) await invalidateAll();
  }
</script>

<section class="card mt-4 p-4" aria-label="What its good runs show">
  <h2>What its good runs show</h2>
  <p class="text-ink-2 text-sm">The sheet does not give these. Taken into it, they count as given ones do.</p>
  <Problems {problems} title="Not saved" />
  <ul class="mt-2">
    {#each learnable as l (l.limit)}
      <li class="border-line flex flex-wrap items-center gap-x-4 gap-y-1 border-t py-2">
        <span class="mr-auto"
          >{TITLES[l.limit]}
          <strong class="reading">{inReaderUnits(`${sayC(l.celsius)} ± ${sayDeltaC(l.withinC)}`)}</strong>
          <span class="text-ink-2">in {l.runs} runs</span></span
        >
        <button class="btn" onclick={() => use(l)}>Use it</button>
      </li>
    {/each}
  </ul>
</section>
