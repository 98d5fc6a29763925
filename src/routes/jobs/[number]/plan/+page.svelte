<script lang="ts">
  import PlanSheet from '$features/job/PlanSheet.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Plan of {data.vehicle.fleetNo} job {data.number} · Pyrethos</title></svelte:head>
<PlanSheet plan={data} zone={data.zone} />
