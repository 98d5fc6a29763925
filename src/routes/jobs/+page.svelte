<script lang="ts">
  import AllJobs from '$features/depot/AllJobs.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
</script>

<svelte:head><title>All jobs · Pyrethos</title></svelte:head>
<AllJobs
  jobs={unpacked(data.jobs)}
  asked={data.asked}
  count={data.count}
  page={data.page}
  pages={data.pages}
  zone={data.zone}
/>
