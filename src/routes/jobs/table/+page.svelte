<script lang="ts">
  import JobsTable from '$features/depot/JobsTable.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const jobs = $derived(unpacked(data.jobs));
</script>

<svelte:head><title>Jobs as a table · Pyrethos</title></svelte:head>
<JobsTable {jobs} zone={data.zone} />
