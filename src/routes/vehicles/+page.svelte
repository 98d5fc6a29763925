<script lang="ts">
  import VehicleList from '$features/vehicles/VehicleList.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Vehicles · Pyrethos</title></svelte:head>
<VehicleList vehicles={data.vehicles} asked={data.asked} all={data.all} page={data.page} pages={data.pages} />
