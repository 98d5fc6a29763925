<script lang="ts">
  import Compare from '$features/compare/Compare.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Runs of {data.vehicle.fleetNo} compared · Pyrethos</title></svelte:head>
<Compare vehicle={data.vehicle} runs={data.runs} a={data.a} b={data.b} zone={data.zone} />
