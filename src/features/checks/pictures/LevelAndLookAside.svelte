<script lang="ts">
  import { type LevelAndLookReadings } from '$core/checks/coolant/level-and-look';
  import { LOOK_IDS, LOOKS, lookState, type LookId } from '$core/checks/coolant/looks';
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable() }: PictureProps<LevelAndLookReadings> = $props();
  const defects = $derived(
    LOOK_IDS.filter((id) => {
      const state = lookState(id, readings[id]);
      return state && state.is !== 'good';
    })
  );
  const aside = (id: LookId, on: boolean) =>
    (readings.fixAnyway = on ? [...readings.fixAnyway, id] : readings.fixAnyway.filter((x) => x !== id));
</script>

{#if defects.length > 0}
  <fieldset class="border-line border-t pt-3">
    <legend class="sr-only">Real defect, not the cause</legend>
    <p class="text-sm font-semibold">Fix anyway, not the cause</p>
    <div class="mt-1 flex flex-wrap gap-x-6">
      {#each defects as id (id)}
        <Tick
          label="{LOOKS[id].title}: {lookState(id, readings[id])!.title.toLowerCase()}"
          value={readings.fixAnyway.includes(id)}
          onvalue={(on) => aside(id, on)}
        />
      {/each}
    </div>
  </fieldset>
{/if}
