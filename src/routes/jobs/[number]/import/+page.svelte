<script lang="ts">
  import ImportLog from '$features/import/ImportLog.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Import a log · {data.vehicle.fleetNo} · Pyrethos</title></svelte:head>
<ImportLog job={data.job} vehicle={data.vehicle} hasSheet={data.hasSheet} />
