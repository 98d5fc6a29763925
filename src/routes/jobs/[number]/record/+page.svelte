<script lang="ts">
  import RecordTable from '$features/job/RecordTable.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const entries = $derived(unpacked(data.entries));
</script>

<svelte:head><title>Record of {data.vehicle.fleetNo} job {data.number} · Pyrethos</title></svelte:head>
<RecordTable {entries} number={data.number} fleetNo={data.vehicle.fleetNo} zone={data.zone} />
