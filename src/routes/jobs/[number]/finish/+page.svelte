<script lang="ts">
  import Finish from '$features/finish/Finish.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} repair and proof · Pyrethos</title></svelte:head>
<Finish {...data} zone={data.zone} />
