<script lang="ts">
  import Live from '$features/live/Live.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} live · Pyrethos</title></svelte:head>
<Live
  job={data.job}
  vehicle={data.vehicle}
  sheet={data.sheet}
  knownGood={data.knownGood}
  known={data.known}
  adapters={data.adapters}
/>
