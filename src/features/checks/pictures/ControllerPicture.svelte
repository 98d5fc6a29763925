<script lang="ts">
  import type { CircuitReadings } from '$core/checks/circuit-check';
  import { COMMAND_FULL_V } from '$core/physics/circuit/fan-controller';
  import CircuitBench from '../circuits/CircuitBench.svelte';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), problems }: PictureProps<CircuitReadings, keyof CircuitReadings> = $props();
</script>

<CircuitBench bind:readings {problems} dutyOfV={COMMAND_FULL_V} />
