<script lang="ts">
  import Job from '$features/job/Job.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} job {data.job.number} · Pyrethos</title></svelte:head>
<Job {...data} zone={data.zone} />
