<script lang="ts">
  import { TEMPLATES, type CircuitReadings, type TemplateId } from '$core/checks/circuit-check';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import CircuitBench from '../circuits/CircuitBench.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), problems }: PictureProps<CircuitReadings, keyof CircuitReadings> = $props();
  const KINDS = ['fan-relay', 'fan-pair'] as const;
</script>

<Choose
  label="The fans are wired as"
  choices={KINDS.map((id) => ({ value: id, label: TEMPLATES[id].title }))}
  value={readings.circuit}
  onvalue={(v) => {
    if (v && v !== readings.circuit)
      readings = { ...readings, circuit: v as TemplateId, taken: [], names: {} };
  }}
/>
{#key readings.circuit}<CircuitBench bind:readings {problems} />{/key}
