<script lang="ts">
  import DrivesSheet from '$features/job/DrivesSheet.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Drives for {data.vehicle.fleetNo} job {data.number} · Pyrethos</title></svelte:head>
<DrivesSheet sheet={data} zone={data.zone} />
