<script lang="ts">
  import type { ThermalState } from '$core/thermal/state';
  import type { EventInput } from '$core/record/events';
  import QuantityInput from '$lib/ui/QuantityInput.svelte';

  interface Props {
    state: ThermalState;
    onnote: (note: Extract<EventInput, { kind: 'engine.noted' }>['payload']) => Promise<boolean>;
  }
  let { state: heat, onnote }: Props = $props();
  let measuring = $state(false);
  let coolantC = $state<number | null>(null);
  let ambientC = $state<number | null>(null);

  const at = () => new Date().toISOString();

  async function measured(event: SubmitEvent) {
    event.preventDefault();
    if (coolantC === null) return;
    if (await onnote({ kind: 'measured', at: at(), coolantC, ambientC })) measuring = false;
  }
</script>

{#if heat.running}
  <button
    class="btn"
    onclick={() => onnote({ kind: 'ran-until', at: at(), coolantC: heat.coolantC, ambientC: heat.ambientC })}
    >Engine stopped</button
  >
{:else}
  <button class="btn" onclick={() => onnote({ kind: 'started', at: at() })}>Engine started</button>
{/if}
<button class="btn" aria-expanded={measuring} onclick={() => (measuring = !measuring)}>Measured…</button>
{#if measuring}
  <form class="flex w-full flex-wrap items-end gap-3" onsubmit={measured}>
    <div class="w-44">
      <QuantityInput label="Coolant now" kind="temperature" bind:value={coolantC} required />
    </div>
    <div class="w-44">
      <QuantityInput label="Ambient" kind="temperature" bind:value={ambientC} hint="if known" />
    </div>
    <button class="btn btn-main mb-6" disabled={coolantC === null}>Write it down</button>
  </form>
{/if}
