<script lang="ts">
  import SensorCalculator from '$features/sensor/SensorCalculator.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Sensor calculator · Pyrethos</title></svelte:head>
<SensorCalculator vehicles={data.vehicles} />
