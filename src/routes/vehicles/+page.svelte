<script lang="ts">
  import VehicleList from '$features/vehicles/VehicleList.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Vehicles · Pyrethos</title></svelte:head>
<VehicleList vehicles={data.vehicles} />
