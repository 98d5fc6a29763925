<script lang="ts">
  import OpenJob from '$features/job/OpenJob.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Open a job · Pyrethos</title></svelte:head>
<OpenJob vehicles={data.vehicles} chosen={data.chosen} jobs={data.jobs} zone={data.zone} />
