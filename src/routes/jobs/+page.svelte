<script lang="ts">
  import AllJobs from '$features/depot/AllJobs.svelte';

  let { data } = $props();
</script>

<svelte:head><title>All jobs · Pyrethos</title></svelte:head>
<AllJobs
  jobs={data.jobs}
  asked={data.asked}
  count={data.count}
  page={data.page}
  pages={data.pages}
  zone={data.zone}
/>
