<script lang="ts">
  import VehiclesTable from '$features/vehicles/VehiclesTable.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const vehicles = $derived(unpacked(data.vehicles));
</script>

<svelte:head><title>Vehicles as a table · Pyrethos</title></svelte:head>
<VehiclesTable {vehicles} zone={data.zone} />
