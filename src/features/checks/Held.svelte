<script lang="ts">
  import Lock from '~icons/lucide/lock';
  import type { Gate } from '$core/checks/check';
  import type { EventInput } from '$core/record/events';
  import type { ThermalState } from '$core/physics/heat/state';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { hour } from '$lib/ui/page-state/when';

  interface Props {
    gate: Gate;
    heat: ThermalState;
    openCapText: string;
    now: string;
    zone: string;
    onnote: (note: Extract<EventInput, { kind: 'engine.noted' }>['payload']) => Promise<boolean>;
  }
  let { gate, heat, openCapText, now, zone, onnote }: Props = $props();
  let coolantC = $state<number | null>(null);
  const at = () => new Date().toISOString();
</script>

<section class="border-off bg-off-wash rounded-card border-2 p-4" role="status" data-held>
  <p class="text-off flex items-center gap-2 text-lg font-bold">
    <Lock size={22} aria-hidden="true" />Held back
  </p>
  {#if heat.running}
    <p class="mt-1">
      The record says the engine is running. {gate === 'cap-cool'
        ? `This step opens the system: not before the coolant is below ${openCapText}.`
        : 'Hands go near belt and fan in this step: engine off, key out and with you.'}
    </p>
    <button
      class="btn btn-main mt-3"
      onclick={() =>
        onnote({ kind: 'ran-until', at: at(), coolantC: heat.coolantC, ambientC: heat.ambientC })}
      >Engine stopped, key removed</button
    >
  {:else}
    <p class="mt-1">
      {#if heat.phase === 'unknown'}It is not known how hot the engine is. This step opens the system: not
        before the coolant is below {openCapText}. Measure it first.
      {:else}By the cooling law the coolant may still be above {openCapText}. The cap stays shut until {heat.safeToOpenFrom
          ? `${hour(heat.safeToOpenFrom, zone, now)}, or until`
          : 'the air is cooler, or until'} a thermometer on the housing says it is cooler.{/if}
    </p>
    <form
      class="mt-3 flex flex-wrap items-end gap-3"
      onsubmit={(e) => {
        e.preventDefault();
        if (coolantC !== null) void onnote({ kind: 'measured', at: at(), coolantC, ambientC: heat.ambientC });
      }}
    >
      <div class="w-48">
        <QuantityInput label="Coolant now, measured" kind="temperature" bind:value={coolantC} />
      </div>
      <button class="btn mb-6" disabled={coolantC === null}>Save reading</button>
    </form>
  {/if}
</section>
