<script lang="ts">
  import Finish from '$features/finish/Finish.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} repair and proof · Pyrethos</title></svelte:head>
<Finish
  job={data.job}
  vehicle={data.vehicle}
  sheet={data.sheet}
  events={data.events}
  otherHeat={data.otherHeat}
  runs={data.runs}
  costs={data.costs}
  causes={data.causes}
  now={data.now}
  zone={data.zone}
/>
