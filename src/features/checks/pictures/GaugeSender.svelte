<script lang="ts">
  import { untrack } from 'svelte';
  import { emptyCircuit, type CircuitReadings } from '$core/checks/circuit-check';
  import type { GaugeCompareReadings } from '$core/checks/sensor/gauge-compare';
  import CircuitBench from '../circuits/CircuitBench.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), problems }: PictureProps<GaugeCompareReadings> = $props();
  // Its own circuit, measured on the side: part of the readings once something was.
  let sender = $state<CircuitReadings>(
    untrack(() => readings.sender ?? { ...emptyCircuit, circuit: 'gauge' as const })
  );
  $effect(() => {
    const taken = $state.snapshot(sender);
    readings.sender = taken.taken.length > 0 ? (taken as GaugeCompareReadings['sender']) : null;
  });
  const senderProblems = $derived(
    Object.fromEntries(
      Object.entries(problems).flatMap(([k, v]) => (k.startsWith('sender.') ? [[k.slice(7), v]] : []))
    )
  );
</script>

<details open={sender.taken.length > 0}>
  <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
    >The needle is wrong: which part of its circuit</summary
  >
  <div class="space-y-4"><CircuitBench bind:readings={sender} problems={senderProblems} /></div>
</details>
