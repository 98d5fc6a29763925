<script lang="ts">
  import FleetTable from '$features/fleet/FleetTable.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const fleet = $derived(unpacked(data.fleet));
</script>

<svelte:head><title>Trends as a table · Pyrethos</title></svelte:head>
<FleetTable {fleet} />
