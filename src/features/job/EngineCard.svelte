<script lang="ts">
  import type { ThermalState } from '$core/physics/heat/state';
  import type { EventInput } from '$core/record/events';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import { basisText, phaseTitle, waitText } from './words';

  interface Props {
    heat: ThermalState;
    now: string;
    zone: string;
    onnote: (note: Extract<EventInput, { kind: 'engine.noted' }>['payload']) => Promise<boolean>;
  }
  let { heat, now, zone, onnote }: Props = $props();
  let measuring = $state(false);
  let coolantC = $state<number | null>(null);
  let ambientC = $state<number | null>(null);

  const wait = $derived(waitText(heat, now, zone));
  const read = $derived(heat.basis?.kind === 'measured' && heat.running);
  const at = () => new Date().toISOString();

  async function measured(event: SubmitEvent) {
    event.preventDefault();
    if (coolantC === null) return;
    if (await onnote({ kind: 'measured', at: at(), coolantC, ambientC })) measuring = false;
  }
</script>

<section
  class="card flex flex-col border-l-6 px-4 py-2"
  style="border-left-color: {heat.coolantC === null ? 'var(--line-strong)' : heatVar(heat.coolantC)}"
  aria-label="The engine now"
>
  <p data-phase={heat.phase} aria-live="polite">
    <strong class="text-xl">{phaseTitle(heat)}</strong>
    {#if heat.coolantC !== null}<span class="reading ml-1 text-xl font-bold whitespace-nowrap"
        >{read ? '' : 'about '}{shown(heat.coolantC, 'temperature', 0)}</span
      >{/if}
  </p>
  <p class="text-ink-2 flex-1 text-sm">{basisText(heat, now)}{wait ? ` · ${wait}` : ''}</p>
  <div class="no-print mt-1 flex flex-wrap gap-2">
    {#if heat.running}
      <button
        class="btn min-h-14"
        onclick={() =>
          onnote({ kind: 'ran-until', at: at(), coolantC: heat.coolantC, ambientC: heat.ambientC })}
        >Engine stopped</button
      >
    {:else}
      <button class="btn px-3" onclick={() => onnote({ kind: 'started', at: at() })}>Engine started</button>
    {/if}
    <button
      class="btn px-3 {heat.running ? 'min-h-14' : ''}"
      aria-expanded={measuring}
      onclick={() => (measuring = !measuring)}>Measured…</button
    >
  </div>
  {#if measuring}
    <form class="mt-2 flex flex-wrap items-end gap-3" onsubmit={measured}>
      <div class="w-40">
        <QuantityInput label="Coolant now" kind="temperature" bind:value={coolantC} required />
      </div>
      <div class="w-40">
        <QuantityInput label="Ambient" kind="temperature" bind:value={ambientC} hint="if known" />
      </div>
      <button class="btn btn-main mb-6" disabled={coolantC === null}>Save reading</button>
    </form>
  {/if}
</section>
